import { equals, fraction, mul, ONE, type Rational } from '../rational';
import type { StageFraction } from './stage-fractions';

/** Two lists that two stages are chosen from, and the products of both as floating-point values, smallest first, each once. */
export interface HalfSpace {
  readonly first: readonly StageFraction[];
  readonly second: readonly StageFraction[];
  readonly products: Float64Array;
}

/**
 * The four stages of an exact ratio that have the fewest teeth, where a ratio is made in so many ways that not all were kept. Numerators and denominators stay
 * below 2^53, so equal products are equal values: one sweep finds the products of both halves that meet, one walk over the pairs of stages
 * the fewest teeth for each of those, and the least sum wins. Null where no four stages make it.
 */
export function fewestTeeth(ratio: Rational, left: HalfSpace, right: HalfSpace): readonly StageFraction[] | null {
  const meeting = meetingProducts(Number(ratio.n) / Number(ratio.d), left.products, right.products);
  if (meeting.length === 0) return null;
  const same = left === right;
  const leftBest = cheapestPairs(left, new Set(same ? meeting.flat() : meeting.map(([a]) => a)));
  const rightBest = same ? leftBest : cheapestPairs(right, new Set(meeting.map(([, b]) => b)));
  let best: readonly StageFraction[] | null = null;
  let least = Infinity;
  for (const [a, b] of meeting) {
    const [one, other] = [leftBest.get(a), rightBest.get(b)];
    if (!one || !other || one.teeth + other.teeth >= least) continue;
    const stages = [...one.stages, ...other.stages];
    if (!equals(productOf(stages), ratio)) continue;
    [best, least] = [stages, one.teeth + other.teeth];
  }
  return best;
}

const productOf = (stages: readonly StageFraction[]): Rational =>
  stages.reduce<Rational>((product, { n, d }) => mul(product, fraction(n, d)), ONE);

/** So near, two products of the same ratio are one: the fractions themselves are further apart. */
const ROUNDING = 4e-16;

/** Pairs of values, one of each list, whose product is the ratio: as one rises the other falls. */
function meetingProducts(ratio: number, first: Float64Array, second: Float64Array): (readonly [number, number])[] {
  const found: (readonly [number, number])[] = [];
  let j = second.length - 1;
  for (const a of first) {
    const wanted = ratio / a;
    while (j >= 0 && (second[j] ?? 0) > wanted * (1 + ROUNDING)) j--;
    const b = second[j];
    if (b !== undefined && b >= wanted * (1 - ROUNDING)) found.push([a, b]);
  }
  return found;
}

interface Cheapest {
  readonly teeth: number;
  readonly stages: readonly [StageFraction, StageFraction];
}

const teethOf = ({ pair: [driver, driven] }: StageFraction): number => driver + driven;

/** For each of these products the two stages that make it with the fewest teeth. */
function cheapestPairs({ first, second }: HalfSpace, products: ReadonlySet<number>): ReadonlyMap<number, Cheapest> {
  const found = new Map<number, Cheapest>();
  first.forEach((one, i) => {
    for (let k = first === second ? i : 0; k < second.length; k++) {
      const other = second[k];
      if (!other) continue;
      const product = (one.n * other.n) / (one.d * other.d);
      if (!products.has(product)) continue;
      const teeth = teethOf(one) + teethOf(other);
      const known = found.get(product);
      if (!known || teeth < known.teeth) found.set(product, { teeth, stages: [one, other] });
    }
  });
  return found;
}
