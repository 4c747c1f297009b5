export type { Place, WrittenProblem } from './place';
export { readWritten, type WrittenTrain } from './read';
export { writeTrain } from './write';
export { quote as quotedName } from './quote';
export { BEGINNINGS, LEADS, LINKING } from './words';
