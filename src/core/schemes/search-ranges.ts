import { countChoices } from './counts';
import { keepsWithin } from './figures';
import { compareFound, FoundSchemes } from './found-schemes';
import { placesBetween } from './places-between';
import { isRanged, type GivenSet, type SchemeQuestion } from './question';
import { ratiosWith, refined, worstOf } from './refine';
import { crossingsOf, schemeResult, type SchemeAnswer, type SchemeResult, type SchemeWatch } from './result';
import { schemeKey, type FoundScheme } from './scheme';
import { standingRatio, triedStandings } from './standing-ratio';
import { walkSchemes } from './walk';

/** At how many places of its range a set is tried, by how many sets are free. */
const PLACES = [0, 7, 4, 3, 2];
/** As many promising schemes of each place are brought to the wish. */
const PROMISING = 200;

/**
 * Schemes of sets that are free within a range: best found, not proven. Tried at places spread evenly over the ranges,
 * then between them for as long as it is wanted.
 */
export function searchRanges(question: SchemeQuestion, watch: SchemeWatch): SchemeAnswer {
  const free = question.sets.filter(isRanged).length;
  const places = PLACES[free] ?? 2;
  const spread = combinations(question.sets.map((set) => triedStandings(set, places)));
  const wide = { ...question, limit: PROMISING };
  const tolerance = question.tolerance + (WIDER[free] ?? 0);
  const best = new Map<string, SchemeResult>();
  const looked = new Set<string>();
  let [walked, of, between, cut] = [0, 0, 0, false];
  const results = () =>
    [...best.values()].sort((a, b) => compareFound(question, a.found, b.found)).slice(0, question.limit);
  const answer = (): SchemeAnswer => ({
    results: results(),
    schemes: best.size,
    proven: false,
    walked,
    of,
    between,
    cut,
  });
  const lookAt = (
    standings: readonly number[],
    told: (so: { readonly walked: number; readonly of: number }) => void,
  ) => {
    const { found } = walkSchemes(wide, standings, {
      found: new FoundSchemes(wide),
      tolerance,
      isOver: (so) => {
        told(so);
        if (watch.due()) watch.tell(answer());
        return (cut = watch.over());
      },
    });
    for (const one of found.best()) {
      const key = schemeKey(one);
      if (looked.has(key)) continue;
      looked.add(key);
      const counted = withCounts(question, one);
      const result = counted && schemeResult(question, counted.found, counted.sets);
      if (result && keepsWithin(question, result.figures, question.limits.nested ? crossingsOf(result.train) : null))
        best.set(key, result);
    }
  };
  for (const [place, standings] of spread.entries()) {
    lookAt(standings, (so) => ([walked, of] = [place * so.of + so.walked, spread.length * so.of]));
    if (cut) return answer();
  }
  if (watch.goesOn !== true) return answer();
  for (const standings of placesBetween(question.sets)) {
    if (between === MOST_BETWEEN) break;
    lookAt(standings, () => undefined);
    if (cut) break;
    between++;
  }
  return answer();
}

/** Then there is nothing new to be had between them, and what was looked at would fill the memory. */
const MOST_BETWEEN = 2_000;

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
