import { isRanged, type AskedSet } from './question';
import { signOf, standingRatio } from './standing-ratio';

/** Bases of the Halton sequence, one a set. */
const BASES = [2, 3, 5, 7];

/**
 * Standing ratios of all sets, without end: those that are free anywhere in their range, evenly by the logarithm, each
 * as far from those before as a Halton sequence goes.
 */
export function* placesBetween(sets: readonly AskedSet[]): Generator<readonly number[]> {
  for (let n = 1; ; n++)
    yield sets.map((set, i) => {
      if (!isRanged(set)) return standingRatio(set);
      const [least, most] = set.ratio;
      return signOf(set.kind) * least * (most / least) ** mirrored(n, BASES[i] ?? 2);
    });
}

/** The digits of a number in this base, written behind the point in the other order. */
function mirrored(n: number, base: number): number {
  let [value, place] = [0, 1 / base];
  for (let left = n; left > 0; left = Math.floor(left / base), place /= base) value += (left % base) * place;
  return value;
}
