export { stlBytes, wheelDxf, wheelSvg } from './files';
export { gearOutline } from './gear-outline';
export { filled, type Filled } from './filled';
export { helixOf, type Helix } from './helix';
export { circleLoop, polar, reversed, turned, type Loop, type LoopPoint } from './loop';
export { stackSolids, wheelSolid, type Triangles } from './solid';
export { rackAcross, rackOf, STANDARD_RACK, type Rack, type RackAcross } from './rack';
export {
  involute,
  isUndercut,
  PRESSURE_ANGLE,
  toothForm,
  type OutlinePiece,
  type ToothForm,
  type ToothSpec,
} from './tooth-form';
export { readWheel, usualRim, type ShapedGear } from './wheel';
export { USUAL_TOLERANCE_MM, type WheelSpec } from './wheel-schema';
