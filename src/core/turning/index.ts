export { handTurn, NOTHING_TURNED, readTurns, teethPassed, turnOn, type MemberSpeeds, type Turned } from './turning';
