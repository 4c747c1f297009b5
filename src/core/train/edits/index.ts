export { checked, type Edit } from './edit';
export { changeCoupler, changeGear, changeMember, changeMesh, readTeeth, renameTrain, setInput, setTeeth, toggleOutput } from './change';
export { addCoupler, addGearOn, addIdlerBetween, addMeshingGear, addSetRound, addStep, makeSliding, type Addition } from './add';
export { joinMembers, removePart, whatGoes, type PartRef, type Removal } from './remove';
export { deletePosition, engageInPosition, keepPosition, movePosition, renamePosition } from './positions';
