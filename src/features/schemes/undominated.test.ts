import { searchSchemes } from '@/core/schemes';
import { schemeQuestion, simpleSet } from '@/testing/scheme-question';
import { undominated } from './undominated';

test('of the schemes that are found none that is marked is beaten, wasteful or left out without a better one', () => {
  const question = schemeQuestion([simpleSet('a', 28, 74), simpleSet('b', 42, 66)], ['2.6', '1.6', '1'], {
    engaged: 2,
  });
  const { results } = searchSchemes({ ...question, limit: 60 });
  const best = undominated(results);
  expect(best.length).toBeGreaterThan(0);
  for (const { figures } of best) {
    expect(figures.recirculation).toBeLessThanOrEqual(3);
    expect(figures.efficiency![0]).toBeGreaterThanOrEqual(0.6);
  }
  const wasteful = { ...best[0]!, figures: { ...best[0]!.figures, worst: 0, recirculation: 28.54 } };
  const lossy = { ...best[0]!, figures: { ...best[0]!.figures, worst: 0, efficiency: [0.23, 0.9] as const } };
  expect(undominated([...results, wasteful, lossy])).toEqual(best);
});
