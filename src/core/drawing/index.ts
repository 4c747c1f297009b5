export { drawSideView, type Drawn } from './side-view';
export type { Box, CouplerShape, GearShape, Label, MemberLines, PinShape, Point, Port, Segment, SideView } from './geometry';
