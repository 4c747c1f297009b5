export { handTurn, NOTHING_TURNED, readTurns, teethPassed, turnOn, type Speeds, type Turned } from './turning';
