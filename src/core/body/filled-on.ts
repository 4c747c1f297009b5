import type { GearBody } from '../drawing';
import type { AxisWork } from './axis-work';
import { fieldKey, fillings } from './lattice';
import { sidesOf, type Side } from './webs';

/**
 * What every member on an axis fills. A shaft alone goes on beyond its wheels, to where its bearings stand, but not
 * through the disc of a ring that one of them runs in; of a ring's own shaft nothing is in the ring, where its mate is.
 */
export function filledOn(work: AxisWork): ReadonlyMap<string, ReadonlySet<string>> {
  const { train, half, isAlone } = work;
  const filled = fillings(train, half);
  const { plane } = half;
  for (const body of plane.bodies) {
    const { gear, x, end, from, shape } = body;
    const own = filled.get(gear.member);
    if (!own || shape !== 'bar') continue;
    const web = work.webs.get(gear.id);
    if (web && !sidesOf(body, own)[opposite(web)])
      for (let column = 2 * x; column <= 2 * end; column++) own.delete(fieldKey(column, 2 * (from - 1)));
    if (!isAlone || from > 1) continue;
    for (const column of beyond(work, body))
      if (column >= 0 && column <= 2 * plane.columns - 2) own.add(fieldKey(column, 0));
  }
  return filled;
}

/** The columns beside a wheel into which a shaft that is alone may go on. */
function beyond({ train, webs }: AxisWork, { gear, x, end }: GearBody): readonly number[] {
  const columns = { left: [2 * x - 1, 2 * x - 2], right: [2 * end + 1, 2 * end + 2] };
  const web = webs.get(gear.id);
  if (web) return columns[web];
  const closed = new Set(
    train.meshes
      .filter(({ gears }) => gears.includes(gear.id))
      .flatMap(({ gears }) => gears.flatMap((id) => webs.get(id) ?? [])),
  );
  return (['left', 'right'] as const).flatMap((side) => (closed.has(side) ? [] : columns[side]));
}

const opposite = (side: Side): Side => (side === 'left' ? 'right' : 'left');
