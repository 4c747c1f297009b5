export type { Place, WrittenProblem } from './place';
export { readWritten, type WrittenTrain } from './read';
export { writeTrain } from './write';
