import type { Gear, Train } from './schema';

/** How a field that is one figure is called, in writing and in sentences, and its unit. */
export interface FigureWords<K> {
  readonly key: K;
  readonly word: string;
  /** In sentences, where it is not the word in writing. */
  readonly says?: string;
  readonly unit?: 'mm' | '°';
}

/** What is said of a gear in one figure, beside its teeth. */
export const GEAR_FIGURES = [
  { key: 'module', word: 'module', unit: 'mm' },
  { key: 'faceWidth', word: 'width', says: 'face width', unit: 'mm' },
  { key: 'station', word: 'station' },
  { key: 'shift', word: 'shift', says: 'profile shift' },
  { key: 'helix', word: 'helix', says: 'helix angle', unit: '°' },
  { key: 'bore', word: 'bore', unit: 'mm' },
  { key: 'square', word: 'square', says: 'square hole', unit: 'mm' },
  { key: 'holes', word: 'holes', says: 'lightening holes' },
  { key: 'rim', word: 'rim', unit: 'mm' },
] as const satisfies readonly FigureWords<keyof Gear>[];

/** What is said of a gear in two sizes, mm. */
export const GEAR_SIZES = [
  { key: 'keyway', first: 'width', second: 'depth' },
  { key: 'hub', first: 'outside', second: 'length' },
] as const;

/** What is said of all gears of a train in one figure. */
export const TRAIN_FIGURES = [
  { key: 'pressureAngle', word: 'pressure angle', unit: '°' },
  { key: 'addendum', word: 'addendum' },
  { key: 'dedendum', word: 'dedendum' },
  { key: 'rootRadius', word: 'root radius' },
  { key: 'backlash', word: 'backlash', unit: 'mm' },
  { key: 'stationLength', word: 'station length', unit: 'mm' },
] as const satisfies readonly FigureWords<keyof Train>[];

export type TrainFigure = (typeof TRAIN_FIGURES)[number]['key'];

/** The two sizes of a gear's keyway or hub, mm; null where it has none. */
export function sizesOf(gear: Gear, key: 'keyway' | 'hub'): readonly [number, number] | null {
  if (key === 'keyway') return gear.keyway ? [gear.keyway.width, gear.keyway.depth] : null;
  return gear.hub ? [gear.hub.outside, gear.hub.length] : null;
}

/** Is everything said of one gear, beside its teeth and member, said of the other too? */
export const isAlike = (a: Gear, b: Gear): boolean =>
  a.type === b.type &&
  a.material === b.material &&
  a.herringbone === b.herringbone &&
  GEAR_FIGURES.every(({ key }) => a[key] === b[key]) &&
  GEAR_SIZES.every(({ key }) => sizesOf(a, key)?.join() === sizesOf(b, key)?.join());
