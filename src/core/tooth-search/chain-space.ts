import { div, fraction, mul, ONE, type Rational } from '../rational';
import type { Best } from './best';
import { fewestTeeth } from './fewest-teeth';
import { crossProducts, fractionOf, pairProducts } from './pair-products';
import type { StageFraction } from './stage-fractions';
import { sweep, sweepTwo } from './sweep';
import type { SearchWatch } from './watch';
import { mostOf, type Halves, type Way } from './way';

/** Chains among which the best are looked for: one list of fractions a stage, smallest first. */
export interface ChainSpace {
  readonly lists: readonly (readonly StageFraction[])[];
  /** All stages have the same list, so that their order does not matter. */
  readonly alike: boolean;
  /** The same pair in every stage. */
  readonly same: boolean;
  readonly best: Best<Way>;
  readonly target: number;
  readonly watch: SearchWatch;
}

/** How much of a space was covered, from 0 to 1; less than 1 where it was cut short. */
export type Covered = number;

/**
 * Products gone through before a search of five stages ends without having covered everything: some twenty seconds of
 * one core.
 */
const MOST_STEPS = 5e9;

/** Products of two stages that fit into memory, 8 bytes each. */
const MOST_PRODUCTS = 4e7;

/** What the floating-point product of two stages' products can be off by. */
const ROUNDING = 4e-15;

/** Offers everything in the space that may be among the best. @returns how much was covered. */
export function searchSpace(space: ChainSpace, tell: (part: number) => void): Covered {
  return (space.same ? samePairs : SEARCHES[space.lists.length]!)(space, tell);
}

/** One search a number of stages. */
const SEARCHES: Readonly<Record<number, (space: ChainSpace, tell: (part: number) => void) => Covered>> = {
  1: (space) => {
    for (const one of space.lists[0]!) offer(space, [one]);
    return 1;
  },
  2: (space) => {
    return twoMore(space, [], space.target) ? 1 : 0;
  },
  3: (space, tell) => {
    const firsts = evenFirst(space, space.lists[0]!);
    for (const [i, first] of firsts.entries()) {
      if (space.watch.over()) return i / firsts.length;
      twoMore(space, [first], space.target / first.value);
      if (space.watch.due()) tell(i / firsts.length);
    }
    return 1;
  },
  4: (space, tell) => {
    const halves = halvesOf(space);
    if (space.watch.over()) return 0;
    if (space.watch.due()) tell(0.5);
    return fourMore(space, halves, [], space.target) ? halves.covered : 0;
  },
  5: (space, tell) => {
    const halves = halvesOf(space);
    const firsts = evenFirst(space, space.lists[0]!);
    const each = halves.first.length + halves.second.length;
    for (const [i, first] of firsts.entries()) {
      if ((i + 1) * each > MOST_STEPS || space.watch.over()) return (halves.covered * i) / firsts.length;
      if (!fourMore(space, halves, [first], space.target / first.value)) return (halves.covered * i) / firsts.length;
      if (space.watch.due()) tell(i / Math.min(firsts.length, MOST_STEPS / each));
    }
    return halves.covered;
  },
};

function samePairs(space: ChainSpace): Covered {
  for (const one of space.lists[0]!) offer(space, new Array<StageFraction>(space.lists.length).fill(one));
  return 1;
}

/** First stages, those nearest to an even share first: they find good answers early. */
function evenFirst({ target, lists }: ChainSpace, fractions: readonly StageFraction[]): readonly StageFraction[] {
  const root = Math.log(target) / lists.length;
  return [...fractions].sort((a, b) => Math.abs(Math.log(a.value) - root) - Math.abs(Math.log(b.value) - root));
}

/** The last two stages. */
function twoMore(space: ChainSpace, before: readonly StageFraction[], left: number): boolean {
  const { lists, alike, best, watch } = space;
  const [a, b] = [lists.at(-2)!, lists.at(-1)!];
  const take = (i: number, j: number) => offer(space, [...before, a[i]!, b[j]!]);
  return alike
    ? sweep(valuesOf(a), left, best, take, watch)
    : sweepTwo(valuesOf(a), valuesOf(b), left, best, take, watch);
}

