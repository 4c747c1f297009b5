export { checked, refused, type Edit } from './edit';
export {
  changeCoupler,
  changeGear,
  changeMember,
  changeMesh,
  readTeeth,
  renameTrain,
  setAside,
  setGearType,
  setInput,
  setTeeth,
  setTipSpeedLimit,
  reopenFinding,
  toggleOutput,
} from './change';
export {
  addChain,
  addCoupler,
  addGearOn,
  addIdlerBetween,
  addMeshingGear,
  addSetRound,
  addStep,
  makeSliding,
} from './add';
export type { Addition } from './addition';
export { addMesh, freeGear, joinMembers, setStations, reverseOneWay } from './connect';
export { copyPart, pastePart, readClip, type Clip } from './copy';
export { removePart, partsRemovedWith, type Removal } from './remove';
export {
  deletePosition,
  engageInPosition,
  keepPosition,
  movePosition,
  orderPositions,
  renamePosition,
  replacePositions,
} from './positions';
