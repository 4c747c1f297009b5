import { drawSideView } from '../drawing';
import { compareFound, FoundSchemes } from './found-schemes';
import { countChoices } from './counts';
import { askedInWords, trainOfScheme } from './as-train';
import { keepsWithin, schemeFigures, type SchemeFigures } from './figures';
import { isRanged, type GivenSet, type SchemeQuestion } from './question';
import { ratiosWith, refined, worstOf } from './refine';
import { schemeKey, type FoundScheme } from './scheme';
import { standingRatio, triedStandings } from './standing-ratio';
import { walkSchemes } from './walk';
import type { Train } from '../train';

/** A scheme that fulfils the wish, with the train that it makes and what that comes to. */
export interface SchemeResult {
  readonly key: string;
  readonly found: FoundScheme;
  readonly sets: readonly GivenSet[];
  readonly train: Train;
  readonly figures: SchemeFigures;
}

export interface SchemeAnswer {
  /** Best first, no more than asked for. */
  readonly results: readonly SchemeResult[];
  /** How many schemes fulfil the wish, as far as was looked. */
  readonly schemes: number;
  /** All schemes there are were looked at. */
  readonly proven: boolean;
  /** Ways to join looked at, of so many. */
  readonly walked: number;
  readonly of: number;
  /** The time that was allowed ended it. */
  readonly cut: boolean;
}

export interface SchemeWatch {
  /** Is it time to tell again? */
  readonly due: () => boolean;
  readonly over: () => boolean;
  readonly tell: (answer: SchemeAnswer) => void;
}

/** Nothing is told on the way, and it goes on to its end. */
export const UNWATCHED: SchemeWatch = { due: () => false, over: () => false, tell: () => undefined };

/**
 * All schemes of these sets that fulfil the wish, best first. With given counts everything is walked through. Where a
 * set is free within a range it is tried at a few places of it with a wider tolerance; what is promising is brought to
 * the wish by its standing ratios, and then to whole counts that can be put together.
 */
export function searchSchemes(question: SchemeQuestion, watch: SchemeWatch = UNWATCHED): SchemeAnswer {
  return question.sets.some(isRanged) ? searchRanges(question, watch) : searchGiven(question, watch);
}

function searchGiven(question: SchemeQuestion, watch: SchemeWatch): SchemeAnswer {
  const sets = question.sets as readonly GivenSet[];
  const resultFor = keptResults(question);
  const answer = (found: FoundSchemes, walked: number, of: number, cut: boolean): SchemeAnswer => ({
    results: found.best().flatMap((one) => resultFor(one, sets) ?? []),
    schemes: found.count,
    proven: walked === of,
    walked,
    of,
    cut,
  });
  const { limits } = question;
  const isLimited = limits.elementTorque ?? limits.recirculation ?? limits.efficiency ?? limits.nested;
  let over = false;
  const walk = walkSchemes(question, sets.map(standingRatio), {
    ...(isLimited !== undefined && { admits: (one: FoundScheme) => isAdmitted(question, one, sets) }),
    isOver: ({ found, walked, of }) => {
      if (watch.due()) watch.tell(answer(found, walked, of, false));
      return (over = watch.over());
    },
  });
  return answer(walk.found, walk.walked, walk.of, over && !walk.whole);
}

function isAdmitted(question: SchemeQuestion, found: FoundScheme, sets: readonly GivenSet[]): boolean {
  const made = trainOfScheme(found, sets, 'scheme');
  if (!made.ok) return false;
  const figures = schemeFigures(question, found, made.train);
  // The drawing takes longest: only where all else is kept.
  if (!keepsWithin({ ...question, limits: { ...question.limits, nested: false } }, figures, null)) return false;
  return question.limits.nested !== true || crossingsOf(made.train) === 0;
}

