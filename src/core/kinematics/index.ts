export {
  FRAME_INDEX,
  networkOf,
  type MemberIndex,
  type Network,
  type NetworkCoupler,
  type NetworkMesh,
} from './network';
export {
  alwaysIn,
  inCoordinates,
  keptWith,
  openTrain,
  type Coordinates,
  type Joint,
  type MemberVector,
  type OpenTrain,
  type Tie,
} from './open-train';
export { planetarySets, type PlanetarySet } from './planetary-sets';
export {
  imposeTies,
  leadForm,
  memberForm,
  mobility,
  openMotion,
  speedsPerTurn,
  stands,
  tieRow,
  type Motion,
  type Speeds,
} from './motion';
