export { FRAME_INDEX, networkOf, turnsSameWay, type MemberIndex, type Network, type NetworkCoupler, type NetworkMesh } from './network';
export { engage, freedom, mobility, openMotion, openTrain, speedsPerTurn, type Motion, type OpenTrain, type Speeds, type Tie } from './motion';
