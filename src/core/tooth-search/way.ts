import { gcd } from '../rational';
import { fractionOf } from './pair-products';
import { pairingsOf } from './pairings';
import type { Chain, Coprime, StageFraction } from './stage-fractions';

/** The lists that two stages were chosen from, one each. */
export interface Halves {
  readonly first: readonly StageFraction[];
  readonly second: readonly StageFraction[];
}

/** A way to make a ratio: stages, and products of two stages that are taken apart only when they are shown. */
export interface Way {
  readonly stages: readonly StageFraction[];
  readonly products: readonly { readonly value: number; readonly of: Halves }[];
}

/** What decides between chains that make the same ratio. */
export interface ChoiceOfWays {
  readonly coprime: Coprime;
  /** Stages are as good in any order; they are listed by size then. */
  readonly anyOrder: boolean;
  /** Driven wheels may change places among the stages. */
  readonly anyPairing: boolean;
}

/**
 * The chain with the fewest teeth, then the smallest largest wheel, then the most even stages; with coprime counts
 * preferred, these before all.
 */
export function bestChain(ways: readonly Way[], { coprime, anyOrder, anyPairing }: ChoiceOfWays): Chain {
  const chains = ways.map((way) => {
    const chain = pairsOf(way, coprime);
    return anyOrder ? bySize(chain) : chain;
  });
  if (coprime !== 'preferred') return chains.reduce((a, b) => (orderOfChains(b, a) < 0 ? b : a));
  const all = anyPairing ? chains.flatMap((chain) => pairingsOf(chain)) : chains;
  return all.reduce((a, b) => ((sharing(b) - sharing(a) || orderOfChains(b, a)) < 0 ? b : a));
}

/** Pairs of a chain whose counts have a factor in common. */
export const sharing = (chain: Chain): number => chain.filter(([a, b]) => gcd(a, b) > 1).length;

const pairsOf = ({ stages, products }: Way, coprime: Coprime): Chain =>
  [...stages, ...products.flatMap(({ value, of }) => split(value, of, coprime))].map(({ pair }) => pair);

/** The teeth of a way whose stages are known; of one with products, which are not taken apart yet, none is told. */
export const teethOfWay = ({ stages }: Way): number =>
  stages.reduce((sum, { pair: [driver, driven] }) => sum + driver + driven, 0);

const bySize = (chain: Chain): Chain => [...chain].sort((a, b) => b[1] / b[0] - a[1] / a[0]);

interface Index {
  readonly most: number;
  readonly byValue: ReadonlyMap<number, StageFraction>;
}

const indices = new WeakMap<Halves, Index>();

/**
 * Takes a product of two stages apart: into the two that are best by the order of chains, with coprime counts
 * preferred these before all.
 */
function split(product: number, halves: Halves, coprime: Coprime): readonly StageFraction[] {
  const { most, byValue } = indexOf(halves);
  const { n, d } = fractionOf(product, most);
  let best: readonly StageFraction[] | null = null;
  let chosen: Chain = [];
  let least = Infinity;
  for (const one of halves.first) {
    const other = byValue.get((n * one.d) / (d * one.n));
    if (!other) continue;
    const teeth = one.pair[0] + one.pair[1] + other.pair[0] + other.pair[1];
    // Fewest teeth decide nearly always; what shares factors may win with more of them only where coprime counts are
    // preferred.
    if (coprime !== 'preferred' && teeth > least) continue;
    const chain = [one.pair, other.pair];
    const order = best
      ? (coprime === 'preferred' ? sharing(chain) - sharing(chosen) : 0) || orderOfChains(chain, chosen)
      : -1;
    if (order < 0) [best, chosen, least] = [[one, other], chain, teeth];
  }
  if (!best) throw new RangeError(`${n}/${d} is no product of two stages.`);
  return best;
}

function indexOf(halves: Halves): Index {
  const known = indices.get(halves);
  if (known) return known;
  const index = {
    most: mostOf(halves.first) * mostOf(halves.second),
    byValue: new Map(halves.second.map((one) => [one.value, one])),
  };
  indices.set(halves, index);
  return index;
}

/** Largest denominator. */
export const mostOf = (fractions: readonly StageFraction[]): number =>
  fractions.reduce((most, { d }) => Math.max(most, d), 1);

export function orderOfChains(a: Chain, b: Chain): number {
  const [x, y] = [keyOf(a), keyOf(b)];
  const at = x.findIndex((value, i) => value !== y[i]);
  return at < 0 ? 0 : x[at]! - y[at]!;
}

function keyOf(chain: Chain): readonly number[] {
  const wheels = chain.flatMap(([driver, driven]) => [driver, driven]);
  return [wheels.reduce((sum, count) => sum + count, 0), Math.max(...wheels), unevenness(chain)];
}

/** How far the largest stage is from the smallest, as a logarithm. */
export function unevenness(chain: Chain): number {
  const sizes = chain.map(([driver, driven]) => Math.log(driven / driver));
  return Math.max(...sizes) - Math.min(...sizes);
}
