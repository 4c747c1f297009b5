import { countershaftBox } from '@/testing/countershaft-box';
import type { Train } from '../train';
import { sequenceOf } from '.';

/** Two speeds and two ranges: one selector for each, with a neutral between its two places. */
const box: Train = {
  ...countershaftBox([
    [
      [20, 40],
      [30, 30],
    ],
    [
      [15, 45],
      [30, 30],
    ],
  ]),
  selectors: [
    {
      id: 'speeds',
      name: 'speeds',
      spans: [
        { coupler: 'a1', from: 0, to: 4 },
        { coupler: 'a2', from: 8, to: 12 },
      ],
    },
    {
      id: 'ranges',
      name: 'ranges',
      spans: [
        { coupler: 'b1', from: 0, to: 5 },
        { coupler: 'b2', from: 9, to: 14 },
      ],
    },
  ],
};

test('each click says which selector moves from where to where; the last of a range carries into the next', () => {
  const { clicks, unreachable } = sequenceOf(box)!;
  expect(unreachable).toEqual([]);
  // Positions: a1+b1, a2+b1, a1+b2, a2+b2.
  expect(clicks.map(({ from, to, moves }) => [from, to, moves.map(({ selector }) => selector)])).toEqual([
    ['1', '2', ['speeds']],
    ['2', '3', ['speeds', 'ranges']],
    ['3', '4', ['speeds']],
  ]);
  expect(clicks[0]!.moves[0]).toEqual({ selector: 'speeds', from: { from: 0, to: 4 }, to: { from: 8, to: 12 } });
  expect(clicks[1]!.carries).toEqual({ from: 'speeds', to: 'ranges' });
  expect([clicks[0]!.carries, clicks[2]!.carries]).toEqual([null, null]);
});

test('neutral stands between the spans, beyond them where there is no between, and what nothing works is told', () => {
  const { clicks } = sequenceOf({
    ...box,
    positions: [{ id: 'N', name: 'N', engaged: [] }, ...box.positions.slice(0, 1)],
    selectors: [box.selectors![0]!, { id: 'low', name: 'low', spans: [{ coupler: 'b2', from: 0, to: 3 }] }],
  })!;
  expect(clicks[0]!.moves).toEqual([{ selector: 'speeds', from: { from: 4, to: 8 }, to: { from: 0, to: 4 } }]);
  expect(clicks[0]!.besides).toEqual(['b1']);
});

test('spans that overlap engage two on the way, and a position of two that never meet cannot be reached', () => {
  const overlapping = {
    ...box,
    selectors: [
      {
        id: 'drum',
        name: 'drum',
        spans: [
          { coupler: 'a1', from: 0, to: 6 },
          { coupler: 'a2', from: 4, to: 10 },
        ],
      },
      box.selectors![1]!,
    ],
    positions: [
      { id: 'both', name: 'both', engaged: ['a1', 'a2', 'b1'] },
      { id: 'two ranges', name: 'two ranges', engaged: ['a1', 'b1', 'b2'] },
      { id: 'one', name: 'one', engaged: ['a1', 'b1'] },
    ],
  };
  const { clicks, unreachable } = sequenceOf(overlapping)!;
  expect(unreachable).toEqual([{ position: 'two ranges', selector: 'ranges' }]);
  expect(clicks).toHaveLength(1);
  expect(clicks[0]!.moves).toEqual([{ selector: 'drum', from: { from: 4, to: 6 }, to: { from: 0, to: 4 } }]);
});

test('a train without selectors has no sequence', () => {
  expect(sequenceOf({ ...box, selectors: undefined })).toBeNull();
});
