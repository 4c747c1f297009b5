export { FRAME } from './frame';
export { COUPLER_STYLES, LIMITS, MATERIALS, MOST_SHIFT, ONE_INPUT, type Material } from './limits';
export { hasPart, type PartRef } from './parts';
export { trainSchema } from './schema';
export type { Coupler, Gear, GearType, Member, Mesh, Position, Train, Unchanging } from './schema';
export { problemText, type Problem } from './problem';
export { checkTrain, keptText, MAX_TRAIN_BYTES, parseTrain, serialiseTrain, type Parsed } from './parse';
export { armOf } from './rules';
export { isChained, isCylindrical } from './gear-kinds';
export { withSharedParts } from './shared-parts';
export { partsById, type PartIndex } from './part-index';
export { axesOf, type Axis } from './axes';
export { components } from './components';
export {
  GEAR_FIGURES,
  GEAR_SIZES,
  isAlike,
  sizesOf,
  TRAIN_FIGURES,
  type FigureWords,
  type TrainFigure,
} from './wheel-fields';
export {
  countsFit,
  isInFittingSet,
  planetarySetsOf,
  simpleSetsOf,
  simpleSetsWith,
  type SetInTrain,
  type SimpleSet,
} from './planetary-sets';
export * from './edits';
