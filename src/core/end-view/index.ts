export { endView, type Station } from './stations';
export { toothOutline, type OutlinePoint } from './involute';
export { toothPhases, type WheelMesh } from './phases';
export { centreDistance, gearModules, axisLines, pitchRadius } from './modules';
export { centreOf, pitchesPast, poseOf, type Pose, type TurnsOf, type EndViewGear } from './wheels';
