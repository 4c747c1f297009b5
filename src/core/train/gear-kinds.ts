import type { GearType } from './schema';

interface OfType {
  readonly type: GearType;
}

/** Whether a wheel is joined to its mate by a chain or a belt: the two stand apart and turn the same way. */
export const isChained = ({ type }: OfType): boolean => type === 'sprocket' || type === 'pulley';

/** Whether a wheel has straight or helical teeth on a cylinder, outside or inside: what a rack can be rolled on. */
export const isCylindrical = ({ type }: OfType): boolean => type === 'external' || type === 'internal';
