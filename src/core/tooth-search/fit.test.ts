import { runs } from '@/testing/runs';
import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { countershaftBox } from '@/testing/countershaft-box';
import { demoTrain } from '@/testing/demo-train';
import { networkOf } from '../kinematics';
import { div, fraction, parseRational, toFraction, toNumber, type Rational } from '../rational';
import { solveEngaged } from '../solve';
import { listCombinations } from '../gear-chart';
import type { Train } from '../train';
import { setConditions } from './fit-conditions';
import { searchFit, type FitQuestion } from './fit';
import { watchOf } from './watch';
import { ratioFunction } from './ratio-function';
import { modelOf } from '../model';

const withCounts = (train: Train, counts: readonly number[]): Train => ({
  ...train,
  gears: train.gears.map((gear, i) => ({ ...gear, teeth: counts[i]! })),
});

test('the ratio as a function of the counts is what the core solves, for every kind of train and other counts', () => {
  let compared = 0;
  const any = arbitraryTrain({ oneWays: true, outputs: true, worms: true });
  fc.assert(
    fc.property(
      any,
      fc.nat(),
      fc.array(fc.integer({ min: 9, max: 90 }), { minLength: 20, maxLength: 20 }),
      (train, pick, more) => {
        const driving = listCombinations(networkOf(train))!.filter(({ status }) => status === 'drive');
        if (driving.length === 0) return;
        const { engaged } = driving[pick % driving.length]!;
        const solved = solveEngaged(modelOf(train).open, engaged);
        const of = ratioFunction(solved);
        const now = train.gears.map(({ teeth }) => teeth);
        expect(of(now)).toBeCloseTo(toNumber(solved.ratio!), 6);
        const other = now.map((teeth, i) => more[i % more.length]! + (teeth > 60 ? 60 : 0));
        const again = solveEngaged(modelOf(withCounts(train, other)).open, engaged);
        const alike = [...solved.state.oneWays].every(([id, does]) => again.state.oneWays.get(id) === does);
        const value = of(other);
        if (
          !again.ratio ||
          !alike ||
          again.state.joints.length !== solved.state.joints.length ||
          !Number.isFinite(value)
        )
          return;
        compared++;
        expect(Math.abs(value / toNumber(again.ratio) - 1)).toBeLessThan(1e-7);
      },
    ),
    { numRuns: runs(300) },
  );
  expect(compared).toBeGreaterThan(runs(60));
});

const ratioOf = (train: Train, id: string): Rational => modelOf(train).positions().get(id)!.ratio!;

test('of a two-speed box: what going through every choice finds, in the same places', () => {
  const box = countershaftBox([
    [
      [20, 40],
      [30, 30],
    ],
    [[20, 50]],
  ]);
  const [a, b, c] = ['a1 driven', 'a2 driver', 'b1 driven'];
  fc.assert(
    fc.property(
      fc.integer({ min: 30, max: 90 }),
      fc.integer({ min: 10, max: 60 }),
      fc.constantFrom('any' as const, 'required' as const),
      (low, high, coprime) => {
        const question: FitQuestion = {
          train: box,
          free: new Map([
            [a!, [36, 42]],
            [b!, [27, 32]],
            [c!, [48, 53]],
          ]),
          targets: new Map([
            ['1', { ratio: div(fraction(low), fraction(10)), weight: 1 }],
            ['2', { ratio: div(fraction(high), fraction(10)), weight: 2 }],
          ]),
          coprime,
          limit: 6,
        };
        const gcd = (x: number, y: number): number => (y === 0 ? x : gcd(y, x % y));
        const found: number[] = [];
        let examined = 0;
        for (let x = 36; x <= 42; x++)
          for (let y = 27; y <= 32; y++)
            for (let z = 48; z <= 53; z++) {
              if (coprime === 'required' && [gcd(20, x), gcd(y, 30), gcd(20, z)].some((common) => common > 1)) continue;
              examined++;
              // By hand: first is x/20 · z/20, second 30/y · z/20.
              const [first, second] = [(x * z) / 400, (30 * z) / (20 * y)];
              found.push(Math.max(Math.abs(first / (low / 10) - 1), 2 * Math.abs(second / (high / 10) - 1)));
            }
        const answer = searchFit(question);
        expect(answer).toMatchObject({ proven: true, examined });
        const expected = found.sort((p, q) => p - q).slice(0, 6);
        expect(answer.results.map(({ worst }) => worst)).toEqual(expected.map((worst) => expect.closeTo(worst, 10)));
        for (const { teeth, ratios } of answer.results) {
          const counts = box.gears.map((gear) => teeth.get(gear.id) ?? gear.teeth);
          for (const [id, ratio] of ratios)
            expect(toFraction(ratioOf(withCounts(box, counts), id))).toBe(toFraction(ratio));
        }
      },
    ),
    { numRuns: runs(40) },
  );
});

