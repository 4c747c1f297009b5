export { stlBytes, wheelDxf, wheelSvg } from './files';
export { gearOutline } from './gear-outline';
export type { Loop, Point } from './loop';
export { stacked, wheelSolid, type Triangles } from './solid';
export { involute, PRESSURE_ANGLE, toothForm, type ToothForm, type ToothSpec } from './tooth-form';
export { readWheel, usualRim, USUAL_TOLERANCE_MM, type ReadWheel, type Wheel, type WheelSpec } from './wheel';
