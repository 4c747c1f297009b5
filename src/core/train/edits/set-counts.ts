import type { Train } from '../schema';
import { countsFit, simpleSetsWith } from '../planetary-sets';
import { setTeeth } from './change';
import { checked, refused, type Edit } from './edit';

/** Gives a gear another tooth count: alone, or with `keepSets` so that its sets go on to fit. */
export const typeTeeth = (train: Train, gear: string, teeth: number, keepSets: boolean): Edit =>
  keepSets ? setTeethInSet(train, gear, teeth) : setTeeth(train, gear, teeth);

/**
 * Gives a gear another tooth count and lets the sets that fitted before fit again: the ring follows its sun and its
 * planet, the planet follows the ring.
 */
export function setTeethInSet(train: Train, gearId: string, teeth: number): Edit {
  const counts = new Map([[gearId, teeth]]);
  for (const { sun, planet, ring } of simpleSetsWith(train, gearId).filter(countsFit)) {
    if (ring.id !== gearId) {
      counts.set(ring.id, (counts.get(sun.id) ?? sun.teeth) + 2 * (counts.get(planet.id) ?? planet.teeth));
      continue;
    }
    const twice = teeth - sun.teeth;
    if (twice < 2 || twice % 2 !== 0)
      return refused(
        `With a sun of ${sun.teeth} the ring's count is ${sun.teeth} plus an even number, ` +
          `at least ${sun.teeth + 2}.`,
      );
    counts.set(planet.id, twice / 2);
  }
  if (counts.size === 1) return setTeeth(train, gearId, teeth);
  return checked({
    ...train,
    gears: train.gears.map((gear) => {
      const count = counts.get(gear.id);
      return count === undefined || count === gear.teeth ? gear : { ...gear, teeth: count };
    }),
  });
}
