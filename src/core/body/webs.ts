import type { GearBody, Layout } from '../drawing';
import { partsById, type Train } from '../train';
import { fieldKey, fillings } from './lattice';

export type Side = 'left' | 'right';

/** By ring between parallel axes: from which side the disc comes that carries it. */
export type Webs = ReadonlyMap<string, Side>;

/**
 * The disc of a ring stands where the shafts of what runs in it do not come from; where there is a choice, where its
 * own shaft comes from.
 */
export function webSides(train: Train, halfPlanes: Layout['halfPlanes']): Webs {
  const parts = partsById(train);
  const bars = halfPlanes.flatMap((half) => {
    const filled = fillings(train, half);
    return half.plane.bodies
      .filter(({ shape }) => shape === 'bar')
      .map((body) => ({ body, sides: sidesOf(body, filled.get(body.gear.member) ?? new Set()) }));
  });
  const sidesAt = new Map(bars.map(({ body, sides }) => [body.gear.id as string, sides]));
  return new Map(
    bars.flatMap(({ body: { gear }, sides }) => {
      if (gear.type !== 'internal') return [];
      const mates = train.meshes
        .filter(({ gears }) => gears.includes(gear.id))
        .flatMap((mesh) => sidesAt.get(parts.mate(mesh, gear.id).id) ?? []);
      const cost = (side: Side) => (mates.some((one) => one[side]) ? 2 : 0) + (sides[side] ? 0 : 1);
      return [[gear.id as string, cost('left') < cost('right') ? 'left' : 'right'] as const];
    }),
  );
}

/** On which sides of a wheel its shaft goes on. */
export const sidesOf = ({ x, end, from }: GearBody, own: ReadonlySet<string>): Readonly<Record<Side, boolean>> => ({
  left: own.has(fieldKey(2 * x - 1, 2 * (from - 1))),
  right: own.has(fieldKey(2 * end + 1, 2 * (from - 1))),
});
