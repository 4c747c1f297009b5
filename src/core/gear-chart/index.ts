export {
  combinedCouplers,
  listCombinations,
  MAX_COMBINED,
  walkCombinations,
  type Combination,
  type Watch,
} from './combinations';
export { chartOf, type Chart, type ChartRow, type Forward } from './chart';
export { duplicatePositions } from './duplicates';
export { summariseTrain, type TrainSummary } from './summary';
