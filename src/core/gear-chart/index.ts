export {
  combinedCouplers,
  listCombinations,
  MAX_COMBINED,
  walkCombinations,
  type Combination,
  type Watch,
} from './combinations';
export { duplicatePositions } from './duplicates';
export { summariseTrain, type TrainSummary } from './summary';
