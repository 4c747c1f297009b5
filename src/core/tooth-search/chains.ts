import type { Rational } from '../rational';
import { Best, type FoundSoFar } from './best';
import { fewestFor, searchSpace, type ChainSpace } from './chain-space';
import { fractionsAt, stageFractions, type Coprime, type StageFraction, type Chain } from './stage-fractions';
import { UNWATCHED, type SearchWatch } from './watch';
import { bestChain, orderOfChains, teethOfWay, type Way } from './way';

/** What a chain of pairs is looked for among. */
export interface ChainQuestion {
  /** Input speed over output speed, above 0. */
  readonly target: Rational;
  /** One to five. */
  readonly stages: number;
  /** Tooth counts that there are. */
  readonly wheels: readonly number[];
  /** Tooth counts of each stage, where they are not the same in all. */
  readonly perStage?: readonly (readonly number[])[] | undefined;
  readonly coprime: Coprime;
  /** All stages between the same two shafts: the sum of teeth is the same in each. */
  readonly equalCentres: boolean;
  /** Driven wheels may have their teeth inside. */
  readonly internal?: boolean | undefined;
  /** The same pair in every stage. */
  readonly same: boolean;
  readonly maxError: number | null;
  /** So many ratios are wanted. */
  readonly limit: number;
}

export interface ChainAnswer {
  readonly results: readonly FoundSoFar<Chain>[];
  /** Everything that there is was covered: nothing better exists. */
  readonly proven: boolean;
  /** The time that was allowed ended it. */
  readonly cut: boolean;
  /** Chains covered, wheels of one ratio counted once. */
  readonly examined: number;
  /** How much of the search is behind, from 0 to 1. */
  readonly part: number;
}

export const MOST_STAGES = 5;

/**
 * Fractions of a stage that a first look takes, by stages: good answers are there at once, and are told before the
 * whole search has begun.
 */
const FIRST_LOOK: readonly number[] = [0, 0, 0, 250, 250, 60];

/**
 * The chains whose ratio comes nearest to the target, exactly the best ones. Two stages are one sweep over all
 * fractions; three a sweep for each first stage; four a sweep over the products of two stages, so that halves meet in
 * the middle; five that for each first stage, the most even first, as far as the steps allow.
 * @param tell is given what is found so far.
 */
export function searchChains(
  question: ChainQuestion,
  tell: (so: ChainAnswer) => void = nothing,
  watch: SearchWatch = UNWATCHED,
): ChainAnswer {
  const cost = question.stages <= 3 ? teethOfWay : null;
  const best = new Best<Way>(question.target, question.limit, question.maxError, cost);
  const spaces = spacesOf(question).filter((lists) => lists.every(({ length }) => length > 0));
  let [examined, proven, cut] = [0, true, false];
  if (question.stages >= 3 && !question.same) {
    for (const lists of spaces)
      searchSpace(spaceOf(nearEven(lists, question, spaces.length), best, question, watch), nothing);
    tell({ results: listed(best, question), proven: false, cut: false, examined, part: 0 });
  }
  for (const [i, lists] of spaces.entries()) {
    const so = (part: number) =>
      tell({ results: listed(best, question), proven: false, cut: false, examined, part: (i + part) / spaces.length });
    const covered = searchSpace(spaceOf(lists, best, question, watch), so);
    proven &&= covered === 1;
    examined += Math.round(covered * chainsIn(lists, question));
    if (watch.over()) {
      [proven, cut] = [proven && i === spaces.length - 1, covered < 1 || i < spaces.length - 1];
      break;
    }
  }
  if (question.stages === 4 && !question.same && !cut) addFewest(best, spaces, question);
  return { results: listed(best, question), proven, cut, examined, part: 1 };
}

const nothing = () => undefined;

/** Where ratios are made in more ways than are kept, the chains with the fewest teeth are looked for by themselves. */
function addFewest(best: Best<Way>, spaces: readonly Lists[], question: ChainQuestion): void {
  const ratios = best.full;
  if (ratios.length === 0) return;
  for (const lists of spaces)
    fewestFor(spaceOf(lists, best, question, UNWATCHED), ratios).forEach((stages, i) => {
      const ratio = ratios[i];
      if (stages && ratio) best.add(ratio, { stages, products: [] });
    });
}

/** Of each stage the fractions that are nearest to an even share. */
function nearEven(lists: Lists, { target, stages }: ChainQuestion, spaces: number): Lists {
  const even = Math.log(Number(target.n) / Number(target.d)) / stages;
  const away = ({ value }: StageFraction) => Math.abs(Math.log(value) - even);
  const cut = new Map<Lists[number], Lists[number]>();
  for (const list of lists)
    if (!cut.has(list)) {
      const few = [...list].sort((a, b) => away(a) - away(b)).slice(0, Math.max(2, FIRST_LOOK[stages]! / spaces));
      cut.set(
        list,
        few.sort((a, b) => a.value - b.value),
      );
    }
  return lists.map((list) => cut.get(list)!);
}

/** One list of fractions a stage; the same list where stages have the same limits. */
type Lists = readonly (readonly StageFraction[])[];

const spaceOf = (lists: Lists, best: Best<Way>, { target, same }: ChainQuestion, watch: SearchWatch): ChainSpace => ({
  lists,
  alike: lists.every((list) => list === lists[0]),
  same,
  best,
  target: Number(target.n) / Number(target.d),
  watch,
});

/** Fractions among which the stages of a chain are chosen: all there are, or for each centre distance its own. */
function spacesOf(question: ChainQuestion): readonly Lists[] {
  const { wheels, perStage, stages, coprime, equalCentres, same, internal = false } = question;
  const own = perStage ?? [wheels];
  // The same pair everywhere has to be within every stage's limits.
  const sets = perStage && same ? [own.reduce((a, b) => a.filter((teeth) => b.includes(teeth)))] : own;
  const filled = (lists: Lists): Lists =>
    lists.length === 1 ? new Array<readonly StageFraction[]>(stages).fill(lists[0]!) : lists;
  if (!equalCentres) return [filled(sets.map((teeth) => stageFractions(teeth, coprime)))];
  const centres = new Set(
    sets[0]!.flatMap((a) => sets[0]!.flatMap((b) => (internal && b > a ? [a + b, b - a] : [a + b]))),
  );
  return [...centres]
    .sort((a, b) => a - b)
    .map((centre) => filled(sets.map((teeth) => fractionsAt(teeth, centre, coprime, internal))));
}

const listed = (best: Best<Way>, { coprime, equalCentres, perStage }: ChainQuestion): readonly FoundSoFar<Chain>[] =>
  best.list(
    (ways) => bestChain(ways, { coprime, anyOrder: !perStage, anyPairing: !equalCentres && !perStage }),
    orderOfChains,
  );

function chainsIn(lists: Lists, { same, stages }: ChainQuestion): number {
  const [first] = lists;
  if (same) return first!.length;
  return lists.every((list) => list === first)
    ? multisets(first!.length, stages)
    : lists.reduce((product, { length }) => product * length, 1);
}

/** Choices of so many with repetition, in any order. */
function multisets(from: number, count: number): number {
  let result = 1;
  for (let i = 0; i < count; i++) result = (result * (from + i)) / (i + 1);
  return Math.round(result);
}
