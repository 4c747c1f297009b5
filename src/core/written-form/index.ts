export type { Place, WrittenProblem } from './place';
export { withIdsOf } from './keep-ids';
export { readWritten, type WrittenTrain } from './read';
export { writeTrain } from './write';
