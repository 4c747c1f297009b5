export {
  handTurn,
  NOTHING_TURNED,
  readTurns,
  teethPassed,
  turnFurther,
  type MemberSpeeds,
  type TurnedTrain,
} from './turning';