const values = new WeakMap<readonly StageFraction[], Float64Array>();

function valuesOf(fractions: readonly StageFraction[]): Float64Array {
  const known = values.get(fractions) ?? Float64Array.from(fractions, ({ value }) => value);
  values.set(fractions, known);
  return known;
}

/** The products of two stages that the last four stages are made of. */
interface Products {
  readonly first: Float64Array;
  readonly second: Float64Array;
  readonly of: readonly [Halves, Halves];
  /** The part of all chains that these products can make; less than 1 where some were left out for want of memory. */
  readonly covered: Covered;
}

const products = new WeakMap<readonly StageFraction[], Products>();

function halvesOf(space: ChainSpace): Products {
  const four = space.lists.slice(-4);
  if (space.alike) {
    const known = products.get(four[0]!);
    if (known) return known;
    const few = asManyAsFit(space, four[0]!, Math.floor(Math.sqrt(2 * MOST_PRODUCTS)));
    const [pairs, halves] = [pairProducts(few), { first: few, second: few }];
    const made: Products = {
      first: pairs,
      second: pairs,
      of: [halves, halves],
      covered: (few.length / four[0]!.length) ** 4,
    };
    products.set(four[0]!, made);
    return made;
  }
  const most = Math.floor(Math.sqrt(MOST_PRODUCTS / 2));
  const cut = four.map((list) => asManyAsFit(space, list, most));
  const halves = [0, 2].map((i): Halves => ({ first: cut[i]!, second: cut[i + 1]! })) as [Halves, Halves];
  const [first, second] = halves.map((half) => crossProducts(half.first, half.second)) as [Float64Array, Float64Array];
  const covered = cut.reduce((part, few, i) => (part * few.length) / four[i]!.length, 1);
  return { first, second, of: halves, covered };
}

/** All fractions, or where there are too many those nearest to an even share of the target. */
function asManyAsFit(space: ChainSpace, fractions: readonly StageFraction[], most: number): readonly StageFraction[] {
  return fractions.length <= most ? fractions : evenFirst(space, fractions).slice(0, most);
}

function fourMore(
  { best, alike, watch }: ChainSpace,
  { first, second, of }: Products,
  before: readonly StageFraction[],
  left: number,
): boolean {
  const [mostFirst, mostSecond] = of.map((half) => mostOf(half.first) * mostOf(half.second)) as [number, number];
  const known = ratioOf(before);
  // Ratios of these wheels lie at least so far from a target that they do not meet exactly.
  const gap = 1 / (mostFirst * mostSecond * before.reduce((product, { d }) => product * d, 1) * best.scale);
  const take = (i: number, j: number) => {
    const [a, b] = [first[i]!, second[j]!];
    // Whole multitudes of chains meet a simple target exactly; a few are enough to choose from.
    if (gap > ROUNDING && Math.abs((a * b) / left - 1) < ROUNDING && best.isFull(best.target)) return;
    const ratio = mul(known, mul(asFraction(a, mostFirst), asFraction(b, mostSecond)));
    best.offer(ratio, {
      stages: before,
      products: [
        { value: a, of: of[0] },
        { value: b, of: of[1] },
      ],
    });
  };
  return alike ? sweep(first, left, best, take, watch) : sweepTwo(first, second, left, best, take, watch);
}

/** For each ratio the four stages with the fewest teeth that make it exactly; null where none do. */
export function fewestFor(
  space: ChainSpace,
  ratios: readonly Rational[],
): readonly (readonly StageFraction[] | null)[] {
  const { first, second, of } = halvesOf(space);
  const left = { ...of[0], products: first };
  return fewestTeeth(ratios, left, space.alike ? left : { ...of[1], products: second });
}

function asFraction(value: number, most: number): Rational {
  const { n, d } = fractionOf(value, most);
  return div(fraction(n), fraction(d));
}

function offer({ best }: ChainSpace, stages: readonly StageFraction[]): void {
  best.offer(ratioOf(stages), { stages, products: [] });
}

const ratioOf = (stages: readonly StageFraction[]): Rational =>
  stages.reduce<Rational>((product, { n, d }) => mul(product, div(fraction(n), fraction(d))), ONE);
