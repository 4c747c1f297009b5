export { Drafts, type DraftsData } from './drafts';
export { linesOf, TEXT_HEIGHT } from './geometry';
export { markPlaces } from './mark-places';
export { AT_ONCE, FIRST_SIGHT, QUICK, THOROUGH } from './effort';
export { SPACES, type DrawingSpace } from './spaces';
export { drawSideView, type DrawnTrain } from './side-view';
export { layOut, type DrawingOptions, type Layout } from './lay-out';
export type { GearBody, HalfPlane, PlaneCell } from './half-plane';
export type { Routed } from './routing/routed';
export { powerLines, type PowerAt, type PowerLine } from './power-lines';
export type {
  Attachment,
  Box,
  CouplerShape,
  Crossing,
  GearShape,
  Label,
  MemberLines,
  MeshTie,
  PinShape,
  Point,
  Port,
  Segment,
  SideView,
} from './geometry';
