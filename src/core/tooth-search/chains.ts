import { div, fraction, mul, ONE, toNumber, type Rational } from '../rational';
import { Best, type Found } from './best';
import { fractionOf, pairProducts } from './pair-products';
import { fractionsOfSum, stageFractions, type Coprime, type Pair, type StageFraction } from './stage-fractions';
import { sweep } from './sweep';

/** What a chain of pairs is looked for among. */
export interface ChainQuestion {
  /** Input speed over output speed, above 0. */
  readonly target: Rational;
  /** One to five. */
  readonly stages: number;
  /** Tooth counts that there are. */
  readonly wheels: readonly number[];
  readonly coprime: Coprime;
  /** All stages between the same two shafts: the sum of teeth is the same in each. */
  readonly equalCentres: boolean;
  /** The same pair in every stage. */
  readonly same: boolean;
  readonly maxError: number | null;
  /** So many ratios are wanted. */
  readonly limit: number;
}

/** A chain: its pairs, the largest ratio first. */
export type Chain = readonly Pair[];

export interface ChainAnswer {
  readonly results: readonly Found<Chain>[];
  /** Everything that there is was covered: nothing better exists. */
  readonly proven: boolean;
  /** Chains covered, wheels of one ratio counted once. */
  readonly examined: number;
}

export const MOST_STAGES = 5;

/** Products gone through before a search of five stages ends without having covered everything: some twenty seconds of one core. */
const MOST_STEPS = 5e9;

/** A way to make a ratio: stages, and products of two stages that are taken apart only when they are shown. */
interface Way {
  readonly stages: readonly StageFraction[];
  readonly products: readonly number[];
}

interface Space {
  readonly fractions: readonly StageFraction[];
  readonly values: Float64Array;
  readonly best: Best<Way>;
  readonly target: number;
  readonly stages: number;
  readonly tell: () => void;
}

/**
 * The chains whose ratio comes nearest to the target, exactly the best ones. Two stages are one sweep over all fractions; three a sweep for each first
 * stage; four a sweep over the products of two stages, so that halves meet in the middle; five that for each first stage, the most even first,
 * as far as the steps allow.
 * @param tell is given what is found so far.
 */
export function searchChains(question: ChainQuestion, tell: (so: ChainAnswer) => void = () => undefined): ChainAnswer {
  const { target, stages, limit, maxError } = question;
  const best = new Best<Way>(target, limit, maxError);
  let [examined, proven] = [0, true];
  for (const fractions of spacesOf(question)) {
    if (fractions.length === 0) continue;
    const values = Float64Array.from(fractions, ({ value }) => value);
    const answerSo = () => tell({ results: listed(best, fractions), proven: false, examined });
    const space: Space = { fractions, values, best, target: toNumber(target), stages, tell: answerSo };
    if (!(question.same ? samePairs : SEARCHES[stages]!)(space)) proven = false;
    examined += question.same ? fractions.length : multisets(fractions.length, stages);
  }
  return { results: listed(best, allFractions(question)), proven, examined };
}

/** Fractions among which all stages of a chain are chosen: all there are, or for each sum of teeth its own. */
function* spacesOf(question: ChainQuestion): Generator<readonly StageFraction[]> {
  const { wheels, coprime, equalCentres } = question;
  if (!equalCentres) return yield allFractions(question);
  const sums = new Set(wheels.flatMap((a) => wheels.map((b) => a + b)));
  for (const sum of [...sums].sort((a, b) => a - b)) yield fractionsOfSum(wheels, sum, coprime);
}

const allFractions = ({ wheels, coprime }: ChainQuestion) => stageFractions(wheels, coprime);

/** One search a number of stages. @returns whether everything was covered. */
const SEARCHES: Readonly<Record<number, (space: Space) => boolean>> = {
  1: (space) => {
    for (const one of space.fractions) offer(space, [one]);
    return true;
  },
  2: (space) => {
    twoMore(space, [], space.target);
    return true;
  },
  3: (space) => {
    for (const first of evenFirst(space)) twoMore(space, [first], space.target / first.value);
    return true;
  },
  4: (space) => {
    const { products, whole } = productsOf(space);
    fourMore(space, products, [], space.target);
    return whole;
  },
  5: (space) => {
    const { products, whole } = productsOf(space);
    let steps = 0;
    for (const first of evenFirst(space)) {
      if ((steps += 2 * products.length) > MOST_STEPS) return false;
      fourMore(space, products, [first], space.target / first.value);
      space.tell();
    }
    return whole;
  },
};

function samePairs(space: Space): boolean {
  for (const one of space.fractions) offer(space, new Array<StageFraction>(space.stages).fill(one));
  return true;
}

