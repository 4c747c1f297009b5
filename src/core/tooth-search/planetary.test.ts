import { runs } from '@/testing/runs';
import fc from 'fast-check';
import { checkDesign } from '../checks';
import type { Train } from '../train';
import { abs, compare, div, fraction, toFraction } from '../rational';
import { searchPlanetary } from './planetary';
import { fits, SET_MEMBERS, setRatio, type FoundSet, type SetMember, type SetShape } from './planetary-sets';
import { modelOf } from '../model';

/** The set as a train, one member driven, one giving out, one braked. */
function asTrain(
  { sun, planet, second, ring, copies }: FoundSet,
  input: SetMember,
  output: SetMember,
  held: SetMember,
  shape: SetShape = 'simple',
): Train {
  const twice = shape === 'double-pinion';
  return {
    format: 'tin-wheel/train',
    version: 1,
    name: 'A set for the brine lift',
    members: [
      ...SET_MEMBERS.map((id) => ({ id, name: id })),
      { id: 'planet', name: 'planet', carrier: 'carrier', copies },
      ...(twice ? [{ id: 'outer', name: 'outer', carrier: 'carrier', copies }] : []),
    ],
    gears: [
      { id: 's', member: 'sun', teeth: sun, type: 'external' },
      { id: 'p', member: 'planet', teeth: planet, type: 'external' },
      ...(shape === 'simple'
        ? []
        : [{ id: 'q', member: twice ? 'outer' : 'planet', teeth: second!, type: 'external' as const }]),
      { id: 'r', member: 'ring', teeth: ring, type: 'internal' },
    ],
    meshes: [
      { id: 'sp', gears: ['s', 'p'] },
      ...(twice ? [{ id: 'pq', gears: ['p', 'q'] as [string, string] }] : []),
      { id: 'pr', gears: [shape === 'simple' ? 'p' : 'q', 'r'] },
    ],
    couplers: [{ id: 'brake', name: 'brake', type: 'brake', joins: [held, 'frame'] }],
    positions: [{ id: '1', name: '1', engaged: ['brake'] }],
    input,
    outputs: [output],
  };
}

/** Its ratio, solved by the core that knows nothing of this search. */
const solved = (...asked: Parameters<typeof asTrain>) =>
  modelOf(asTrain(...asked))
    .positions()
    .get('1')!.ratio!;

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
    { numRuns: runs(200) },
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
  expect(results[0]).toMatchObject({ made: [{ sun: 24, planet: 24, ring: 72, copies: 3 }] });
  expect(toFraction(results[0]!.ratio)).toBe('4');
  // (24 + 72) / 4 is whole too: four stand evenly, but (24 + 24) sin 45° = 33.9 clears 26; five do not divide 96.
  expect(results.slice(0, 2).map(({ made }) => made[0]!.copies)).toEqual([3, 4]);
  expect(fits({ sun: 24, planet: 24, ring: 72, copies: 5 })).toBe(false);
  expect(fits({ sun: 12, planet: 60, ring: 132, copies: 3 })).toBe(true);
  expect(fits({ sun: 12, planet: 60, ring: 132, copies: 4 })).toBe(false);
});

test(
  'planets that fit do not touch: the distance of neighbours’ axes in the ' +
    'drawing’s own measure is more than two tip radii',
  () => {
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
      { numRuns: runs(300) },
    );
  },
);

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
      const question = {
        target,
        input,
        output,
        held,
        sun: [one.sun, one.sun + 8],
        planet: [one.planet, one.planet + 8],
        ring: [12, 200],
        copies: [3, 4],
        maxError: null,
        limit: one.limit,
      } as const;
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
        expect(toFraction(ratio)).toBe(toFraction(solved(made[0]!, input, output, held)));
    }),
    { numRuns: 40 },
  );
});

test('stepped planets and double pinions: the ratio is what the solved train gives', () => {
  const counts = fc.integer({ min: 6, max: 60 });
  fc.assert(
    fc.property(
      fc.tuple(counts, counts, counts, fc.integer({ min: 30, max: 200 })),
      roles,
      fc.constantFrom('stepped' as const, 'double-pinion' as const),
      ([sun, planet, second, ring], [input, output, held], shape) => {
        fc.pre(shape === 'stepped' || sun !== ring);
        const set = { sun, planet, second, ring, copies: 1 };
        expect(toFraction(setRatio(set, { input, output, shape }))).toBe(
          toFraction(solved(set, input, output, held, shape)),
        );
      },
    ),
    { numRuns: runs(200) },
  );
});

/**
 * Where every gear stands, in modules, with its tip radius: the arm at k/n of a turn, the outer planet by the sides of
 * the triangle.
 */
