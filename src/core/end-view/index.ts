export type { AxisPlace } from './axis-places';
export { endView, placesOfAxes, type Station } from './stations';
export { toothOutline, type OutlinePoint } from './involute';
export { phaseAgainst, toothPhases, type WheelMesh } from './phases';
export { centreOf, pitchesPast, poseOf, type Pose, type TurnsOf, type EndViewGear } from './wheels';
