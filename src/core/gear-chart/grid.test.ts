import { countershaftBox, type Pair } from '@/testing/countershaft-box';
import { demoTrain } from '@/testing/demo-train';
import { toNumber } from '../rational';
import { gridOf as grid } from '.';

const SPEEDS: readonly Pair[] = [
  [20, 40],
  [24, 36],
  [30, 30],
];
const RANGES: readonly Pair[] = [
  [12, 48],
  [30, 30],
];

test('two groups: three speeds in two ranges; the ranges change most and come first', () => {
  const { groups, always, cells, outside } = grid(countershaftBox([SPEEDS, RANGES]))!;
  expect(groups).toEqual([
    ['b1', 'b2'],
    ['a1', 'a2', 'a3'],
  ]);
  expect([always, outside]).toEqual([[], []]);
  // By hand: 2, 1.5, 1 times 4 and times 1.
  const ratios = Object.fromEntries(cells.map(({ at, ratio }) => [at.join(), toNumber(ratio)]));
  expect(ratios).toEqual({ 'b1,a1': 8, 'b1,a2': 6, 'b1,a3': 4, 'b2,a1': 2, 'b2,a2': 1.5, 'b2,a3': 1 });
  expect(cells.every(({ overlaps }) => !overlaps)).toBe(true);
  expect(cells.find(({ at }) => at.join() === 'b1,a1')!.rank).toBe(0);
  expect(cells.find(({ at }) => at.join() === 'b2,a3')!.rank).toBe(1);
});

test('three groups of two make eight cells; overlapping ranges are marked', () => {
  const half: readonly Pair[] = [
    [20, 30],
    [30, 30],
  ];
  const { groups, cells } = grid(
    countershaftBox([
      SPEEDS.slice(1),
      half,
      [
        [16, 32],
        [30, 30],
      ],
    ]),
  )!;
  expect(groups.map(({ length }) => length)).toEqual([2, 2, 2]);
  expect(new Set(cells.map(({ at }) => at.join())).size).toBe(8);
  // By hand: the range of 2 goes from 2 × 1.5 × 1.5 = 4.5 down to 2, that of 1 from 2.25 to 1: 2.25 lies in the first,
  // 2 in the second.
  const overlapping = cells.filter(({ overlaps }) => overlaps).map(({ ratio }) => Math.abs(toNumber(ratio)));
  expect(overlapping.sort()).toEqual([2, 2.25]);
});

test(
  'the range box of the saltworks, with neutral beside it and a clutch ' +
    'that is always on, is three by four by four',
  () => {
    const box = demoTrain('range-box');
    const found = grid(box)!;
    expect(found.groups.map(({ length }) => length).sort()).toEqual([3, 4, 4]);
    expect(found.cells.length).toBe(box.positions.filter(({ engaged }) => engaged.length === 3).length);
    const withNeutral = { ...box, positions: [{ id: 'N', name: 'N', engaged: [] }, ...box.positions] };
    expect(grid(withNeutral)!.outside).toEqual(['N']);
  },
);

test.each(['pan-rake', 'mud-tram', 'sluice-winch', 'stirrer'])('the %s has none', (name) => {
  expect(grid(demoTrain(name))).toBeNull();
});

test('every cell is one row, with exactly one of each group', () => {
  for (const train of [countershaftBox([SPEEDS, RANGES]), demoTrain('range-box')]) {
    const { groups, cells } = grid(train)!;
    for (const { position, at } of cells) {
      const { engaged } = train.positions.find(({ id }) => id === position)!;
      expect([...at].sort()).toEqual([...engaged].sort());
      at.forEach((id, g) => expect(groups[g]).toContain(id));
    }
  }
});
