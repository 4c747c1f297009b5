import { compare, toFraction } from '../rational';
import { timesAway, type Found } from './best';
import { orderOfChains, searchChains, type Chain, type ChainAnswer, type ChainQuestion } from './chains';

/** Chains of several numbers of stages: the best of all of them, each ratio once, by the chain with the fewest teeth. */
export function searchManyStages(stages: readonly number[], question: Omit<ChainQuestion, 'stages'>): ChainAnswer {
  const answers = stages.map((count) => searchChains({ ...question, stages: count }));
  const all = new Map<string, Found<Chain>>();
  for (const one of answers.flatMap(({ results }) => results)) {
    const key = toFraction(one.ratio);
    const known = all.get(key);
    if (!known || orderOfChains(one.made, known.made) < 0) all.set(key, one);
  }
  return {
    results: [...all.values()]
      .sort(
        (a, b) =>
          compare(timesAway(a.ratio, question.target), timesAway(b.ratio, question.target)) ||
          orderOfChains(a.made, b.made),
      )
      .slice(0, question.limit),
    proven: answers.every(({ proven }) => proven),
    examined: answers.reduce((sum, { examined }) => sum + examined, 0),
  };
}
