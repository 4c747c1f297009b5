import fc from 'fast-check';
import { arranged, turnsSameWay } from './arranged';
import { pairingsOf } from './pairings';
import { stageChoices } from './stage-choices';
import { leastWithoutUndercut, wheelsWithin, type WheelLimits } from './wheel-limits';

const ends = (limits: WheelLimits) => {
  const found = wheelsWithin(limits);
  if (!found.ok) return found.problems[0].message;
  const { wheels, least, most } = found.value;
  return [wheels[0], wheels.at(-1), least, most];
};

test('the smallest and the largest wheel, and what decides them', () => {
  expect(ends({ min: 12, max: 60 })).toEqual([12, 60, '12, from the smallest wheel', '60, from the largest wheel']);
  // Root diameter 2 (z − 2.5) ≥ 22 + 2·3 asks for 16.5 teeth.
  expect(ends({ min: 12, max: 60, module: 2, bore: 22, wall: 3 })).toEqual([
    17,
    60,
    '17, from the bore of 22 mm with walls of 3 mm',
    '60, from the largest wheel',
  ]);
  // Exactly on the limit: 2 (17 − 2.5) = 29 and 2 (43 + 2) = 90.
  expect(ends({ min: 12, max: 60, module: 2, bore: 29, space: 90 })).toEqual([
    17,
    43,
    '17, from the bore of 29 mm',
    '43, from the space of 90 mm',
  ]);
  expect(ends({ min: 12, max: 60, undercut: { pressureAngle: 20, shift: 0 } })).toEqual([
    17,
    60,
    '17, from undercut at 20°',
    '60, from the largest wheel',
  ]);
  expect(ends({ stock: [40, 20, 20, 30], min: 25 })).toEqual([30, 40, '30 in stock', '40 in stock']);
});

test.each([
  [20, 0, 17],
  [20, 0.25, 12],
  [25, 0, 11],
  [14.5, 0, 31],
])('at %d° with a shift of %d wheels are undercut below %d', (pressureAngle, shift, least) => {
  expect(leastWithoutUndercut({ pressureAngle, shift })).toBe(least);
});

test('limits that leave nothing are named, both of them', () => {
  expect(ends({ min: 12, max: 100, module: 1, bore: 60, space: 40 })).toMatch(
    /the bore of 60 mm asks for at least 63 teeth, the space of 40 mm allows at most 38/,
  );
  expect(ends({ stock: [10, 12], min: 20 })).toMatch(/No wheel in stock has 20/);
  expect(ends({ min: 12, max: 40, bore: 20 })).toMatch(/Give the module/);
  expect(ends({ min: 1, max: 5000 })).toMatch(/too many to cover/);
});

test('what so many stages mean: by hand for 64', () => {
  const [one, two, three] = stageChoices(64, 15, 0.98);
  expect(one).toMatchObject({ stages: 1, perStage: 64, largestWheel: 960, meshes: 1 });
  expect(two).toMatchObject({ perStage: 8, largestWheel: 120 });
  expect(three!.perStage).toBeCloseTo(4, 12);
  expect(three).toMatchObject({ largestWheel: 60, meshes: 3 });
  expect(three!.kept).toBeCloseTo(0.98 ** 3, 15);
  // Speeding up asks for the same wheels.
  expect(stageChoices(1 / 64, 15, 0.98)[1]).toMatchObject({ largestWheel: 120 });
});

test('pairings: every way to hand the driven wheels out, each once, all with the same product', () => {
  const wheels = fc.array(fc.integer({ min: 6, max: 12 }), { minLength: 2, maxLength: 4 });
  fc.assert(
    fc.property(wheels, wheels, (a, b) => {
      const count = Math.min(a.length, b.length);
      const chain = a.slice(0, count).map((driver, i) => [driver, b[i]!] as const);
      const seen = new Set<string>();
      const go = (driven: number[], left: number[]) => {
        if (left.length === 0)
          seen.add(
            chain
              .map(([driver], i) => `${driver}/${driven[i]}`)
              .sort()
              .join(' '),
          );
        left.forEach((wheel, i) =>
          go(
            [...driven, wheel],
            left.filter((_, k) => k !== i),
          ),
        );
      };
      go(
        [],
        chain.map(([, driven]) => driven),
      );
      const found = pairingsOf(chain).map((one) =>
        one
          .map((pair) => pair.join('/'))
          .sort()
          .join(' '),
      );
      expect([...found].sort()).toEqual([...seen].sort());
    }),
  );
});

test('the way of turning: as it is, by a wheel with its teeth inside, or by an idler', () => {
  const chain = [
    [12, 60],
    [15, 20],
  ] as const;
  expect(turnsSameWay(chain)).toBe(true);
  expect(arranged(chain, 'same', true)).toEqual({ chain, idler: false });
  expect(arranged(chain, 'opposite', false)).toEqual({ chain, idler: true });
  // 60 − 12 is room enough; 20 − 15 would not be.
  expect(arranged(chain, 'opposite', true)).toEqual({
    chain: [
      [12, 60, 'internal'],
      [15, 20],
    ],
    idler: false,
  });
  expect(arranged([[15, 20]], 'same', true)).toEqual({ chain: [[15, 20]], idler: true });
});

test('whatever is being typed, there are wheels of whole counts, or it is said why there are none', () => {
  const typed = fc.option(
    fc.oneof(
      fc.integer({ min: -5, max: 200 }),
      fc.double(),
      // As a form hands on what is no number yet, to be refused at its field.
      fc.constantFrom('NaN', '12 and', '-', '1e').map((text) => text as unknown as number),
    ),
    { nil: undefined },
  );
  const limits = fc.record({ min: typed, max: typed, module: typed, bore: typed, wall: typed, space: typed });
  fc.assert(
    fc.property(limits, (given) => {
      const found = wheelsWithin(given);
      if (!found.ok) return expect(found.problems[0].message).toMatch(/\w+ .*\.$/);
      expect(found.value.wheels.length).toBeGreaterThan(0);
      for (const teeth of found.value.wheels) expect(Number.isInteger(teeth)).toBe(true);
    }),
    { numRuns: 2000 },
  );
});
