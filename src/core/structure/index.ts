export { structureOf, type Figure, type SetPlane, type Structure } from './structure';
