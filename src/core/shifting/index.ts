export { adviceOf, marginsOf, type Advice } from './advice';
export { pointsOf, type Points } from './points';
export type { RunEvent } from './events';
export { runScenario, type Run, type Sample } from './run';
export { readScenario, type ReadScenario } from './scenario-file';
export type { Scenario } from './scenario-schema';
export { travelOf, type TravelStretch } from './travel';
export { jamsOf, longestEntry, type Jam } from './travel-advice';
export { twoPathsIn, type SummedPath, type TwoPaths } from './two-paths';
