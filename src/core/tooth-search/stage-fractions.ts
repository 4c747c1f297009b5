import { gcd } from '../rational';
/** Driver and driven teeth of one stage. */
export type Pair = readonly [driver: number, driven: number];

/** A stage's ratio, driven over driver in lowest terms, with the pair of wheels that makes it. */
export interface StageFraction {
  readonly n: number;
  readonly d: number;
  readonly value: number;
  readonly pair: Pair;
}

/**
 * Whether tooth counts of a pair may share a factor: any, or none (hunting: each tooth meets all of the other). Where any may, the pair with the
 * fewest teeth is taken, which is also the one without a common factor if there is one.
 */
export type Coprime = 'any' | 'required';

/** The different ratios that one pair of these wheels makes, smallest first. */
export function stageFractions(wheels: readonly number[], coprime: Coprime): readonly StageFraction[] {
  const found = new Map<number, StageFraction>();
  const most = Math.max(0, ...wheels) + 1;
  for (const driver of wheels)
    for (const driven of wheels) {
      const one = fractionOfPair([driver, driven], coprime);
      if (!one) continue;
      const key = one.n * most + one.d;
      const known = found.get(key);
      if (!known || driver < known.pair[0]) found.set(key, one);
    }
  return bySize(found.values());
}

/** The ratios of pairs whose teeth come to this sum: stages that fit between the same two shafts. */
export function fractionsOfSum(wheels: readonly number[], sum: number, coprime: Coprime): readonly StageFraction[] {
  const all = new Set(wheels);
  const drivers = wheels.filter((driver) => all.has(sum - driver));
  return bySize(drivers.flatMap((driver) => fractionOfPair([driver, sum - driver], coprime) ?? []));
}

function fractionOfPair(pair: Pair, coprime: Coprime): StageFraction | null {
  const [driver, driven] = pair;
  const common = gcd(driver, driven);
  if (coprime === 'required' && common > 1) return null;
  return { n: driven / common, d: driver / common, value: driven / driver, pair };
}

const bySize = (fractions: Iterable<StageFraction>): readonly StageFraction[] =>
  [...fractions].sort((a, b) => a.value - b.value);
