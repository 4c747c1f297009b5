export { inverseInvolute } from './involute';
export { axisLines, centreDistance, gearModules, meshingGears, pitchRadius } from './modules';
export { runningPair, type PairSpec, type PairWheel, type RunningPair } from './running-pair';
export { contactOf, type Contact } from './contact';
export { type Interference } from './interference';
export {
  leastShift,
  runningCentre,
  sharedCentre,
  shiftSumAt,
  splitShift,
  SPLITS,
  type Sharing,
  type Split,
} from './split-shifts';
export { geometryOf, type GearGeometry, type MeshGeometry, type TrainGeometry } from './train-geometry';
