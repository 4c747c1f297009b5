import { countershaftBox } from '@/testing/countershaft-box';
import { travelOf } from './travel';
import { jamsOf, longestEntry } from './travel-advice';

const BOX = countershaftBox([
  [
    [20, 40],
    [30, 30],
    [40, 20],
  ],
]);
const [a, b] = BOX.couplers.map(({ id }) => id) as [string, string];
const jams = (spans: readonly { coupler: string; from: number; to: number }[], gapMm = 1) => {
  const train = { ...BOX, selectors: [{ id: 'sleeve', name: 'sleeve', spans: [...spans] }] };
  return jamsOf(train, travelOf(train), gapMm);
};

test('a sleeve whose two engagements overlap jams there; each mend, laid in, leaves the neutral that it says', () => {
  const spans = [
    { coupler: a, from: -10, to: 1.5 },
    { coupler: b, from: 0, to: 9 },
  ];
  const [jam, ...more] = jams(spans);
  expect(more).toEqual([]);
  expect(jam).toMatchObject({ selector: 'sleeve', fromMm: 0, toMm: 1.5, engaged: [a, b] });
  expect(jam!.says).toBe(`From 0 to 1.5 mm ${a} and ${b} are engaged together, and lock it.`);
  expect(jam!.mends.map(({ says }) => says)).toEqual([
    `Let ${a} end 2.5 mm sooner; 1 mm of neutral is left.`,
    `Let ${b} begin 2.5 mm later; 1 mm of neutral is left.`,
    `Move ${b} 2.5 mm on; 1 mm of neutral is left.`,
  ]);
  for (const { selector } of jam!.mends) {
    expect(jams(selector.spans)).toEqual([]);
    const neutral = travelOf(BOX, [selector])
      .get('sleeve')!
      .find(({ status }) => status === 'neutral')!;
    expect(neutral.toMm - neutral.fromMm).toBeCloseTo(1, 9);
  }
  expect(jams(spans, 0)[0]!.mends[0]!.says).toBe(`Let ${a} end 1.5 mm sooner; no neutral is left between them.`);
});

test('one that lies within another is told without a false cure', () => {
  const [jam] = jams([
    { coupler: a, from: 0, to: 10 },
    { coupler: b, from: 3, to: 5 },
  ]);
  expect(jam!.says).toContain('From 3 to 5 mm');
  expect(jam!.mends).toEqual([]);
});

test('a dog looks for its gap at most one tooth long; standing still it may never find it', () => {
  // 12 teeth, 50 rpm apart: 1/12 of a turn at 50/60 turns a second.
  expect(longestEntry(12, -50)).toBeCloseTo(0.1, 12);
  expect(longestEntry(12, 0)).toBeNull();
});
