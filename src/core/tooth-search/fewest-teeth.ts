import { equals, fraction, mul, ONE, type Rational } from '../rational';
import type { StageFraction } from './stage-fractions';

/**
 * Two lists that two stages are chosen from, and the products of both as floating-point values, smallest first, each
 * once.
 */
export interface HalfSpace {
  readonly first: readonly StageFraction[];
  readonly second: readonly StageFraction[];
  readonly products: Float64Array;
}

/**
 * Of each exact ratio the four stages that have the fewest teeth, where a ratio is made in so many ways that not all
 * were kept. Numerators and denominators stay
 * below 2^53, so equal products are equal values: one sweep a ratio finds the products of both halves that meet, one
 * walk over all pairs of stages
 * the fewest teeth for each of those, and the least sum wins. Null for a ratio that no four stages make.
 */
export function fewestTeeth(
  ratios: readonly Rational[],
  left: HalfSpace,
  right: HalfSpace,
): readonly (readonly StageFraction[] | null)[] {
  const meetings = ratios.map((ratio) =>
    meetingProducts(Number(ratio.n) / Number(ratio.d), left.products, right.products),
  );
  const all = meetings.flat();
  const same = left === right;
  const leftBest = cheapestPairs(left, same ? all.flat() : all.map(([a]) => a));
  const rightBest = same
    ? leftBest
    : cheapestPairs(
        right,
        all.map(([, b]) => b),
      );
  return ratios.map((ratio, i) => {
    let best: readonly StageFraction[] | null = null;
    let least = Infinity;
    for (const [a, b] of meetings[i] ?? []) {
      const [one, other] = [leftBest.get(a), rightBest.get(b)];
      if (!one || !other || one.teeth + other.teeth >= least) continue;
      const stages = [...one.stages, ...other.stages];
      if (!equals(productOf(stages), ratio)) continue;
      [best, least] = [stages, one.teeth + other.teeth];
    }
    return best;
  });
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
function cheapestPairs({ first, second }: HalfSpace, products: readonly number[]): ReadonlyMap<number, Cheapest> {
  const found = new Map<number, Cheapest | null>(products.map((product) => [product, null]));
  const mayBe = new Uint8Array(BUCKETS);
  for (const product of products) mayBe[bucketOf(product)] = 1;
  first.forEach((one, i) => {
    for (let k = first === second ? i : 0; k < second.length; k++) {
      const other = second[k];
      if (!other) continue;
      const product = (one.n * other.n) / (one.d * other.d);
      if (mayBe[bucketOf(product)] === 0) continue;
      const known = found.get(product);
      if (known === undefined) continue;
      const teeth = teethOf(one) + teethOf(other);
      if (known === null || teeth < known.teeth) found.set(product, { teeth, stages: [one, other] });
    }
  });
  return new Map([...found].flatMap(([product, cheapest]) => (cheapest ? [[product, cheapest]] : [])));
}

/** Most products are none of those that are looked for: a look into a small table tells, without a search. */
const BUCKETS = 2 ** 22;
const bucketOf = (value: number): number => Math.floor((value - Math.floor(value)) * BUCKETS);
