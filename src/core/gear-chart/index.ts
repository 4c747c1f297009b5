export {
  combinedCouplers,
  listCombinations,
  MAX_COMBINED,
  walkCombinations,
  type Combination,
  type Watch,
} from './combinations';
export { chartOf, type Chart, type ChartRow, type Forward } from './chart';
export { influenceOf, influenceOn, type Influence } from './influence';
export { neighbouringShifts, shiftBetween, type Between, type Shift, type Verdict } from './shifts';
export { duplicatePositions } from './duplicates';
export { summariseTrain, type TrainSummary } from './summary';
