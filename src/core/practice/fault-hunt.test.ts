import { demoTrain } from '@/testing/demo-train';
import { withFaults } from '../faults';
import { toFraction } from '../rational';
import { solveEngaged } from '../solve';
import { bestHunt, faultHunt, huntStanding, showingFaults } from '.';
import { modelOf } from '../model';

const TRAINS = ['pan-rake', 'mud-tram', 'stirrer', 'ferry-hub'] as const;

test.each(TRAINS)(
  'a hunt in the %s: the best tests lead to the bad part, and never more than there are faults',
  (name) => {
    const train = demoTrain(name);
    for (let seed = 1; seed <= 6; seed++) {
      const hunt = faultHunt(train, seed)!;
      const best = bestHunt(hunt);
      const { open, tests } = huntStanding(hunt, best.tests);
      expect(open).toContainEqual(hunt.secret);
      expect(best.alike).toEqual(open);
      expect(best.tests.length).toBeLessThan(hunt.possible.length);
      for (const test of tests) {
        expect(test.after).toBeLessThanOrEqual(test.before);
        expect(test.vain).toBe(false);
        // What it shows is what the train with that fault does, solved from its own document.
        const faulty = withFaults(train, [hunt.secret]);
        const solved = solveEngaged(modelOf(faulty.train).open, faulty.engaged(test.engaged));
        expect(test.outcome.ratio && toFraction(test.outcome.ratio)).toBe(
          solved.status === 'drive' ? toFraction(solved.ratio!) : null,
        );
      }
    }
  },
);

test(
  'the seed chooses, the teacher may; a test that is made twice, or that ' +
    'all suspects answer alike, teaches nothing',
  () => {
    const train = demoTrain('mud-tram');
    expect(faultHunt(train, 4)).toEqual(faultHunt(train, 4));
    const secrets = new Set([1, 2, 3, 4, 5, 6, 7, 8].map((seed) => JSON.stringify(faultHunt(train, seed)!.secret)));
    expect(secrets.size).toBeGreaterThan(2);
    const [named] = showingFaults(train);
    const hunt = faultHunt(train, 1, named)!;
    expect(hunt.secret).toBe(named);
    const { engaged } = train.positions[0]!;
    const { tests } = huntStanding(hunt, [engaged, engaged]);
    expect(tests.map(({ vain }) => vain)).toEqual([false, true]);
    expect(tests[1]!.before).toBe(tests[1]!.after);
  },
);

test('a train whose faults no position shows has nothing to hunt', () => {
  const train = demoTrain('mud-tram');
  expect(faultHunt({ ...train, positions: [] }, 1)).toBeNull();
});
