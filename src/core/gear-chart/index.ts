export { combinedCouplers, listCombinations, MAX_COMBINED, walkCombinations } from './combinations';
export {
  countByStatus,
  countEngaged,
  engagedIn,
  numberOf,
  ratioOfCombination,
  statusAt,
  tabulateCombinations,
  type CombinationTable,
} from './combination-table';
export {
  groupCombinations,
  lockCauses,
  missingForward,
  type CombinationFilter,
  type CombinationGroup,
  type LockCause,
} from './combination-groups';
export { chartOf, isForward, rungOf, type Chart, type ChartRow, type Forward } from './chart';
export { compareCharts, type MatchBy, type Pairing } from './compare';
export { duplicatePositions, nearDuplicates, type NearDuplicate } from './duplicates';
export { gridOf, type CouplerGrid, type GridCell } from './grid';
export { fittedFactor, idealSteps, type IdealSteps, type StepSchool } from './ideals';
export { influenceOf, influenceOn, oneToothMore, type Influence } from './influence';
export { readPasted, type ColumnUse, type Pasted } from './pasted';
export { relativeSpeeds } from './relative-speeds';
export { sequenceOf, type Click, type ClickStretch } from './sequence';
export { shiftDetails, type ShiftDetails } from './shift-details';
export {
  lockedEnds,
  neighbouringShifts,
  possibleShifts,
  shiftBetween,
  type SetBetween,
  type Shift,
  type ShiftVerdict,
} from './shifts';
export { singleChanges, type SingleChanges } from './single-changes';
export { dragged, roundedSpeed, speedLinesOf, speedsWith, type SpeedPin, type SpeedLines } from './speed-lines';
export { stageProduct, stageTable, type ChainStage, type StageTable } from './stage-table';
export { summariseTrain, type TrainSummary } from './summary';