function standing({ sun, planet, second = planet, ring, copies }: FoundSet, shape: SetShape) {
  const inner = (sun + planet) / 2;
  const outer = (ring - second) / 2;
  const between = (planet + second) / 2;
  const lead = Math.acos((inner ** 2 + outer ** 2 - between ** 2) / (2 * inner * outer));
  return Array.from({ length: copies }, (_, k) => {
    const at = (radius: number, angle: number) => [radius * Math.cos(angle), radius * Math.sin(angle)] as const;
    const arm = (2 * Math.PI * k) / copies;
    const p = { plane: 1, tip: planet / 2 + 1, at: at(inner, arm), meets: 'sun' };
    if (shape === 'simple') return [p];
    return shape === 'stepped'
      ? [p, { plane: 2, tip: second / 2 + 1, at: at(inner, arm), meets: 'ring' }]
      : [p, { plane: 1, tip: second / 2 + 1, at: at(outer, arm + lead), meets: 'ring' }];
  });
}

test(
  'double pinions and stepped planets that fit touch nothing but what they ' +
    'mesh with, put on paper tooth tip by tooth tip',
  () => {
    const set = fc.record({
      sun: fc.integer({ min: 14, max: 50 }),
      planet: fc.integer({ min: 10, max: 36 }),
      second: fc.integer({ min: 10, max: 36 }),
      ring: fc.integer({ min: 60, max: 150 }),
      copies: fc.integer({ min: 2, max: 6 }),
    });
    const seen = { fits: 0, not: 0 };
    fc.assert(
      fc.property(set, fc.constantFrom('stepped' as const, 'double-pinion' as const), (drawn, shape) => {
        const one = shape === 'stepped' ? { ...drawn, ring: drawn.sun + drawn.planet + drawn.second } : drawn;
        const planets = standing(one, shape);
        const apart = (a: readonly [number, number], b: readonly [number, number]) =>
          Math.hypot(a[0] - b[0], a[1] - b[1]);
        const all = planets.flatMap((own, k) => own.map((gear) => ({ ...gear, k })));
        const clear = all.every((a, i) =>
          all.slice(i + 1).every((b) => a.k === b.k || a.plane !== b.plane || apart(a.at, b.at) > a.tip + b.tip),
        );
        const radius = ({ at }: (typeof all)[0]) => Math.hypot(...at);
        const centre =
          shape === 'stepped' ||
          all.every((gear) =>
            gear.meets === 'sun'
              ? radius(gear) + gear.tip < one.ring / 2 - 1
              : radius(gear) - gear.tip > one.sun / 2 + 1,
          );
        const drawable = all.every(({ at }) => at.every(Number.isFinite));
        // Each arm turned by k/n: the sun shows k S/n teeth more and the ring k R/n; what a planet's gears have to be
        // turned by must agree.
        const evenly =
          shape === 'double-pinion'
            ? (one.ring - one.sun) % one.copies === 0
            : Array.from({ length: one.copies }, (_, k) => k).every((k) =>
                Array.from({ length: one.planet }, (_, i) => (k * one.sun + one.copies * i) / one.planet).some(
                  (turned) => {
                    const off = ((one.second * turned + k * one.ring) / one.copies) % 1;
                    return Math.min(Math.abs(off), 1 - Math.abs(off)) < 1e-9;
                  },
                ),
              );
        const expected = drawable && clear && centre && evenly;
        seen[expected ? 'fits' : 'not']++;
        expect(fits(one, shape)).toBe(expected);
      }),
      { numRuns: runs(3000), seed: 14 },
    );
    expect(seen.fits).toBeGreaterThan(40);
  },
);

test('what the checks of a drawn train say about assembly and room is what the search says', () => {
  const counts = fc.integer({ min: 12, max: 40 });
  fc.assert(
    fc.property(
      fc.record({ sun: counts, planet: counts, second: counts, copies: fc.integer({ min: 2, max: 6 }) }),
      fc.constantFrom('simple' as const, 'stepped' as const),
      ({ sun, planet, second, copies }, shape) => {
        const set =
          shape === 'simple'
            ? { sun, planet, ring: sun + 2 * planet, copies }
            : { sun, planet, second, ring: sun + planet + second, copies };
        const found = checkDesign(asTrain(set, 'sun', 'carrier', 'ring', shape)).map(({ kind }) => kind);
        // The checks look at the planets beside the sun; the gears beside the ring are the search's own.
        if (fits(set, shape)) expect(found).not.toContain('collision');
        if (fits(set, shape)) expect(found).not.toContain('assembly');
        if (shape === 'simple')
          expect(fits(set)).toBe(
            !found.includes('assembly') && !found.includes('collision') && !found.includes('coaxial'),
          );
      },
    ),
    { numRuns: runs(300) },
  );
});

