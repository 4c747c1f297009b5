import type { Layout } from '../drawing';
import type { Train } from '../train';
import type { StandingWheel } from './arrangement';
import type { Borders, Walls } from './columns';
import type { Detail } from './detail';
import type { PinPlace, Radii } from './radii';
import type { Webs } from './webs';
import type { WheelSizes } from './wheel-sizes';

/** One axis of a train, to be made a body of. */
export interface AxisWork {
  readonly train: Train;
  readonly axis: number;
  readonly half: Layout['halfPlanes'][number];
  readonly columns: Borders;
  readonly sizes: WheelSizes;
  readonly walls: Walls;
  readonly detail: Detail;
  readonly pinOf: PinPlace;
  readonly radii: Radii;
  readonly wheels: readonly StandingWheel[];
  readonly webs: Webs;
  /** One shaft alone, which runs in bearings at both its ends. */
  readonly isAlone: boolean;
}

/** Gears whose teeth are in a gear's. */
export const matesOf = (train: Train, gear: string): ReadonlySet<string> =>
  new Set(train.meshes.flatMap(({ gears: [a, b] }): string[] => (a === gear ? [b] : b === gear ? [a] : [])));

export const NONE: ReadonlySet<string> = new Set();
