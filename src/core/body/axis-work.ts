import type { Layout } from '../drawing';
import { partsById, type Train } from '../train';
import type { StandingWheel } from './arrangement';
import type { Borders, Walls } from './columns';
import type { Detail } from './detail';
import type { PinPlace, Radii } from './radii';
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
  /** One shaft alone, which runs in bearings at both its ends. */
  readonly isAlone: boolean;
}

/** Members whose teeth are in a gear's. */
export const matesOf = (train: Train, gear: string): ReadonlySet<string> =>
  new Set(
    train.meshes.flatMap(({ gears }) =>
      (gears as readonly string[]).includes(gear) ? gears.map((id) => partsById(train).gear(id).member as string) : [],
    ),
  );