test.each(['stepped', 'double-pinion'] as const)('%s: the best of all is found', (shape) => {
  const question = {
    input: 'sun',
    output: 'carrier',
    held: 'ring',
    shape,
    sun: [14, 20],
    planet: [12, 18],
    second: [11, 16],
    ring: [40, 70],
    copies: [2, 4],
    maxError: null,
    limit: 4,
  } as const;
  for (const target of [fraction(4), fraction(53, 10), fraction(9, 7)]) {
    let best: ReturnType<typeof abs> | null = null;
    for (let sun = 14; sun <= 20; sun++)
      for (let planet = 12; planet <= 18; planet++)
        for (let second = 11; second <= 16; second++)
          for (let ring = 40; ring <= 70; ring++)
            for (let copies = 2; copies <= 4; copies++) {
              const set = { sun, planet, second, ring, copies };
              if (shape === 'stepped' && ring !== sun + planet + second) continue;
              if (!fits(set, shape)) continue;
              const ratio = abs(setRatio(set, { input: 'sun', output: 'carrier', shape }));
              const away = compare(ratio, target) >= 0 ? div(ratio, target) : div(target, ratio);
              if (best === null || compare(away, best) < 0) best = away;
            }
    const { results } = searchPlanetary({ ...question, target });
    const away = (ratio: ReturnType<typeof abs>) =>
      compare(ratio, target) >= 0 ? div(ratio, target) : div(target, ratio);
    expect(toFraction(away(results[0]!.size))).toBe(toFraction(best!));
    expect(toFraction(results[0]!.ratio)).toBe(
      toFraction(solved(results[0]!.made[0]!, 'sun', 'carrier', 'ring', shape)),
    );
  }
});

test('two sets in series: the nearest product of all pairs of sets', () => {
  const set = {
    input: 'sun',
    output: 'carrier',
    held: 'ring',
    sun: [14, 22],
    planet: [12, 20],
    ring: [30, 90],
    copies: [3, 3],
  } as const;
  const behind = { ...set, output: 'ring', held: 'carrier', sun: [15, 20] } as const;
  const all = (own: typeof set | typeof behind) =>
    Array.from({ length: 9 }, (_, i) => 14 + i)
      .filter((sun) => sun >= own.sun[0] && sun <= own.sun[1])
      .flatMap((sun) =>
        Array.from({ length: 9 }, (_, i) => ({ sun, planet: 12 + i, ring: sun + 24 + 2 * i, copies: 3 })),
      )
      .filter((one) => one.ring >= 30 && one.ring <= 90 && fits(one))
      .map((one) => abs(setRatio(one, own)));
  for (const target of [fraction(16), fraction(25, 2), fraction(333, 20)]) {
    const away = (ratio: ReturnType<typeof abs>) =>
      compare(ratio, target) >= 0 ? div(ratio, target) : div(target, ratio);
    const expected = all(set)
      .flatMap((a) => all(behind).map((b) => away(div(a, div(fraction(1), b)))))
      .sort(compare)[0]!;
    const { results, proven } = searchPlanetary({ ...set, behind, target, maxError: null, limit: 3 });
    expect(proven).toBe(true);
    expect(toFraction(away(results[0]!.size))).toBe(toFraction(expected));
    // A held carrier turns the ring the other way.
    expect(results[0]!.ratio.n).toBeLessThan(0);
  }
});

test('planets that do not go in evenly are told where they go, if that is wanted', () => {
  // 20 and 50: (20 + 80)/3 is not whole; of 100 places those nearest to thirds are 33 and 67.
  const one = {
    input: 'sun',
    output: 'carrier',
    held: 'ring',
    sun: [20, 20],
    planet: [30, 30],
    ring: [80, 80],
    copies: [3, 3],
  } as const;
  const question = { ...one, target: fraction(5), maxError: null, limit: 3 };
  expect(searchPlanetary(question).results).toEqual([]);
  const [found] = searchPlanetary({ ...question, uneven: true }).results;
  expect(found!.made[0]!.angles!.map(toFraction)).toEqual(['0', '33/100', '67/100']);
});

test('as many sets of one ratio are told as are asked for, all of them where there are fewer', () => {
  const span = [12, 70] as const;
  const asked = { input: 'sun', output: 'carrier', held: 'ring', sun: span, planet: span, ring: [12, 220] } as const;
  const question = { ...asked, copies: [2, 5], target: fraction(4), maxError: 0 } as const;
  // S + R over S is 4 where R = 3 S, so P = S: every S, with every number of planets that goes in and has room.
  let all = 0;
  for (let s = 12; s <= 70; s++)
    for (let n = 2; n <= 5; n++) if ((4 * s) % n === 0 && 2 * s * Math.sin(Math.PI / n) > s + 2) all++;
  expect(all).toBeGreaterThan(64);
  for (const limit of [20, 65, 100, 500]) {
    const found = searchPlanetary({ ...question, limit }).results.flatMap(({ made }) => made);
    expect([limit, found.length]).toEqual([limit, Math.min(limit, all)]);
  }
});
