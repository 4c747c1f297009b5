export { backwardFlow, coastFlow, driveFlow, type Flow } from './flow';
export { jointTorque, type ActiveJoint, type State } from './states';
export { solveEngaged, solvePositions, type Solved, type Status } from './position';
export { lockSet, powerStops, type PowerStops } from './reasons';
export { driveBackward, type BackwardVerdict } from './backward';
export { reportPosition, reportTrain, type PositionReport, type TrainReport } from './report';
export { slipPoints, type SlipPoint } from './capacity';
