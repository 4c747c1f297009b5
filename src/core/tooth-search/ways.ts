import { gcd, type Rational } from '../rational';
import { itemAt } from '../required';
import type { ChainQuestion } from './chains';
import { fractionsAt, type Chain, type CountPair } from './stage-fractions';
import { leastWithoutUndercut } from './wheel-limits';
import { pairingsOf } from './pairings';
import { orderOfChains, sharing } from './way';

/** Every way to make one ratio of these wheels. */
export interface WaysToRatio {
  /** Those with the fewest teeth, at most MOST_LISTED. */
  readonly ways: readonly Chain[];
  /** How many there are. */
  readonly count: number;
  /** There may be more than were looked through. */
  readonly cut: boolean;
}

/** More stages have more ways than anyone looks through. */
const MOST_STAGES = 3;
const MOST_LISTED = 300;
/** Ways that are looked through. */
const MOST_WAYS = 200_000;

/** The pairs of wheels that make one fraction in lowest terms. */
interface Alike {
  readonly n: number;
  readonly d: number;
  readonly pairs: readonly CountPair[];
}

/**
 * All chains of so many stages whose ratio is exactly this one, within what is asked of them; each once, in whatever
 * order its stages stand. Pairs are gathered by the fraction that they make: all stages but the last are gone through,
 * the last one is looked up by the fraction that is left.
 */
export function waysTo(ratio: Rational, stages: number, question: Omit<ChainQuestion, 'stages'>): WaysToRatio {
  const [n, d] = [Number(ratio.n), Number(ratio.d)];
  const found: Chain[] = [];
  let count = 0;
  for (const lists of listsOf(question, stages)) {
    const inAnyOrder = question.perStage === undefined;
    for (const fractions of factorings(n, d, lists, inAnyOrder)) {
      for (const chain of chainsOf(fractions, inAnyOrder)) {
        if (question.same && new Set(chain.map(keyOf)).size > 1) continue;
        count++;
        found.push(inAnyOrder ? [...chain].sort((a, b) => b[1] / b[0] - a[1] / a[0]) : chain);
        if (count >= MOST_WAYS) return { ways: few(found), count, cut: true };
      }
    }
  }
  return { ways: few(found), count, cut: false };
}

/** All ways to make a chain's ratio; of a longer chain the ways to pair its own wheels. */
export function waysLike(chain: Chain, ratio: Rational, question: Omit<ChainQuestion, 'stages'>): WaysToRatio {
  if (chain.length <= MOST_STAGES) return waysTo(ratio, chain.length, question);
  const { coprime, equalCentres, perStage, same } = question;
  if (equalCentres || perStage || same) return { ways: [chain], count: 1, cut: true };
  const pairings = pairingsOf(chain)
    .filter((one) => coprime !== 'required' || sharing(one) === 0)
    .map((one): Chain => [...one].sort((a, b) => b[1] / b[0] - a[1] / a[0]));
  return { ways: few(pairings), count: pairings.length, cut: true };
}

const few = (found: readonly Chain[]): readonly Chain[] => [...found].sort(orderOfChains).slice(0, MOST_LISTED);
const keyOf = (pair: CountPair): string => pair.join('/');

type Lists = readonly (readonly Alike[])[];

/** Of each stage the fractions that its wheels make; between the same two shafts for each centre distance its own. */
function* listsOf(question: Omit<ChainQuestion, 'stages'>, stages: number): Generator<Lists> {
  const { wheels, perStage, coprime, equalCentres, internal = false } = question;
  const own = perStage?.slice(0, stages) ?? [wheels];
  const filled = (lists: Lists): Lists =>
    perStage ? lists : new Array<readonly Alike[]>(stages).fill(itemAt(lists, 0));
  if (!equalCentres) {
    yield filled(own.map((teeth) => alikeOf(externalPairs(teeth), coprime === 'required')));
    return;
  }
  const first = itemAt(own, 0);
  const centres = new Set(first.flatMap((a) => first.flatMap((b) => (internal && b > a ? [a + b, b - a] : [a + b]))));
  for (const centre of centres)
    yield filled(
      own.map((teeth) =>
        alikeOf(
          fractionsAt(teeth, centre, coprime, internal).map(({ pair }) => pair),
          coprime === 'required',
        ),
      ),
    );
}

