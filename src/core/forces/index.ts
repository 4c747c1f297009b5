export { couplerForces, type CouplerForce } from './coupler-forces';
export { linePressure, stiffnessOf, type Stiffness } from './materials';
export { contactLoads, contactPlaces, placeOf, type ContactLoad, type ContactPlace } from './contacts';
export { memberForces, type MemberForces } from './member-forces';
export { copiesOf, meshForces, type ForcesUse, type MeshForces } from './mesh-forces';
export { rankWheels, stressesIn, type WheelStress } from './ranking';
export { rootSection, rootStress, type RootSection } from './root-section';
export { shaftForces, sumOf, type Bending, type Load, type Reaction, type ShaftForces, type Vector } from './shaft';
export { turningForces } from './turning-forces';
