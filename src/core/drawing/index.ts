export { drawSideView, type Bearing, type Drawn, type GearBar, type Label, type Port, type Shaft, type SideView } from './side-view';
