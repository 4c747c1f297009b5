export { stlBytes, wheelDxf, wheelSvg } from './files';
export { gearOutline } from './gear-outline';
export type { Loop, LoopPoint } from './loop';
export { stackSolids, wheelSolid, type Triangles } from './solid';
export { involute, PRESSURE_ANGLE, toothForm, type ToothForm, type ToothSpec } from './tooth-form';
export { readWheel, usualRim, type ShapedGear } from './wheel';
export { USUAL_TOLERANCE_MM, type WheelSpec } from './wheel-schema';
