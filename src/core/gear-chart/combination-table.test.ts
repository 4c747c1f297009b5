import { runs } from '@/testing/runs';
import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { demoTrain } from '@/testing/demo-train';
import { networkOf } from '../kinematics';
import { parseRational, toFraction, toNumber } from '../rational';
import {
  countByStatus,
  engagedIn,
  groupCombinations,
  listCombinations,
  lockCauses,
  missingForward,
  numberOf,
  ratioOfCombination,
  statusAt,
  tabulateCombinations,
  type CombinationFilter,
  type CombinationTable,
} from '.';

const any = arbitraryTrain({ oneWays: true, outputs: true, worms: true });
const numbers = ({ codes }: CombinationTable) => Array.from(codes, (_, number) => number);

test('the table holds what the list holds, for every train', () => {
  fc.assert(
    fc.property(any, (train) => {
      const network = networkOf(train);
      const table = tabulateCombinations(network);
      const list = listCombinations(network)!;
      expect(table.done).toBe(list.length);
      for (const { engaged, status, ratio } of list) {
        const number = numberOf(table, engaged);
        expect(engagedIn(table, number)).toEqual(engaged);
        expect([statusAt(table, number), ratioOfCombination(table, number)]).toEqual([
          status,
          ratio && toFraction(ratio),
        ]);
      }
      const counts = countByStatus(table);
      for (const status of ['drive', 'split', 'neutral', 'held', 'locked'] as const)
        expect(counts[status]).toBe(list.filter((one) => one.status === status).length);
    }),
    { numRuns: runs(100) },
  );
});

test('what has been found so far is told on the way, each time more, and what was told stays as it was', () => {
  const told: CombinationTable[] = [];
  const train = demoTrain('harvester');
  const couplers = [
    ...train.couplers,
    ...Array.from({ length: 8 }, (_, i) => ({
      id: `x${i}`,
      name: '',
      type: 'brake' as const,
      joins: [train.input, 'frame'] as [string, string],
    })),
  ];
  const whole = tabulateCombinations(
    networkOf({ ...train, couplers }),
    (table) => told.push(table),
    () => true,
  );
  expect(told.length).toBeGreaterThan(0);
  const last = told.at(-1)!;
  expect(last.done).toBeLessThan(whole.done);
  expect(last.codes.filter((code) => code > 0)).toHaveLength(last.done);
  for (const number of numbers(last))
    if (statusAt(last, number)) expect(statusAt(last, number)).toBe(statusAt(whole, number));
});

/** Another way to the same choice: sentence by sentence, over ids instead of bits. */
function wanted(table: CombinationTable, number: number, filter: CombinationFilter): boolean {
  const engaged = engagedIn(table, number);
  const ratio = ratioOfCombination(table, number);
  const size = ratio === null ? null : Math.abs(toNumber(parseRational(ratio)!));
  if (filter.status && statusAt(table, number) !== filter.status) return false;
  if (engaged.length < (filter.fewest ?? 0) || engaged.length > (filter.most ?? 99)) return false;
  if (filter.ratioFrom !== undefined && !(size !== null && size >= filter.ratioFrom)) return false;
  if (filter.ratioTo !== undefined && !(size !== null && size <= filter.ratioTo)) return false;
  if (filter.way && !(ratio !== null && ratio.startsWith('-') === (filter.way === 'reverse'))) return false;
  if (filter.except?.some((other) => [...other].sort().join() === engaged.join())) return false;
  if (ratio !== null && filter.exceptRatios?.includes(ratio)) return false;
  if (filter.without?.some((id) => engaged.includes(id))) return false;
  if (filter.with && !filter.with.every((id) => engaged.includes(id))) return false;
  const near = filter.oneChangeFrom;
  if (!near) return true;
  const off = near.filter((id) => !engaged.includes(id)).length;
  const on = engaged.filter((id) => !near.includes(id)).length;
  return off <= 1 && on <= 1 && off + on > 0;
}

