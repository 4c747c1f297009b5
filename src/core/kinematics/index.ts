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
  derivedOnce,
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
  isStationary,
  tieRow,
  type FreeMotion,
  type Speeds,
} from './motion';
