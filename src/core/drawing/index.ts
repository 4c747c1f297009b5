export { Drafts, type DraftsData } from './drafts';
export { AT_ONCE, FIRST_SIGHT, QUICK, THOROUGH } from './effort';
export { SPACES, type Space } from './spaces';
export { drawSideView, type Drawing, type Drawn } from './side-view';
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
