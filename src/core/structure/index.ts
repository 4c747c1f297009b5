export { figureGroups, movedPlaces, type FigureGroup } from './places';
export { gearsOf, structureOf, type Figure, type SetPlane, type Structure } from './structure';
