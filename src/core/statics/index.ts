export { idealTorques, lossyTorques, type Loaded, type Rolling } from './losses';
export { meshShares, LOSSLESS, type MeshLoss, type Torque, type Torques } from './statics';
