export { driveFlow, type Flow } from './flow';
export { jointTorque, type State } from './state';
export type { ActiveJoint } from './engaged';
export { solveEngaged, solvePositions, type Solved, type Status } from './position';
export { solveCoasting } from './coasting';
export { lockSet, powerStops, type PowerStops } from './reasons';
export { driveBackward, type BackwardVerdict } from './backward';
export { reportPosition, reportTrain, type PositionReport, type TrainReport } from './report';
export { slipPoints, type SlipPoint } from './capacity';
