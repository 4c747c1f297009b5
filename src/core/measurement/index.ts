export { broughtBy, entriesOfLog, importName, importOf } from './log-entries';
export { measured, plain, SOUND, slowingWatts, type MeasuredQuantity } from './arithmetic';
export { contradicted, contradictionsOf } from './contradictions';
export { strangePositions } from './strange-positions';
export { disputedPositions, efficiencies, meshEfficiencyFor, type MeasuredEfficiency } from './efficiency';
export type { Explanation } from './explanations';
export { judgedJson, judgeFor, type Judge, type Judged, type ReadingVerdict } from './judge';
export { countedIn, judgeLog, readLog, readReading, shapeOfEntry, type Counted } from './log-file';
export { MOST_READINGS, type Correction, type Log, type Reading } from './log-schema';
