export { idealTorques, lossyTorques, rollingSpeed, type Loaded } from './losses';
export { meshShares, type Load, type MeshLoss, type Torque, type Torques } from './statics';
