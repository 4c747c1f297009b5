export { workingOf } from './working';
export type { CrossCheck, Join, SetEquation, Stage, Working, WorkingStep } from './steps';
export { workingText, type Names } from './text';
