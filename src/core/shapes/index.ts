export { stlBytes, wheelDxf, wheelSvg } from './files';
export { gearOutline } from './gear-outline';
export type { Loop, LoopPoint } from './loop';
export { stackSolids, wheelSolid, type Triangles } from './solid';
export { involute, PRESSURE_ANGLE, toothForm, type ToothForm, type ToothSpec } from './tooth-form';
export { readWheel, usualRim, USUAL_TOLERANCE_MM, type ReadWheel, type ShapedGear, type WheelSpec } from './wheel';
