import fc from 'fast-check';
import type { Train } from '../train';
import { networkOf } from '../kinematics';
import { abs, compare, div, fraction, toFraction } from '../rational';
import { solvePositions } from '../solve';
import { fits, SET_MEMBERS, setRatio, searchPlanetary, type PlanetarySet, type SetMember } from './planetary';

/** The set as a train, one member driven, one giving out, one braked: solved by the core that knows nothing of this search. */
function solved({ sun, planet, ring, copies }: PlanetarySet, input: SetMember, output: SetMember, held: SetMember) {
  const train: Train = {
    format: 'tin-wheel/train',
    version: 1,
    name: 'A set for the brine lift',
    members: [
      ...SET_MEMBERS.map((id) => ({ id, name: id })),
      { id: 'planet', name: 'planet', carrier: 'carrier', copies },
    ],
    gears: [
      { id: 's', member: 'sun', teeth: sun, type: 'external' },
      { id: 'p', member: 'planet', teeth: planet, type: 'external' },
      { id: 'r', member: 'ring', teeth: ring, type: 'internal' },
    ],
    meshes: [
      { id: 'sp', gears: ['s', 'p'] },
      { id: 'pr', gears: ['p', 'r'] },
    ],
    couplers: [{ id: 'brake', name: 'brake', type: 'brake', joins: [held, 'frame'] }],
    positions: [{ id: '1', name: '1', engaged: ['brake'] }],
    input,
    outputs: [output],
  };
  return solvePositions(networkOf(train)).get('1')!.ratio!;
}

const roles = fc.shuffledSubarray([...SET_MEMBERS], { minLength: 3 }) as fc.Arbitrary<
  [SetMember, SetMember, SetMember]
>;

test('the ratio of a set, whichever member is held, is what the solved train gives', () => {
  const sets = fc.tuple(fc.integer({ min: 6, max: 90 }), fc.integer({ min: 6, max: 90 }));
  fc.assert(
    fc.property(sets, roles, ([sun, planet], [input, output, held]) => {
      const set = { sun, planet, ring: sun + 2 * planet, copies: 1 };
      expect(toFraction(setRatio(set, { input, output }))).toBe(toFraction(solved(set, input, output, held)));
    }),
    { numRuns: 200 },
  );
});

test('by hand: 24 and 48 for 4, three planets; four do not stand evenly, and large planets leave no room', () => {
  // Sun driven, ring held: 1 + R/S = 1 + 72/24.
  const { results } = searchPlanetary({
    target: fraction(4),
    input: 'sun',
    output: 'carrier',
    held: 'ring',
    sun: [24, 24],
    planet: [12, 60],
    ring: [12, 200],
    copies: [3, 5],
    maxError: null,
    limit: 5,
  });
  expect(results[0]).toMatchObject({ made: { sun: 24, planet: 24, ring: 72, copies: 3 } });
  expect(toFraction(results[0]!.ratio)).toBe('4');
  // (24 + 72) / 4 is whole too: four stand evenly, but (24 + 24) sin 45° = 33.9 clears 26; five do not divide 96.
  expect(results.slice(0, 2).map(({ made }) => made.copies)).toEqual([3, 4]);
  expect(fits({ sun: 24, planet: 24, ring: 72, copies: 5 })).toBe(false);
  expect(fits({ sun: 12, planet: 60, ring: 132, copies: 3 })).toBe(true);
  expect(fits({ sun: 12, planet: 60, ring: 132, copies: 4 })).toBe(false);
});

test('planets that fit do not touch: the distance of neighbours’ axes in the drawing’s own measure is more than two tip radii', () => {
  const sets = fc.record({
    sun: fc.integer({ min: 8, max: 60 }),
    planet: fc.integer({ min: 8, max: 60 }),
    copies: fc.integer({ min: 2, max: 8 }),
  });
  fc.assert(
    fc.property(sets, ({ sun, planet, copies }) => {
      const set = { sun, planet, ring: sun + 2 * planet, copies };
      // In modules: the axes stand on a circle of (S + P)/2; a planet's tip circle has the radius (P + 2)/2.
      const [a, b] = [0, (2 * Math.PI) / copies].map((angle) =>
        [Math.cos(angle), Math.sin(angle)].map((part) => (part * (sun + planet)) / 2),
      );
      const apart = Math.hypot(a![0]! - b![0]!, a![1]! - b![1]!);
      if ((sun + set.ring) % copies === 0) expect(fits(set)).toBe(apart > planet + 2);
      else expect(fits(set)).toBe(false);
    }),
    { numRuns: 300 },
  );
});

test('every search lists what going through everything lists, nearest first', () => {
  const spans = fc.record({
    sun: fc.integer({ min: 12, max: 30 }),
    planet: fc.integer({ min: 12, max: 30 }),
    target: fc.tuple(fc.integer({ min: 1, max: 90 }), fc.integer({ min: 1, max: 30 })),
    limit: fc.integer({ min: 1, max: 30 }),
  });
  fc.assert(
    fc.property(spans, roles, (one, [input, output, held]) => {
      const target = div(fraction(one.target[0]), fraction(one.target[1]));
      const question = { target, input, output, held, sun: [one.sun, one.sun + 8], planet: [one.planet, one.planet + 8], ring: [12, 200], copies: [3, 4], maxError: null, limit: one.limit } as const; // prettier-ignore
      const away = (ratio: ReturnType<typeof abs>) =>
        compare(ratio, target) >= 0 ? div(ratio, target) : div(target, ratio);
      const all: ReturnType<typeof abs>[] = [];
      let examined = 0;
      for (let sun = one.sun; sun <= one.sun + 8; sun++)
        for (let planet = one.planet; planet <= one.planet + 8; planet++)
          for (const copies of [3, 4]) {
            const ring = sun + 2 * planet;
            if (ring > 200) continue;
            examined++;
            const room = (sun + planet) * Math.sin(Math.PI / copies) > planet + 2;
            if ((sun + ring) % copies === 0 && room)
              all.push(away(abs(solved({ sun, planet, ring, copies }, input, output, held))));
          }
      const answer = searchPlanetary(question);
      expect(answer.examined).toBe(examined);
      const expected = all.sort(compare).slice(0, one.limit).map(toFraction);
      expect(answer.results.map(({ size }) => toFraction(away(size)))).toEqual(expected);
      for (const { ratio, made } of answer.results)
        expect(toFraction(ratio)).toBe(toFraction(solved(made, input, output, held)));
    }),
    { numRuns: 40 },
  );
});