const externalPairs = (wheels: readonly number[]): readonly CountPair[] =>
  wheels.flatMap((driver) => wheels.map((driven): CountPair => [driver, driven]));

/** Pairs by their fraction, the largest first. */
function alikeOf(pairs: readonly CountPair[], coprimeOnly: boolean): readonly Alike[] {
  const byFraction = new Map<string, { n: number; d: number; pairs: CountPair[] }>();
  for (const pair of pairs) {
    const common = gcd(pair[0], pair[1]);
    if (coprimeOnly && common > 1) continue;
    const [n, d] = [pair[1] / common, pair[0] / common];
    const known = byFraction.get(`${n}/${d}`);
    if (known) known.pairs.push(pair);
    else byFraction.set(`${n}/${d}`, { n, d, pairs: [pair] });
  }
  return [...byFraction.values()].sort((a, b) => b.n / b.d - a.n / a.d);
}

/** The fractions of the stages whose product is n/d; where the order does not matter, each choice once. */
function* factorings(n: number, d: number, lists: Lists, inAnyOrder: boolean): Generator<readonly Alike[]> {
  const last = itemAt(lists, -1);
  const place = new Map(last.map((one, i) => [`${one.n}/${one.d}`, i]));
  yield* factor(n, d, 0, 0);

  function* factor(left: number, under: number, stage: number, from: number): Generator<readonly Alike[]> {
    if (stage === lists.length - 1) {
      const at = place.get(`${left}/${under}`);
      if (at !== undefined && (!inAnyOrder || at >= from)) yield [itemAt(last, at)];
      return;
    }
    const list = itemAt(lists, stage);
    const more = lists.length - stage - 1;
    for (let i = inAnyOrder ? from : 0; i < list.length; i++) {
      const one = itemAt(list, i);
      // The largest stage comes first: once it is below an even share, the others cannot make up for it.
      if (inAnyOrder && (one.n / one.d) ** (more + 1) < (left / under) * (1 - 1e-9)) return;
      const [top, bottom] = [left * one.d, under * one.n];
      if (top > Number.MAX_SAFE_INTEGER || bottom > Number.MAX_SAFE_INTEGER) continue;
      const common = gcd(top, bottom);
      for (const rest of factor(top / common, bottom / common, stage + 1, i)) yield [one, ...rest];
    }
  }
}

/** Every choice of pairs that make these fractions; of alike ones that follow each other each choice once. */
function* chainsOf(fractions: readonly Alike[], inAnyOrder: boolean, from = 0): Generator<Chain> {
  const [first, ...rest] = fractions;
  if (!first) return void (yield []);
  for (let i = from; i < first.pairs.length; i++) {
    const next = inAnyOrder && rest[0] === first ? i : 0;
    for (const others of chainsOf(rest, inAnyOrder, next)) yield [itemAt(first.pairs, i), ...others];
  }
}

/** What is looked at among the results, without searching again. */
export interface ResultFilter {
  /** No external gear with fewer teeth than are cut clean at 20° without shift. */
  readonly noUndercut: boolean;
  /** No pair whose counts have a factor in common. */
  readonly coprime: boolean;
  /** Teeth of the largest gear; null for any. */
  readonly largest: number | null;
}

const CLEAN = leastWithoutUndercut({ pressureAngle: 20, shift: 0 });

/** Does a chain pass? Internal gears are not hobbed. */
export const passes = (chain: Chain, { noUndercut, coprime, largest }: ResultFilter): boolean =>
  (!noUndercut ||
    chain.every(([driver, driven, teeth]) => driver >= CLEAN && (teeth === 'internal' || driven >= CLEAN))) &&
  (!coprime || sharing(chain) === 0) &&
  (largest === null || chain.every(([driver, driven]) => Math.max(driver, driven) <= largest));
