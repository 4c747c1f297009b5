export {
  handTurn,
  NOTHING_TURNED,
  readTurns,
  teethPassed,
  memberMoves,
  type MemberMove,
  turnFurther,
  type MemberSpeeds,
  type TurnedTrain,
} from './turning';
