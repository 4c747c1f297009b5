import type { AxisWork } from './axis-work';
import { fieldKey, fillings } from './lattice';

/** What every member on an axis fills; a shaft alone goes on beyond its wheels, to where its bearings stand. */
export function filledOn({ train, half, isAlone }: AxisWork): ReadonlyMap<string, ReadonlySet<string>> {
  const filled = fillings(train, half);
  if (!isAlone) return filled;
  const { plane } = half;
  for (const { gear, x, end, from, shape } of plane.bodies) {
    const own = filled.get(gear.member);
    if (!own || from > 1 || shape !== 'bar') continue;
    for (const column of [2 * x - 1, 2 * x - 2, 2 * end + 1, 2 * end + 2])
      if (column >= 0 && column <= 2 * plane.columns - 2) own.add(fieldKey(column, 0));
  }
  return filled;
}