/** One to three conditions at once, so that most filters let something through. */
const filters: fc.Arbitrary<(couplers: readonly string[]) => CombinationFilter> = fc
  .tuple(
    fc.record({
      status: fc.constantFrom('drive' as const, 'neutral' as const, 'locked' as const),
      fewest: fc.integer({ min: 0, max: 3 }),
      most: fc.integer({ min: 0, max: 5 }),
      ratioFrom: fc.integer({ min: 0, max: 12 }).map((quarters) => quarters / 4),
      ratioTo: fc.integer({ min: 0, max: 36 }).map((quarters) => quarters / 4),
      way: fc.constantFrom('same way' as const, 'reverse' as const),
      except: fc.array(fc.nat(63), { maxLength: 5 }),
      exceptRatios: fc.constant(['1', '-1', '2']),
      oneChangeFrom: fc.nat(63),
      without: fc.nat(7),
      with: fc.nat(7),
    }),
    fc.uniqueArray(
      fc.constantFrom(
        'status',
        'fewest',
        'most',
        'ratioFrom',
        'ratioTo',
        'way',
        'except',
        'exceptRatios',
        'oneChangeFrom',
        'without',
        'with',
      ),
      { minLength: 1, maxLength: 3 },
    ),
  )
  .map(([recipe, keys]) => (couplers: readonly string[]) => {
    const ids = (bits: number) => couplers.filter((_, k) => bits & (1 << k));
    const whole = {
      ...recipe,
      except: recipe.except.map(ids),
      oneChangeFrom: ids(recipe.oneChangeFrom),
      without: ids(recipe.without),
      with: ids(recipe.with),
    };
    return Object.fromEntries(
      Object.entries(whole).filter(([key]) => keys.some((one) => one === key)),
    ) as CombinationFilter;
  });

test(
  'every filter lets through what its words say, each once, in groups of ' +
    'one ratio or status, fewest engaged first',
  () => {
    let through = 0;
    fc.assert(
      fc.property(any, filters, (train, make) => {
        const table = tabulateCombinations(networkOf(train));
        const filter = make(table.couplers);
        const groups = groupCombinations(table, filter);
        const found = groups.flatMap((group) => group.numbers);
        expect([...found].sort((a, b) => a - b)).toEqual(
          numbers(table).filter((number) => wanted(table, number, filter)),
        );
        expect(new Set(groups.map(({ status, ratio }) => ratio ?? status)).size).toBe(groups.length);
        const sizes = groups.map(({ ratio }) => (ratio ? Math.abs(toNumber(parseRational(ratio)!)) : -1));
        expect(sizes).toEqual([...sizes].sort((a, b) => b - a));
        for (const { numbers: own, status, ratio } of groups) {
          const counts = own.map((number) => engagedIn(table, number).length);
          expect(counts).toEqual([...counts].sort((a, b) => a - b));
          expect(
            own.every((number) => statusAt(table, number) === status && ratioOfCombination(table, number) === ratio),
          ).toBe(true);
        }
        through += found.length;
      }),
      { numRuns: runs(300) },
    );
    expect(through).toBeGreaterThan(runs(150));
  },
);

test('the causes of lock-ups are the locked sets of which every smaller part is free, and each lock-up has one', () => {
  let causes = 0;
  fc.assert(
    fc.property(any, (train) => {
      const list = listCombinations(networkOf(train))!;
      const locked = list.filter(({ status }) => status === 'locked').map(({ engaged }) => engaged);
      const within = (part: readonly string[], whole: readonly string[]) => part.every((id) => whole.includes(id));
      const smallest = locked.filter((set) => !locked.some((other) => other.length < set.length && within(other, set)));
      const table = tabulateCombinations(networkOf(train));
      const found = lockCauses(table);
      expect(found.map(({ number }) => engagedIn(table, number).join()).sort()).toEqual(
        smallest.map((set) => set.join()).sort(),
      );
      for (const { number, kills } of found)
        expect(kills).toBe(locked.filter((set) => within(engagedIn(table, number), set)).length);
      for (const set of locked) expect(found.some(({ number }) => within(engagedIn(table, number), set))).toBe(true);
      causes += found.length;
    }),
    { numRuns: runs(150) },
  );
  expect(causes).toBeGreaterThan(runs(50));
});

test('forward ratios that a chart lacks are found: the tram’s overdrive where its row is left out', () => {
  const train = demoTrain('mud-tram');
  const network = networkOf(train);
  const table = tabulateCombinations(network);
  const list = listCombinations(network)!;
  const forward = list.flatMap(({ ratio }) => (ratio && toNumber(ratio) > 0 ? [toFraction(ratio)] : []));
  const listed = list
    .filter(({ engaged }) => train.positions.some((position) => [...position.engaged].sort().join() === engaged.join()))
    .flatMap(({ ratio }) => (ratio ? [toFraction(ratio)] : []));
  const missing = missingForward(table, listed);
  expect([...missing].sort()).toEqual([...new Set(forward)].filter((ratio) => !listed.includes(ratio)).sort());
  // Without its last row the chart lacks the overdrive, 13/18, and nothing else.
  expect(missingForward(table, listed)).toEqual([]);
  expect(
    missingForward(
      table,
      listed.filter((ratio) => ratio !== '13/18'),
    ),
  ).toEqual(['13/18']);
});
