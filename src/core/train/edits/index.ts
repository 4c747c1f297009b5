export { checked, refused, type Edit } from './edit';
export {
  changeCoupler,
  changeElasticity,
  changeGear,
  changeTrain,
  type GearChange,
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
  addShaft,
  addStep,
  makeSliding,
} from './add';
export { addPlanetsRound, addSet, type SetPart } from './add-set';
export type { Addition } from './addition';
export { addMesh, freeGear, joinMembers, setStations, reverseOneWay } from './connect';
export { copyPart, pastePart, readClip, type Clip } from './copy';
export { recouple, type JoiningType } from './recouple';
export { addSelector, putOnSelector, removeSelector, renameSelector, setSpan } from './selectors';
export { setTeethInSet, typeTeeth } from './set-counts';
export { removePart, partsRemovedWith, type Removal } from './remove';
export {
  deletePosition,
  engageInPosition,
  keepPosition,
  movePosition,
  orderPositions,
  renamePosition,
  replacePositions,
  setOnLadder,
} from './positions';
