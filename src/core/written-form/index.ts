export type { Place, WrittenProblem } from './place';
export { readWritten, type WrittenTrain } from './read';
export { writeTrain } from './write';
export { Ids } from './ids';
export { isWritten } from './is-written';
export { missingText, nearest } from './nearest';
export { quote as quotedName } from './quote';
export { rowsOf, type WrittenRow } from './rows';
export { BEGINNINGS, FRAME_WORDS, LEADS, LINKING } from './words';
