import { toNumber, type Rational } from '../rational';
import type { Train } from '../train';
import { fitsBetweenShafts } from './arranged';
import { errorOf } from './best';
import { chainFinding, dialsFinding, fitFinding, pairsFinding, setsFinding, type SearchResult } from './findings';
import { searchFit } from './fit';
import { searchLadders, searchRanges, wantedRanges, wantedRatios } from './ladder';
import { searchManyStages } from './many-stages';
import { searchOutputs } from './outputs';
import { searchPlanetary } from './planetary';
import type { Chains, NamedRatio, SearchQuestion } from './question';
import { UNWATCHED, watchOf, type SearchWatch } from './watch';
import { whyOutOfReach, conflictOf } from './why-none';

export interface SearchAnswer {
  /** Best first. */
  readonly findings: readonly SearchResult[];
  /** Everything that there is was covered: nothing better exists. */
  readonly proven: boolean;
  readonly examined: number;
  /** The time that was allowed ended it: with more time something better may be found. */
  readonly cut: boolean;
  /** How much of the search is behind, from 0 to 1. */
  readonly part: number;
  /** Why nothing, or nothing near, is found; null where something is. */
  readonly why: string | null;
}

/** Who waits for an answer. */
export interface Listening {
  /** Given what is found so far, now and then. */
  readonly tell?: (so: SearchAnswer) => void;
  /** Milliseconds since the search began. Without a clock nothing is told by time, and no limit of time is kept. */
  readonly elapsedMs?: () => number;
}

/**
 * Answers a search.
 * @param train the open train, which a fit asks for.
 * @throws RangeError where a wanted position of a fit does not drive.
 */
export function search(
  question: SearchQuestion,
  train: Train | null,
  { tell = () => undefined, elapsedMs }: Listening = {},
): SearchAnswer {
  const watch = elapsedMs ? watchOf(elapsedMs, question.timeS) : UNWATCHED;
  switch (question.kind) {
    case 'chains':
      return findChains(question, tell, watch);
    case 'planetary':
      return findSets(question, tell, watch);
    case 'ladder':
    case 'ranges':
      return findPairs(question);
    case 'outputs':
      return findDials(question, tell, watch);
    case 'fit':
      return findFit(question, train, tell, watch);
  }
}

type Asked<K extends SearchQuestion['kind']> = Extract<SearchQuestion, { readonly kind: K }>;
type Tell = NonNullable<Listening['tell']>;

function findChains(question: Chains, tell: Tell, watch: SearchWatch): SearchAnswer {
  const stages = mountable(question);
  if (stages.length === 0)
    return {
      findings: [],
      proven: true,
      cut: false,
      examined: 0,
      part: 1,
      why:
        '“All stages between the same two shafts” and “the output turns ' +
        `${question.turning === 'same' ? 'the same way' : 'the other way'}” exclude each other: an idler would ` +
        `move the shafts apart. Take ${question.turning === 'same' ? 'an even' : 'an odd'} number of stages, or ` +
        'allow internal wheels.',
    };
  const told = (so: ReturnType<typeof searchManyStages>): SearchAnswer => ({
    ...so,
    why: null,
    findings: so.results
      .filter(({ made }) => fitsBetweenShafts(question, made) !== null)
      .map(({ made, ratio }) => chainFinding(made, plainRatio(ratio, question.question.target, ratio))),
  });
  const answer = told(searchManyStages(stages, question.question, (so) => tell(told(so)), watch));
  const beyond = whyOutOfReach(stages, question.question);
  return {
    ...answer,
    why: beyond ?? (answer.findings.length === 0 ? conflictOf(stages, question.question) : null),
  };
}

function findSets(question: Asked<'planetary'>, tell: Tell, watch: SearchWatch): SearchAnswer {
  const told = (so: ReturnType<typeof searchPlanetary>): SearchAnswer => ({
    ...so,
    why: null,
    findings: so.results.map(({ made, ratio, size }) =>
      setsFinding(made, plainRatio(ratio, question.question.target, size)),
    ),
  });
  const answer = told(searchPlanetary(question.question, (so) => tell(told(so)), watch));
  return {
    ...answer,
    why:
      answer.findings.length > 0
        ? null
        : 'No set within these spans goes together with its planets evenly spaced and with room between ' +
          'them: widen a span, allow other numbers of planets, or a larger error.',
  };
}

/** Pairs on one centre distance, in one range or several. */
function findPairs(question: Asked<'ladder'> | Asked<'ranges'>): SearchAnswer {
  const wanted = question.kind === 'ladder' ? wantedRatios(question.question) : wantedRanges(question.question);
  const answer = question.kind === 'ladder' ? searchLadders(question.question) : searchRanges(question.question);
  return {
    ...answer,
    cut: false,
    part: 1,
    findings: answer.results.map(({ pairs, worst }) => pairsFinding(pairs, wanted, worst)),
    why:
      answer.results.length > 0
        ? null
        : `No centre distance has ${wanted.length} different pairs of these ` +
          `wheels${question.question.coprime === 'required' ? ' without a common factor' : ''}: allow smaller ` +
          'or larger wheels.',
  };
}

function findDials(question: Asked<'outputs'>, tell: Tell, watch: SearchWatch): SearchAnswer {
  const told = (so: ReturnType<typeof searchOutputs>): SearchAnswer => ({
    ...so,
    findings: so.results.map(dialsFinding),
  });
  return told(searchOutputs(question.question, (so) => tell(told(so)), watch));
}

function findFit(question: Asked<'fit'>, train: Train | null, tell: Tell, watch: SearchWatch): SearchAnswer {
  if (!train) throw new RangeError('A fit needs a train.');
  const told = (so: ReturnType<typeof searchFit>): SearchAnswer => ({
    ...so,
    why: null,
    findings: so.results.map((fit) => fitFinding(fit, train, question.question.targets)),
  });
  const answer = told(searchFit({ ...question.question, train }, (so) => tell(told(so)), watch));
  return {
    ...answer,
    why:
      answer.findings.length > 0
        ? null
        : 'No choice of these counts keeps what has to hold (sets on one axis, planets ' +
          'evenly spaced, centre distances, common factors, the sign of a wanted ratio): ' +
          'free more gears, widen their limits, or hold less.',
  };
}

/** Numbers of stages that can turn the wanted way: between the same two shafts there is no room for an idler. */
function mountable({ stages, turning, question: { equalCentres, internal } }: Chains): readonly number[] {
  if (turning === 'any' || !equalCentres || internal) return stages;
  return stages.filter((count) => (count % 2 === 0) === (turning === 'same'));
}

/** A ratio that is the only one. @param size of it, which is held against the target */
const plainRatio = (ratio: Rational, target: Rational, size: Rational): NamedRatio => ({
  id: '',
  name: '',
  ratio,
  wanted: toNumber(target),
  error: errorOf(size, target),
});
