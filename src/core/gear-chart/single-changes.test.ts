import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { demoTrain } from '@/testing/demo-train';
import { networkOf } from '../kinematics';
import { toFraction } from '../rational';
import type { Train } from '../train';
import { chartOf, listCombinations, shiftBetween, singleChanges, tabulateCombinations } from '.';

const suggested = (train: Train) => {
  const rows = chartOf(train).rows.filter(({ solved }) => solved.status === 'drive');
  return { rows, found: singleChanges(train, rows, tabulateCombinations(networkOf(train))) };
};

const isHard = (train: Train, a: readonly string[], b: readonly string[]) => {
  const { off, on, verdict } = shiftBetween(
    train,
    { id: 'a', name: 'a', engaged: [...a] },
    { id: 'b', name: 'b', engaged: [...b] },
  );
  return off.length > 1 || on.length > 1 || verdict === 'blocked';
};

test('the tram’s direct drive in the wrong company: another set of the same ratio makes every shift single', () => {
  const train = demoTrain('mud-tram');
  // By hand: third with the front clutch instead of the hold is direct drive too, but then two go off and one comes on
  // to fourth.
  const positions = train.positions
    .filter(({ id }) => ['1', '2', '3', '4'].includes(id))
    .map((position) =>
      position.id === '3' ? { ...position, engaged: ['direct', 'forward', 'front clutch'] } : position,
    );
  const awkward = { ...train, positions };
  expect(isHard(awkward, positions[2]!.engaged, positions[3]!.engaged)).toBe(true);
  const { found } = suggested(awkward);
  expect(found!.hard).toEqual([]);
  const changed = found!.rows.filter(
    ({ engaged }, i) => [...engaged].join() !== [...positions[i]!.engaged].sort().join(),
  );
  expect(changed.map(({ position }) => position)).toEqual(['3']);
});

test('a chart that is single throughout is left as it is', () => {
  const train = demoTrain('harvester');
  const positions = train.positions.filter(({ id }) => /^[1-8]$/.test(id));
  const { found } = suggested({ ...train, positions });
  expect(found!.hard).toEqual([]);
  expect(found!.rows.map(({ engaged }) => engaged.join())).toEqual(
    positions.map(({ engaged }) => [...engaged].sort().join()),
  );
});

test('fewer than two rows have no shift', () => {
  const { found } = suggested(demoTrain('sluice-winch'));
  expect(found).toBeNull();
});

/** Every choice of one set of the row's ratio for each row. */
function* choices(sets: readonly (readonly (readonly string[])[])[]): Generator<readonly (readonly string[])[]> {
  const [first, ...rest] = sets;
  if (!first) return yield [];
  for (const one of first) for (const more of choices(rest)) yield [one, ...more];
}

test('of any train: each row keeps its ratio, and no choice among equal ratios has fewer hard shifts', () => {
  let better = 0;
  fc.assert(
    fc.property(
      arbitraryTrain({ oneWays: true, outputs: true, worms: true }),
      fc.array(fc.nat(), { minLength: 2, maxLength: 3 }),
      (train, picks) => {
        const driving = listCombinations(networkOf(train))!.filter(({ ratio }) => ratio !== null);
        if (driving.length === 0) return;
        const positions = picks.map((pick, i) => ({
          id: `p${i}`,
          name: `p${i}`,
          engaged: [...driving[pick % driving.length]!.engaged],
        }));
        const own = { ...train, positions };
        const { rows, found } = suggested(own);
        const equal = rows.map(({ solved }) =>
          driving.filter(({ ratio }) => toFraction(ratio!) === toFraction(solved.ratio!)).map(({ engaged }) => engaged),
        );
        if (equal.some(({ length }) => length > 10)) return;
        const hardIn = (sets: readonly (readonly string[])[]) =>
          sets.slice(1).filter((set, i) => isHard(own, sets[i]!, set)).length;
        const least = Math.min(...[...choices(equal)].map(hardIn));
        expect(found!.hard).toHaveLength(least);
        expect(hardIn(found!.rows.map(({ engaged }) => engaged))).toBe(least);
        found!.rows.forEach(({ engaged }, i) => expect(equal[i]!.map((set) => set.join())).toContain(engaged.join()));
        if (hardIn(positions.map(({ engaged }) => engaged)) > least) better++;
      },
    ),
    { numRuns: 80 },
  );
  // How often depends on the seed; of none the test would say nothing.
  expect(better).toBeGreaterThan(0);
});
