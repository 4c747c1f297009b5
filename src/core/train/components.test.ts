import fc from 'fast-check';
import { components } from '.';

test('what hangs together by links is one group, in the order given', () => {
  expect(
    components(
      ['a', 'b', 'c', 'd', 'e'],
      [
        ['d', 'b'],
        ['e', 'd'],
        ['a', 'a'],
      ],
    ),
  ).toEqual([['a'], ['b', 'd', 'e'], ['c']]);
});

test('links to what is not among the items are passed over', () => {
  expect(
    components(
      [1, 2],
      [
        [1, 3],
        [3, 2],
      ],
    ),
  ).toEqual([[1], [2]]);
});

test('two items are in one group just when a path of links joins them', () => {
  const items = [0, 1, 2, 3, 4, 5, 6, 7];
  const item = fc.integer({ min: 0, max: 7 });
  fc.assert(
    fc.property(fc.array(fc.tuple(item, item), { maxLength: 10 }), (links) => {
      // Another route: reachability by closing the table of links over itself.
      const reach = items.map((a) =>
        items.map((b) => a === b || links.some(([x, y]) => (x === a && y === b) || (x === b && y === a))),
      );
      for (const k of items)
        for (const i of items) for (const j of items) reach[i]![j] ||= reach[i]![k]! && reach[k]![j]!;
      const groups = components(items, links);
      expect(groups.flat().sort()).toEqual(items);
      for (const a of items)
        for (const b of items)
          expect(groups.some((group) => group.includes(a) && group.includes(b))).toBe(reach[a]![b]);
    }),
  );
});
