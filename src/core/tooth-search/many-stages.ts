import { compare, toFraction } from '../rational';
import { ratioError, type FoundSoFar } from './best';
import { searchChains, type ChainAnswer, type ChainQuestion } from './chains';
import { UNWATCHED, type SearchWatch } from './watch';
import { orderOfChains } from './way';
import type { Chain } from './stage-fractions';

/**
 * Chains of several numbers of stages: the best of all of them, each ratio once, by the chain with the fewest teeth.
 */
export function searchManyStages(
  stages: readonly number[],
  question: Omit<ChainQuestion, 'stages'>,
  tell: (so: ChainAnswer) => void = () => undefined,
  watch: SearchWatch = UNWATCHED,
): ChainAnswer {
  const answers: ChainAnswer[] = [];
  for (const [i, count] of stages.entries()) {
    const asked = { ...question, stages: count, perStage: question.perStage?.slice(0, count) };
    const answer = searchChains(
      asked,
      (so) => {
        const all = together([...answers, so], question);
        tell({ ...all, proven: false, part: (i + so.part) / stages.length });
      },
      watch,
    );
    answers.push(answer);
    if (watch.over() && i + 1 < stages.length) return { ...together(answers, question), proven: false, cut: true };
    if (i + 1 < stages.length) tell({ ...together(answers, question), proven: false, part: (i + 1) / stages.length });
  }
  return together(answers, question);
}

function together(
  answers: readonly ChainAnswer[],
  { target, limit }: Pick<ChainQuestion, 'target' | 'limit'>,
): ChainAnswer {
  const all = new Map<string, FoundSoFar<Chain>>();
  for (const one of answers.flatMap(({ results }) => results)) {
    const key = toFraction(one.ratio);
    const known = all.get(key);
    if (!known || orderOfChains(one.made, known.made) < 0) all.set(key, one);
  }
  return {
    results: [...all.values()]
      .sort(
        (a, b) => compare(ratioError(a.ratio, target), ratioError(b.ratio, target)) || orderOfChains(a.made, b.made),
      )
      .slice(0, limit),
    proven: answers.every(({ proven }) => proven),
    cut: answers.some(({ cut }) => cut),
    examined: answers.reduce((sum, { examined }) => sum + examined, 0),
    part: 1,
  };
}
