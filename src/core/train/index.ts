export { FRAME, LIMITS, MATERIALS, trainSchema } from './schema';
export type {
  Coupler,
  Gear,
  GearType,
  JoiningCoupler,
  Material,
  Member,
  Mesh,
  Position,
  SlidingMesh,
  Train,
} from './schema';
export { pathText, problemText, type Problem } from './problem';
export { checkTrain, keptText, MAX_TRAIN_BYTES, parseTrain, serialiseTrain, type Parsed } from './parse';
export { armOf } from './rules';
export { axesOf, type Axis } from './axes';
export { components } from './components';
export * from './edits';
