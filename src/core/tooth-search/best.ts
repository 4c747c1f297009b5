import { compare, div, isZero, ONE, sub, toFraction, toNumber, type Rational } from '../rational';

/** A ratio that was found, with how it can be made. */
export interface FoundSoFar<T> {
  readonly ratio: Rational;
  readonly made: T;
}

interface Kept<T> {
  readonly ratio: Rational;
  /** |ln(ratio/target)|. */
  readonly away: number;
  readonly ways: T[];
}

/**
 * Ways to make one ratio that are remembered: the cheapest where costs are known, else the first ones that a search
 * comes by. A search whose results are the ways themselves remembers as many as are asked for.
 */
export const MOST_WAYS = 64;

/**
 * The best so many ratios, each once, nearest to the target first by |ln(ratio/target)|, compared exactly where
 * floating point cannot tell.
 */
export class Best<T> {
  private readonly kept = new Map<string, Kept<T>>();
  private reach: number;

  /** @param maxError largest |ratio/target − 1|; null for none. */
  constructor(
    readonly target: Rational,
    private readonly most: number,
    private readonly maxError: number | null = null,
    /** What decides which ways are remembered where there are more: fewer is better. */
    private readonly costOf: ((way: T) => number) | null = null,
    private readonly mostWays = MOST_WAYS,
  ) {
    this.reach = maxError === null ? Infinity : maxError < 1 ? -Math.log1p(-maxError) : Infinity;
  }

  /** Ratio over target between which something can still be among the best. */
  get from(): number {
    return Math.exp(-this.reach) * (1 - 1e-12);
  }
  get to(): number {
    return Math.exp(this.reach) * (1 + 1e-12);
  }

  /** Numerator times denominator of the target, as far as floating point reaches. */
  get scale(): number {
    return Math.abs(Number(this.target.n)) * Number(this.target.d);
  }

  /** Are there as many ways to this ratio as are remembered? */
  isFull(ratio: Rational): boolean {
    return (this.kept.get(toFraction(ratio))?.ways.length ?? 0) >= this.mostWays;
  }

  offer(ratio: Rational, way: T): void {
    const away = awayFrom(ratio, this.target);
    if (away > this.reach * (1 + 1e-9) + 1e-15) return;
    if (this.maxError !== null && errorOf(ratio, this.target) > this.maxError) return;
    const key = toFraction(ratio);
    const known = this.kept.get(key);
    if (known) return this.remember(known.ways, way);
    this.kept.set(key, { ratio, away, ways: [way] });
    // Dropped by the handful: sorting at every offer would cost more than the search.
    if (this.kept.size >= 2 * this.most + 16) this.trim();
  }

  /** Ratios that have as many ways as are remembered: there may be more. */
  get full(): readonly Rational[] {
    this.trim();
    return [...this.kept.values()].filter(({ ways }) => ways.length >= this.mostWays).map(({ ratio }) => ratio);
  }

  /** Adds a way to a ratio that is among the best, however many it has. */
  add(ratio: Rational, way: T): void {
    this.kept.get(toFraction(ratio))?.ways.push(way);
  }

  private remember(ways: T[], way: T): void {
    if (ways.length < this.mostWays) return void ways.push(way);
    if (!this.costOf) return;
    const costs = ways.map(this.costOf);
    const dearest = costs.indexOf(Math.max(...costs));
    if (this.costOf(way) < (costs[dearest] ?? 0)) ways[dearest] = way;
  }

  /** Best first. @param choose makes the best of the ways, and says how ways to ratios equally far away are ordered. */
  list<M>(choose: (ways: readonly T[]) => M, order: (a: M, b: M) => number): readonly FoundSoFar<M>[] {
    this.trim();
    const sized = [...this.kept.values()].map(({ ratio, away, ways }) => ({ ratio, away, made: choose(ways) }));
    return sized
      .sort((a, b) => this.compare(a, b) || order(a.made, b.made))
      .map(({ ratio, made }) => ({ ratio, made }));
  }

  /** Drops what is not among the best; what is exactly as far away as the last of them stays. */
  private trim(): void {
    const sorted = [...this.kept].sort(([, a], [, b]) => this.compare(a, b));
    const last = sorted[this.most - 1];
    if (!last) return;
    for (const [key, one] of sorted.slice(this.most)) if (this.compare(one, last[1]) > 0) this.kept.delete(key);
    this.reach = last[1].away;
  }

  private compare(a: Omit<Kept<T>, 'ways'>, b: Omit<Kept<T>, 'ways'>): number {
    return Math.abs(a.away - b.away) > 1e-12 * (a.away + b.away) + 1e-15
      ? a.away - b.away
      : compare(ratioError(a.ratio, this.target), ratioError(b.ratio, this.target));
  }
}

/** The larger of ratio/target and target/ratio: orders as |ln(ratio/target)| does, and is exact. */
export const ratioError = (ratio: Rational, target: Rational): Rational =>
  compare(ratio, target) >= 0 ? div(ratio, target) : div(target, ratio);

const awayFrom = (ratio: Rational, target: Rational): number => {
  const more = sub(ratioError(ratio, target), ONE);
  return isZero(more) ? 0 : Math.log1p(toNumber(more));
};

/** |ratio/target − 1|, to the last digit also where the two are nearly equal. */
export const errorOf = (ratio: Rational, target: Rational): number =>
  Math.abs(toNumber(div(sub(ratio, target), target)));