test('sets stay sets: the ring follows sun and planet, and planets go on standing evenly', () => {
  const train = demoTrain('stirrer');
  const [condition] = setConditions(train);
  const at = (place: number | undefined) => train.gears[place!]!.id;
  const [sunAt, planetAt, ringAt] = condition!.gears;
  const { copies } = train.members.find(({ id }) => id === train.gears[planetAt!]!.member)!;
  const { results, proven } = searchFit({
    train,
    free: new Map([
      [at(sunAt), [18, 40]],
      [at(planetAt), [18, 40]],
      [at(ringAt), [40, 160]],
    ]),
    targets: new Map([['slow', { ratio: parseRational('3.6')!, weight: 1 }]]),
    coprime: 'any',
    limit: 5,
  });
  expect(proven).toBe(true);
  // By hand: 1 + R/S = 3.6 asks for R = 2.6 S, so S = 20, R = 52, P = 16 is too small a planet; S = 30, R = 78, P = 24
  // fits three planets.
  expect(results[0]!.worst).toBe(0);
  for (const { teeth } of results) {
    const [sun, planet, ring] = [sunAt, planetAt, ringAt].map((place) => teeth.get(at(place))!);
    expect(sun! + 2 * planet!).toBe(ring);
    expect((sun! + ring!) % copies!).toBe(0);
  }
});

test('the harvester’s eight ratios moved to another ladder: better than before, sets whole, not called proven', () => {
  const train = demoTrain('harvester');
  const forward = train.positions.filter(({ id }) => /^[1-8]$/.test(id));
  // A ladder of even steps from 4.5 to 0.7.
  const wanted = new Map(
    forward.map(
      ({ id }, i) => [id, { ratio: parseRational((4.5 * (0.7 / 4.5) ** (i / 7)).toFixed(6))!, weight: 1 }] as const,
    ),
  );
  const free = new Map(train.gears.map(({ id, teeth }) => [id, [Math.max(12, teeth - 8), teeth + 8] as const]));
  const { results, proven } = searchFit({ train, free, targets: wanted, coprime: 'any', limit: 3, tries: 15_000 });
  const before = Math.max(
    ...forward.map(({ id }) => Math.abs(toNumber(ratioOf(train, id)) / toNumber(wanted.get(id)!.ratio) - 1)),
  );
  expect(proven).toBe(false);
  expect(results[0]!.worst).toBeLessThan(before);
  const counts = train.gears.map((gear) => results[0]!.teeth.get(gear.id)!);
  expect(setConditions(withCounts(train, counts))).toHaveLength(setConditions(train).length);
  for (const { id } of forward)
    expect(toFraction(ratioOf(withCounts(train, counts), id))).toBe(toFraction(results[0]!.ratios.get(id)!));
});

test('free counts stay within their limits, also where the present ones lie outside', () => {
  const box = countershaftBox([
    [
      [20, 40],
      [30, 30],
    ],
    [[20, 50]],
  ]);
  const free = new Map([
    ['a1 driven', [44, 48] as const],
    ['b1 driven', [20, 30] as const],
  ]);
  const targets = new Map([['1', { ratio: parseRational('5')!, weight: 1 }]]);
  for (const tries of [undefined, 40]) {
    const { results, proven } = searchFit({
      train: box,
      free,
      targets,
      coprime: 'any',
      limit: 50,
      ...(tries && { tries }),
    });
    expect(results.length).toBeGreaterThan(0);
    expect(proven).toBe(tries === undefined);
    for (const { teeth } of results)
      for (const [id, [least, most]] of free) {
        expect(teeth.get(id)).toBeGreaterThanOrEqual(least);
        expect(teeth.get(id)).toBeLessThanOrEqual(most);
      }
  }
});

test('a ratio with a sign is met that way round or not at all; without one its size counts', () => {
  const rake = demoTrain('pan-rake');
  const free = new Map(rake.gears.map(({ id, teeth }) => [id, [teeth, teeth + 1] as const]));
  const fitted = (signed: boolean, ratio: string) =>
    searchFit({
      train: rake,
      free,
      targets: new Map([['R', { ratio: parseRational(ratio)!, weight: 1, signed }]]),
      coprime: 'any',
      limit: 3,
    }).results;
  expect(fitted(true, '4.45')).toEqual([]);
  expect(fitted(true, '-4.45').map(({ worst }) => worst)).toEqual(fitted(false, '4.45').map(({ worst }) => worst));
});

test('the time that is allowed ends a search, which says so; without a clock it is the same every time', () => {
  const train = demoTrain('harvester');
  const free = new Map(train.gears.map(({ id, teeth }) => [id, [Math.max(12, teeth - 8), teeth + 8] as const]));
  const question: FitQuestion = {
    train,
    free,
    targets: new Map([['1', { ratio: parseRational('4.4')!, weight: 1 }]]),
    coprime: 'any',
    limit: 3,
    tries: 4000,
  };
  let looks = 0;
  const cut = searchFit(
    question,
    undefined,
    watchOf(() => 100 * ++looks, 1),
  );
  expect(cut).toMatchObject({ proven: false, cut: true });
  expect(cut.examined).toBeLessThan(4000);
  const whole = searchFit(question);
  expect(whole.cut).toBe(false);
  expect(searchFit(question)).toEqual(whole);
});
