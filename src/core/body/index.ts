export { intoWorld, type AxisFrame, type Vector } from './axis-frames';
export type { BodyNode, Carried, TrainBody } from './body-node';
export { bodyOf, type Progress } from './train-body';
export { triangleCount, type Surface, type SurfacePart } from './surface';
export type { Touching } from './touching';
export { poseOf, type Pose } from './pose';
export { inSection, type SectionPlan } from './section-plan';
