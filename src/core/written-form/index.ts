export type { Place, WrittenProblem } from './place';
export { readWritten, type WrittenTrain } from './read';
export { writeTrain } from './write';
export { Ids } from './ids';
export { nearest } from './nearest';
export { quote as quotedName } from './quote';
export { rowsOf, type WrittenRow } from './rows';
export { BEGINNINGS, LEADS, LINKING } from './words';
