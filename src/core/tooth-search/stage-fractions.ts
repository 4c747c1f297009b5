import { gcd } from '../rational';
/** Driver and driven teeth of one stage; the driven wheel may have its teeth inside. */
export type CountPair = readonly [driver: number, driven: number, teeth?: 'internal'];

/**
 * A chain: its pairs, the largest ratio first; or, where each stage has limits of its own, in the order of the stages.
 */
export type Chain = readonly CountPair[];

/** A stage's ratio, driven over driver in lowest terms, with the pair of wheels that makes it. */
export interface StageFraction {
  readonly n: number;
  readonly d: number;
  readonly value: number;
  readonly pair: CountPair;
}

/**
 * Whether tooth counts of a pair may share a factor: any, any but rather none, or none (hunting: each tooth meets all
 * of the other). Where any may, the pair with the fewest teeth is taken, which is also the one without a common factor
 * if there is one.
 */
export type Coprime = 'any' | 'preferred' | 'required';

/**
 * An internal wheel has at least so many teeth more than the pinion in it, or their tips foul each other (full-depth
 * teeth at 20°).
 */
export const INTERNAL_MORE = 10;

/** The different ratios that one pair of these wheels, smallest wheel first, makes; smallest first. */
export function stageFractions(wheels: readonly number[], coprime: Coprime): readonly StageFraction[] {
  // Equal ratios are equal values, and the first pair of each has the fewest teeth.
  const seen = new Set<number>();
  const found: StageFraction[] = [];
  for (const driver of wheels)
    for (const driven of wheels) {
      const value = driven / driver;
      if (seen.has(value)) continue;
      seen.add(value);
      found.push(...fractionOfPair([driver, driven], coprime));
    }
  return bySize(found);
}

/**
 * The ratios of pairs that fit between two shafts so far apart, in half modules: teeth together, or for a wheel with
 * its teeth inside the teeth that it has more than its pinion.
 */
export function fractionsAt(
  wheels: readonly number[],
  centre: number,
  coprime: Coprime,
  internal: boolean,
): readonly StageFraction[] {
  const all = new Set(wheels);
  return bySize(
    wheels.flatMap((driver) => [
      ...(all.has(centre - driver) ? fractionOfPair([driver, centre - driver], coprime) : []),
      ...(internal && centre >= INTERNAL_MORE && all.has(driver + centre)
        ? fractionOfPair([driver, driver + centre, 'internal'], coprime)
        : []),
    ]),
  );
}

function fractionOfPair(pair: CountPair, coprime: Coprime): readonly StageFraction[] {
  const [driver, driven] = pair;
  const common = gcd(driver, driven);
  if (coprime === 'required' && common > 1) return [];
  return [{ n: driven / common, d: driver / common, value: driven / driver, pair }];
}

const bySize = (fractions: StageFraction[]): readonly StageFraction[] => fractions.sort((a, b) => a.value - b.value);
