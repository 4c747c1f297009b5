import fc from 'fast-check';
import { countershaftBox } from '@/testing/countershaft-box';
import { toNumber } from '../rational';
import { chartOf, fittedFactor, idealSteps } from '.';

/**
 * One pair for each ratio, so that a chart has these ratios in this order; a last pair of equal gears turns them
 * forward.
 */
const chartWith = (...pairs: [number, number][]) => chartOf(countershaftBox([pairs, [[30, 30]]]));

test('even: 8, 4, 2, 1 have a spread of 8 in three steps of 2 each', () => {
  const chart = chartWith([10, 80], [10, 40], [10, 20], [10, 10]);
  expect(chart.rows.map(({ solved }) => toNumber(solved.ratio!))).toEqual([8, 4, 2, 1]);
  const { steps, factor } = idealSteps(chart, 'even');
  expect(factor).toBe(1);
  expect([...steps]).toEqual(['1', '2', '3'].map((id) => [id, expect.closeTo(2, 12)]));
});

test('progressive: each step is the last one over the factor, and together they make the spread', () => {
  const chart = chartWith([10, 80], [10, 40], [10, 20], [10, 10]);
  // By hand: the middle of three steps is the mean, 2; the first 2 × 1.25, the last 2 / 1.25.
  const { steps } = idealSteps(chart, 'progressive', 1.25);
  expect([...steps.values()]).toEqual([2.5, 2, 1.6].map((step) => expect.closeTo(step, 12)));
});

test('the factor that fits is the one that was built in, and none where steps grow', () => {
  // 9 → 3.6 → 1.8 → 1.125: steps 2.5, 2, 1.6, each 1.25 times the next.
  const falling = chartWith([40, 360], [40, 144], [40, 72], [40, 45]);
  expect(fittedFactor(falling)).toBeCloseTo(1.25, 12);
  expect([...idealSteps(falling, 'progressive').steps.values()]).toEqual(
    [2.5, 2, 1.6].map((step) => expect.closeTo(step, 12)),
  );
  expect(fittedFactor(chartWith([10, 80], [10, 50], [10, 25], [10, 10]))).toBe(1);
});

test('rows out of order, doubled or in reverse have no ideal step, others keep theirs', () => {
  const chart = chartWith([10, 40], [10, 80], [10, 20], [10, 20], [10, 10]);
  // 4, 8, 2, 2, 1: only 2 → 1 joins neighbours in size.
  expect([...idealSteps(chart, 'even').steps.keys()]).toEqual(['4']);
});

test('in both schools the ideal steps of rows in order multiply to the spread', () => {
  const counts = fc.uniqueArray(fc.integer({ min: 12, max: 120 }), { minLength: 2, maxLength: 9 });
  fc.assert(
    fc.property(counts, fc.double({ min: 1, max: 1.3, noNaN: true }), (driven, factor) => {
      const pairs = [...driven].sort((a, b) => b - a).map((teeth): [number, number] => [20, teeth]);
      const chart = chartWith(...pairs);
      for (const { steps } of [idealSteps(chart, 'even'), idealSteps(chart, 'progressive', factor)]) {
        expect(steps.size).toBe(driven.length - 1);
        const product = [...steps.values()].reduce((total, step) => total * step, 1);
        expect(product).toBeCloseTo(toNumber(chart.forward.spread!), 6);
      }
    }),
  );
});
