import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { demoTrain } from '@/testing/demo-train';
import { networkOf } from '../kinematics';
import { solveEngaged } from '../solve';
import type { Position, Train } from '../train';
import { listCombinations, neighbouringShifts, shiftBetween } from '.';
import { modelOf } from '../model';

test('rows that lock, are neutral or run in reverse have no part in it', () => {
  const ends = neighbouringShifts(demoTrain('pan-rake')).flatMap(({ from, to }) => [from.id, to.id]);
  expect(ends).not.toContain('R');
  expect(ends).not.toContain('N');
  expect(ends).not.toContain('1+2');
});

/** Two sets of a random train's couplers as positions. */
const pairs = fc
  .tuple(arbitraryTrain({ oneWays: true, outputs: true, worms: true }), fc.nat(), fc.nat())
  .map(([train, a, b]): [Train, Position, Position] => {
    const sets = listCombinations(networkOf(train))!;
    const position = (id: string, at: number): Position => ({
      id,
      name: id,
      engaged: [...sets[at % sets.length]!.engaged],
    });
    return [train, position('a', a), position('b', b)];
  });

function* orders(items: readonly string[]): Generator<readonly string[]> {
  if (items.length === 0) yield [];
  for (const item of items) for (const rest of orders(items.filter((other) => other !== item))) yield [item, ...rest];
}

test('every set between and every verdict is what going through all orders of moving gives', () => {
  const seen = new Set<string>();
  fc.assert(
    fc.property(pairs, ([train, from, to]) => {
      const shift = shiftBetween(train, from, to);
      const moving = [...shift.off, ...shift.on];
      if (moving.length > 5) return;
      const open = modelOf(train).open;
      const passed = new Map<string, string>();
      // Another route: each order by itself, one element after the other.
      const free = [...orders(moving)].some((order) => {
        let engaged = new Set(from.engaged);
        return order
          .slice(0, -1)
          .map((id) => {
            engaged = new Set(engaged);
            if (engaged.has(id)) engaged.delete(id);
            else engaged.add(id);
            const { status } = solveEngaged(open, engaged);
            passed.set([...engaged].sort().join(), status);
            return status;
          })
          .every((status) => status !== 'locked');
      });
      const ends = [from, to].map(({ engaged }) => solveEngaged(open, engaged).status);
      expect(shift.verdict === 'blocked').toBe(!free || ends.includes('locked'));
      // An early order that goes through leaves others untried; what was passed is among what is told.
      const between = new Map(shift.between.map(({ engaged, solved }) => [engaged.join(), solved.status as string]));
      for (const [engaged, status] of passed) expect(between.get(engaged)).toBe(status);
      expect(shift.between).toHaveLength(Math.max(0, 2 ** moving.length - 2));
      const counts = shift.between.map(({ engaged }) => engaged.length);
      expect(counts).toEqual([...counts].sort((a, b) => a - b));
      if (shift.verdict === 'by-itself') expect(moving).toHaveLength(1);
      if (shift.verdict === 'double') expect(Math.max(shift.off.length, shift.on.length)).toBeGreaterThan(1);
      seen.add(shift.verdict);
    }),
    { numRuns: 400 },
  );
  expect([...seen].sort()).toEqual(['blocked', 'by-itself', 'double', 'single']);
});

test('too many elements are refused by name, not looked through', () => {
  const train = demoTrain('range-box');
  const engaged = train.couplers.map(({ id }) => id);
  const many = {
    ...train,
    couplers: [...train.couplers, ...train.couplers.map((one) => ({ ...one, id: `${one.id}'` }))],
  };
  const all = { id: 'all', name: 'all', engaged: [...engaged, ...engaged.map((id) => `${id}'`)] };
  expect(() => shiftBetween(many, { id: 'none', name: 'none', engaged: [] }, all)).toThrow(
    /"none" to "all" \d+ elements/,
  );
});