/** First stages, those nearest to an even share first: they find good answers early. */
function evenFirst({ fractions, target, stages }: Space): readonly StageFraction[] {
  const root = Math.log(target) / stages;
  return [...fractions].sort((a, b) => Math.abs(Math.log(a.value) - root) - Math.abs(Math.log(b.value) - root));
}

function twoMore(space: Space, before: readonly StageFraction[], left: number): void {
  const { fractions, values, best } = space;
  sweep(values, left, best, (i, j) => offer(space, [...before, fractions[i]!, fractions[j]!]));
}

function fourMore(space: Space, products: Float64Array, before: readonly StageFraction[], left: number): void {
  const { best, fractions } = space;
  const most = Math.max(...fractions.map(({ d }) => d)) ** 2;
  const known = ratioOf(before);
  // Ratios of these wheels lie at least so far from a target that they do not meet exactly.
  const gap = 1 / (most ** 2 * Math.max(...fractions.map(({ d }) => d)) ** before.length * best.scale);
  sweep(products, left, best, (i, j) => {
    const halves = [products[i]!, products[j]!];
    const exactly = gap > ROUNDING && Math.abs((halves[0]! * halves[1]!) / left - 1) < ROUNDING;
    // Whole multitudes of chains meet a simple target exactly; a few are enough to choose from.
    if (exactly && best.isFull(best.target)) return;
    const ratio = halves.reduce<Rational>((all, half) => {
      const { n, d } = fractionOf(half, most);
      return mul(all, div(fraction(n), fraction(d)));
    }, known);
    best.offer(ratio, { stages: before, products: halves });
  });
}

/** What the floating-point product of two stages' products can be off by. */
const ROUNDING = 4e-15;

/** Products of two stages that fit into memory, 8 bytes each. */
const MOST_PRODUCTS = 4e7;

/** The products of two stages: of all, or where these are too many of the fractions nearest to an even share of the target. */
function productsOf(space: Space): { readonly products: Float64Array; readonly whole: boolean } {
  const most = Math.floor(Math.sqrt(2 * MOST_PRODUCTS));
  const whole = space.fractions.length <= most;
  return { products: pairProducts(whole ? space.fractions : evenFirst(space).slice(0, most)), whole };
}

function offer({ best }: Space, stages: readonly StageFraction[]): void {
  best.offer(ratioOf(stages), { stages, products: [] });
}

const ratioOf = (stages: readonly StageFraction[]): Rational =>
  stages.reduce<Rational>((product, { n, d }) => mul(product, div(fraction(n), fraction(d))), ONE);

/** Best first; each ratio by the chain with the fewest teeth, then the smallest largest wheel, then the most even stages. */
function listed(best: Best<Way>, fractions: readonly StageFraction[]): readonly Found<Chain>[] {
  const split = splitter(fractions);
  return best.list(
    (ways) => ways.map((way) => pairsOf(way, split)).reduce((a, b) => (orderOfChains(b, a) < 0 ? b : a)),
    orderOfChains,
  );
}

const pairsOf = ({ stages, products }: Way, split: (product: number) => readonly StageFraction[]): Chain =>
  [...stages, ...products.flatMap(split)].sort((a, b) => b.value - a.value).map(({ pair }) => pair);

/** Takes a product of two stages apart: into the two that are as even as they come. */
function splitter(fractions: readonly StageFraction[]): (product: number) => readonly StageFraction[] {
  const most = Math.max(0, ...fractions.map(({ d }) => d));
  const byValue = new Map(fractions.map((one) => [one.value, one]));
  return (product) => {
    const { n, d } = fractionOf(product, most ** 2);
    let best: readonly StageFraction[] | null = null;
    let least = Infinity;
    for (const one of fractions) {
      const other = byValue.get((n * one.d) / (d * one.n));
      const uneven = other && Math.abs(Math.log(one.value / other.value));
      if (other && uneven! < least) [best, least] = [[one, other], uneven!];
    }
    if (!best) throw new RangeError(`${n}/${d} is no product of two stages.`);
    return best;
  };
}

export function orderOfChains(a: Chain, b: Chain): number {
  const [x, y] = [keyOf(a), keyOf(b)];
  const at = x.findIndex((value, i) => value !== y[i]);
  return at < 0 ? 0 : x[at]! - y[at]!;
}

function keyOf(chain: Chain): readonly number[] {
  const wheels = chain.flat();
  const sizes = chain.map(([driver, driven]) => Math.log(driven / driver));
  return [wheels.reduce((sum, count) => sum + count, 0), Math.max(...wheels), Math.max(...sizes) - Math.min(...sizes)];
}

/** Choices of so many with repetition, in any order. */
function multisets(from: number, count: number): number {
  let result = 1;
  for (let i = 0; i < count; i++) result = (result * (from + i)) / (i + 1);
  return Math.round(result);
}
