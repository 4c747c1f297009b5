import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { partsById, type Train } from '../train';
import { helixHands } from '.';

/** Does each pair have hands that mesh: opposite outside, the same in a ring? */
const mesh = (train: Train, hands: ReadonlyMap<string, number>): boolean =>
  train.meshes.every(({ gears: [a, b] }) => {
    const inRing = [a, b].some((id) => partsById(train).gear(id).type === 'internal');
    return hands.get(a)! * hands.get(b)! > 0 === inRing;
  });

test('wherever hands can mesh, these do: found again by trying all', () => {
  let possible = 0;
  fc.assert(
    fc.property(arbitraryTrain({ outputs: true, planetsOnPlanets: true }), (train) => {
      const hands = helixHands(train);
      expect(new Set(hands.keys())).toEqual(new Set(train.gears.map(({ id }) => id)));
      if (train.gears.length > 11) return;
      const any = Array.from(
        { length: 1 << train.gears.length },
        (_, bits) => new Map(train.gears.map(({ id }, i) => [id, bits & (1 << i) ? 1 : -1])),
      ).some((tried) => mesh(train, tried));
      expect(mesh(train, hands)).toBe(any);
      if (any) possible++;
    }),
    { numRuns: 60 },
  );
  expect(possible).toBeGreaterThan(0);
});

test('the first gear of each train of gears is right-handed', () => {
  fc.assert(
    fc.property(arbitraryTrain(), (train) => {
      const [first] = train.gears;
      if (first) expect(helixHands(train).get(first.id)).toBe(1);
    }),
  );
});
