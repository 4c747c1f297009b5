export { idealTorques, lossyTorques, rollingSpeed, type LossyLoad } from './losses';
export { powerOf } from './power';
export { meshShares, type BalancedLoad, type MeshLoss, type Torque, type Torques } from './statics';
