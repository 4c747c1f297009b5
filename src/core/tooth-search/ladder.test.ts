import { runs } from '@/testing/runs';
import fc from 'fast-check';
import { div, fraction } from '../rational';
import { searchLadders, wantedRatios, type LadderQuestion } from './ladder';

const range = (min: number, max: number): number[] => Array.from({ length: max - min + 1 }, (_, i) => min + i);
const QUESTION: LadderQuestion = {
  from: fraction(1),
  to: fraction(2),
  positions: 5,
  factor: 1,
  wheels: range(20, 80),
  coprime: 'any',
  limit: 5,
};

test('geometric steps are alike, progressive ones fall by the factor, and both end where they should', () => {
  expect(wantedRatios({ ...QUESTION, from: fraction(8), to: fraction(1), positions: 4 })).toEqual(
    [8, 4, 2, 1].map((ratio) => expect.closeTo(ratio, 12)),
  );
  // By hand: from 8 to 1 in steps of 2.5, 2 and 1.6.
  const falling = wantedRatios({ ...QUESTION, from: fraction(8), to: fraction(1), positions: 4, factor: 1.25 });
  expect(falling).toEqual([8, 3.2, 1.6, 1].map((ratio) => expect.closeTo(ratio, 12)));
  expect(wantedRatios({ ...QUESTION, from: fraction(1), to: fraction(8), positions: 4, factor: 1.25 })).toEqual(
    [...falling].reverse(),
  );
});

/** Every choice of different pairs of every sum. */
function bruteForce(question: LadderQuestion): { sum: number; worst: number }[] {
  const wanted = wantedRatios(question);
  const found: { sum: number; worst: number }[] = [];
  for (let sum = 2; sum <= 2 * Math.max(...question.wheels); sum++) {
    const pairs = question.wheels.filter((a) => question.wheels.includes(sum - a)).map((a) => (sum - a) / a);
    const go = (k: number, used: readonly number[], worst: number): number => {
      if (k === wanted.length) return worst;
      const tries = pairs.flatMap((ratio, j) =>
        used.includes(j) ? [] : [go(k + 1, [...used, j], Math.max(worst, Math.abs(ratio / wanted[k]! - 1)))],
      );
      return Math.min(Infinity, ...tries);
    };
    const worst = go(0, [], 0);
    if (worst < Infinity) found.push({ sum, worst });
  }
  return found.sort((a, b) => a.worst - b.worst || a.sum - b.sum);
}

test('no choice of pairs, crossing or not, has a smaller worst deviation; every sum is covered', () => {
  const ends = fc.tuple(fc.integer({ min: 1, max: 40 }), fc.integer({ min: 1, max: 40 }));
  const part = ends.map(([n, d]) => div(fraction(n), fraction(d)));
  const wheels = fc.uniqueArray(fc.integer({ min: 8, max: 30 }), { minLength: 3, maxLength: 9 });
  let ladders = 0;
  fc.assert(
    fc.property(
      part,
      part,
      fc.integer({ min: 2, max: 4 }),
      fc.constantFrom(1, 1.1),
      wheels,
      (from, to, positions, factor, own) => {
        const question = { ...QUESTION, from, to, positions, factor, wheels: own, limit: 1000 };
        const { results, proven } = searchLadders(question);
        const expected = bruteForce(question);
        expect(proven).toBe(true);
        expect(results.map(({ worst }) => worst)).toEqual(expected.map(({ worst }) => expect.closeTo(worst, 12)));
        const wanted = wantedRatios(question);
        for (const { sum, pairs, worst } of results) {
          ladders++;
          expect(new Set(pairs.map((pair) => pair.join())).size).toBe(positions);
          expect(pairs.every(([a, b]) => a + b === sum && own.includes(a) && own.includes(b))).toBe(true);
          expect(Math.max(...pairs.map(([a, b], k) => Math.abs(b / a / wanted[k]! - 1)))).toBeCloseTo(worst, 12);
        }
      },
    ),
    { numRuns: runs(150) },
  );
  expect(ladders).toBeGreaterThan(100);
});
