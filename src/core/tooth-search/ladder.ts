import { gcd, toNumber, type Rational } from '../rational';
import type { Coprime, CountPair } from './stage-fractions';
import { sharing } from './way';
import { itemAt } from '../required';

/** What pairs on one centre distance are looked for among. */
interface OneCentre {
  readonly wheels: readonly number[];
  readonly coprime: Coprime;
  readonly limit: number;
}

/** Positions on one centre distance whose ratios lie between two ends. */
export interface LadderQuestion extends OneCentre {
  readonly from: Rational;
  readonly to: Rational;
  /** At least two. */
  readonly positions: number;
  /** Each step over the next one: 1 for geometric steps, more for progressive ones. */
  readonly factor: number;
}

/** Ranges behind a ladder of so many positions, so far apart that the ladder goes on where the range before ended. */
export interface RangesQuestion extends OneCentre {
  /** Ratio of a position over that of the next. */
  readonly step: number;
  /** Positions of the ladder in front. */
  readonly positions: number;
  readonly ranges: number;
  /** Ratio of the fastest range. */
  readonly first: Rational;
}

export interface Ladder {
  /** Teeth of driver and driven together, the same in every pair. */
  readonly sum: number;
  /** One for each position, from the first ratio to the last. */
  readonly pairs: readonly CountPair[];
  /** Largest |ratio/wanted − 1|. */
  readonly worst: number;
}

export interface LadderAnswer {
  readonly results: readonly Ladder[];
  readonly proven: boolean;
  readonly examined: number;
}

/** The ladder whose worst deviation is smallest. */
export const searchLadders = (question: LadderQuestion): LadderAnswer => onOneCentre(wantedRatios(question), question);

/** The ranges whose worst deviation from first · f^k is smallest, f = step^positions. */
export const searchRanges = (question: RangesQuestion): LadderAnswer => onOneCentre(wantedRanges(question), question);

/** The factor from range to range: so many steps of the ladder. */
export const rangeFactor = ({ step, positions }: Pick<RangesQuestion, 'step' | 'positions'>): number =>
  step ** positions;

/** The ranges' ratios, the slowest first. */
export function wantedRanges(question: RangesQuestion): readonly number[] {
  const [first, factor] = [toNumber(question.first), rangeFactor(question)];
  return Array.from({ length: question.ranges }, (_, k) => first * factor ** (question.ranges - 1 - k));
}

/** |ratio/wanted − 1|; the wanted ratios are powers, which floating point leaves a hair off. */
export function deviation(ratio: number, wanted: number): number {
  const off = Math.abs(ratio / wanted - 1);
  return off < 1e-14 ? 0 : off;
}

/**
 * For every sum of teeth the pairs that leave the smallest worst deviation; the best sums first, fewer teeth first
 * where they tie.
 */
function onOneCentre(wanted: readonly number[], question: OneCentre): LadderAnswer {
  const { wheels, limit } = question;
  const sums = [...new Set(wheels.flatMap((a) => wheels.map((b) => a + b)))].sort((a, b) => a - b);
  const found = sums.flatMap((sum) => ladderOf(sum, wanted, question) ?? []);
  const shared = ({ pairs }: Ladder) => (question.coprime === 'preferred' ? sharing(pairs) : 0);
  return {
    results: found.sort((a, b) => a.worst - b.worst || shared(a) - shared(b) || a.sum - b.sum).slice(0, limit),
    proven: true,
    examined: sums.length,
  };
}

/**
 * The ratios from one end to the other: ln r_k = ln r_0 + Σ of the steps before, where step i is the mean step times
 * f^((N−2)/2 − i): all alike for f = 1, each the next one times f otherwise, taken from the larger ratio down.
 */
export function wantedRatios({ from, to, positions, factor }: LadderQuestion): readonly number[] {
  const [first, last] = [Math.log(toNumber(from)), Math.log(toNumber(to))];
  const falls = last <= first;
  const count = positions - 1;
  const mean = Math.abs(last - first) / count;
  // From the largest ratio down; read backwards where the ladder rises.
  const steps = Array.from({ length: count }, (_, i) => mean + Math.log(factor) * ((count - 1) / 2 - i));
  const top = Math.max(first, last);
  const logs = steps.reduce((all, step) => [...all, itemAt(all, -1) - step], [top]);
  return (falls ? logs : logs.reverse()).map(Math.exp);
}

/**
 * Pairs of one sum for all positions, none twice, with the smallest worst deviation. Straight choices are never worse
 * than crossed ones: of two ratios and two wanted ones in the same order, r/w of both straight matches lies between
 * those of the crossed ones, and |x − 1| is largest at an end. So a choice is a path through both lists by size: for
 * each position and pair the best worst deviation so far (dynamic programming).
 */
function ladderOf(sum: number, wanted: readonly number[], { wheels, coprime }: OneCentre): Ladder | null {
  const all = new Set(wheels);
  const pairs = wheels
    .filter((driver) => all.has(sum - driver) && (coprime !== 'required' || gcd(driver, sum - driver) === 1))
    .map((driver): CountPair => [driver, sum - driver])
    .sort((a, b) => a[1] / a[0] - b[1] / b[0]);
  if (pairs.length < wanted.length) return null;
  const bySize = wanted.map((_, k) => k).sort((a, b) => itemAt(wanted, a) - itemAt(wanted, b));
  const away = (k: number, j: number) => deviation(itemAt(pairs, j)[1] / itemAt(pairs, j)[0], itemAt(wanted, k));
  // before[step][j]: the pair of the step before, on the best path that ends with pair j.
  const before: number[][] = [];
  let worst = pairs.map((_, j) => away(itemAt(bySize, 0), j));
  for (const k of bySize.slice(1)) {
    const came: number[] = [];
    const last = worst;
    let [best, at] = [Infinity, -1];
    worst = pairs.map((_, j) => {
      came.push(at);
      const value = Math.max(best, away(k, j));
      if (itemAt(last, j) < best) [best, at] = [itemAt(last, j), j];
      return value;
    });
    before.push(came);
  }
  let at = worst.reduce((best, value, j) => (value < itemAt(worst, best) ? j : best), 0);
  const least = itemAt(worst, at);
  const path = [at];
  for (const came of before.reverse()) path.unshift((at = itemAt(came, at)));
  const chosen = new Array<CountPair>(wanted.length);
  bySize.forEach((k, step) => (chosen[k] = itemAt(pairs, itemAt(path, step))));
  return { sum, pairs: chosen, worst: least };
}