/** How often lines cross in the drawing of a train; null where it cannot be drawn. */
export function crossingsOf(train: Train): number | null {
  const drawn = drawSideView(train, { width: 900, height: 420 }, { effort: QUICK });
  return drawn.ok ? drawn.view.crossings.length : null;
}

const QUICK = 0.3;

/** Results are worked out once a scheme. */
function keptResults(question: SchemeQuestion) {
  const kept = new Map<string, SchemeResult | null>();
  return (found: FoundScheme, sets: readonly GivenSet[]): SchemeResult | null => {
    const key = schemeKey(found) + JSON.stringify(sets);
    const known = kept.get(key);
    if (known !== undefined) return known;
    const made = trainOfScheme(found, sets, 'Scheme', askedInWords(question));
    const result = made.ok
      ? { key, found, sets, train: made.train, figures: schemeFigures(question, found, made.train) }
      : null;
    kept.set(key, result);
    return result;
  };
}

/** At how many places of its range a set is tried, by how many sets are free. */
const PLACES = [0, 7, 4, 3, 2];
/** As many promising schemes of each place are brought to the wish. */
const PROMISING = 200;

function searchRanges(question: SchemeQuestion, watch: SchemeWatch): SchemeAnswer {
  const free = question.sets.filter(isRanged).length;
  const places = PLACES[free] ?? 2;
  const tried = combinations(question.sets.map((set) => triedStandings(set, places)));
  const best = new Map<string, SchemeResult>();
  const resultFor = keptResults(question);
  const looked = new Set<string>();
  let [walked, of, cut] = [0, 0, false];
  const results = () =>
    [...best.values()].sort((a, b) => compareFound(question, a.found, b.found)).slice(0, question.limit);
  const answer = (): SchemeAnswer => ({ results: results(), schemes: best.size, proven: false, walked, of, cut });
  for (const [place, standings] of tried.entries()) {
    const wide = { ...question, limit: PROMISING };
    const found = new FoundSchemes(wide);
    const walk = walkSchemes(wide, standings, {
      found,
      tolerance: question.tolerance + (WIDER[free] ?? 0),
      isOver: (so) => {
        [walked, of] = [place * so.of + so.walked, tried.length * so.of];
        if (watch.due()) watch.tell(answer());
        return (cut = watch.over());
      },
    });
    for (const one of walk.found.best()) {
      const key = schemeKey(one);
      if (looked.has(key)) continue;
      looked.add(key);
      const counted = withCounts(question, one);
      const result = counted && resultFor(counted.found, counted.sets);
      if (result && keepsWithin(question, result.figures, question.limits.nested ? crossingsOf(result.train) : null))
        best.set(key, result);
    }
    if (cut) break;
  }
  return answer();
}

/** How much wider the tolerance is at the places where ranges are tried, by how many sets are free. */
const WIDER = [0, 0.08, 0.1, 0.12, 0.15];

const combinations = (lists: readonly (readonly number[])[]): readonly (readonly number[])[] =>
  lists.reduce<readonly (readonly number[])[]>(
    (all, list) => all.flatMap((some) => list.map((one) => [...some, one])),
    [[]],
  );

/** A scheme brought to the wish, with whole counts; null where none come near enough. */
function withCounts(
  question: SchemeQuestion,
  found: FoundScheme,
): { readonly found: FoundScheme; readonly sets: readonly GivenSet[] } | null {
  const near = refined(question, found);
  if (!near || near.selection.worst > question.tolerance * 1.5) return null;
  let best: { readonly found: FoundScheme; readonly sets: readonly GivenSet[] } | null = null;
  for (const sets of countChoices(question.sets, near.standings)) {
    const standings = sets.map(standingRatio);
    const ratios = ratiosWith(found, standings);
    const worst = ratios ? worstOf(ratios, question) : Infinity;
    if (worst > question.tolerance || (best && worst >= best.found.selection.worst)) continue;
    best = { found: { ...found, standings, selection: { ...found.selection, worst } }, sets };
  }
  return best;
}
