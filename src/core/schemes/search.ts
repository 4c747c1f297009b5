import { keepsWithin } from './figures';
import { FoundSchemes } from './found-schemes';
import { isRanged, type GivenSet, type SchemeQuestion } from './question';
import { crossingsOf, keptResults, schemeResult, UNWATCHED, type SchemeAnswer, type SchemeWatch } from './result';
import type { FoundScheme } from './scheme';
import { searchRanges } from './search-ranges';
import { standingRatio } from './standing-ratio';
import { walkSchemes } from './walk';

/**
 * All schemes of these sets that fulfil the wish, best first. With given counts everything is walked through. Where a
 * set is free within a range it is tried at a few places of it with a wider tolerance; what is promising is brought to
 * the wish by its standing ratios, and then to whole counts that can be put together, see searchRanges.
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
    between: 0,
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
  const result = schemeResult(question, found, sets);
  // The drawing takes longest: only where all else is kept.
  if (!result || !keepsWithin({ ...question, limits: { ...question.limits, nested: false } }, result.figures, null))
    return false;
  return question.limits.nested !== true || crossingsOf(result.train) === 0;
}
