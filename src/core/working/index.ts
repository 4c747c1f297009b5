export { workingOf } from './working';
export { gearSets, type GearSet } from './sets';
export type {
  CrossCheck,
  Elimination,
  Equation,
  FoundStep,
  Join,
  SetEquation,
  Stage,
  ToothFactor,
  Working,
  WorkingStep,
} from './steps';
export { blockText, speedInSet, tableOf, workingText, type Names, type SetSchool } from './text';
