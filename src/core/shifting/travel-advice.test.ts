import { countershaftBox } from '@/testing/countershaft-box';
import { travelOf } from './travel';
import { jamsOf, longestEntry } from './travel-advice';

const BOX = countershaftBox([[[20, 40], [30, 30], [40, 20]]]); // prettier-ignore
const [a, b] = BOX.couplers.map(({ id }) => id) as [string, string];
const jams = (spans: readonly { coupler: string; from: number; to: number }[]) => {
  const train = { ...BOX, selectors: [{ id: 'sleeve', name: 'sleeve', spans: [...spans] }] };
  return jamsOf(train, travelOf(train));
};

test('a sleeve whose two engagements overlap jams there; shortened by that it no longer does', () => {
  const spans = [{ coupler: a, from: -10, to: 1.5 }, { coupler: b, from: 0, to: 9 }]; // prettier-ignore
  const [jam, ...more] = jams(spans);
  expect(more).toEqual([]);
  expect(jam).toMatchObject({ selector: 'sleeve', fromMm: 0, toMm: 1.5, engaged: [a, b] });
  expect(jam!.says).toBe(`From 0 to 1.5 mm ${a} and ${b} are engaged together, and lock it.`);
  expect(jam!.mend).toContain(`Let ${a} end 1.500 mm sooner, or let ${b} begin 1.500 mm later`);
  expect(jams([{ ...spans[0]!, to: 0 }, spans[1]!])).toEqual([]);
  expect(jams([spans[0]!, { ...spans[1]!, from: 1.5 }])).toEqual([]);
});

test('one that lies within another is told without a false cure', () => {
  const [jam] = jams([{ coupler: a, from: 0, to: 10 }, { coupler: b, from: 3, to: 5 }]); // prettier-ignore
  expect(jam!.mend).toBe('Give each its own stretch of the travel.');
});

test('a dog looks for its gap at most one tooth long; standing still it may never find it', () => {
  // 12 teeth, 50 rpm apart: 1/12 of a turn at 50/60 turns a second.
  expect(longestEntry(12, -50)).toBeCloseTo(0.1, 12);
  expect(longestEntry(12, 0)).toBeNull();
});
