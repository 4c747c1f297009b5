import { runs } from '@/testing/runs';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { countershaftBox } from '@/testing/countershaft-box';
import { demoTrain } from '@/testing/demo-train';
import { solveEngaged } from '../solve';
import type { Train } from '../train';
import { loadOf, loadTorque } from './load';
import { motorLine, peakPower, torqueAt } from './motor';
import { operatingPoint, RAD_S_PER_RPM, surplusTorque } from './operating-point';
import { pointsOf } from './points';
import { readScenario } from './scenario-file';
import type { Scenario } from './scenario-schema';
import { equalPowers, leastRatioForShare } from './shift-points';
import { interlocksOf, travelOf } from './travel';
import { modelOf } from '../model';
import { refusalText } from '../result';

const open = (name: string) => readFileSync(join(__dirname, 'cases', name), 'utf8');

test('the rake’s operating points and shift points are what was worked out independently', () => {
  const train = demoTrain('pan-rake');
  const read = readScenario(open('points.pan-rake.scenario.json'), train);
  if (!read.ok) throw new Error(refusalText(read));
  const expected = JSON.parse(open('points.pan-rake.expected.json')) as {
    positions: Record<string, Record<string, number | boolean>>;
    shifts: Record<string, string | number>[];
  };
  const { positions, shifts } = pointsOf(train, read.value);
  for (const [id, figures] of Object.entries(expected.positions))
    for (const [key, value] of Object.entries(figures)) {
      const own = positions.get(id)![key as 'inputRpm'];
      if (typeof value === 'number')
        expect(Math.abs(own - value)).toBeLessThanOrEqual(1e-9 * Math.max(1, Math.abs(value)));
      else expect(own).toBe(value);
    }
  expected.shifts.forEach(({ from, to, ...figures }, i) => {
    expect(shifts[i]).toMatchObject({ from, to });
    for (const [key, value] of Object.entries(figures))
      expect({ r: shifts[i]!.r, ...shifts[i]!.point! }[key as 'r']).toBeCloseTo(value as number, 12);
  });
});

const linear = motorLine({ kind: 'linear', stallTorqueNm: 6, noLoadRpm: 180 });
const one = { ratio: 1, drive: 1, back: 1 };

test('by hand: a linear motor against constant, linear and square loads', () => {
  // 6 (1 − n/180) = 4.5 at n = 45; the power there is 4 · 1/4 · 3/4 of the largest.
  expect(operatingPoint(linear, loadOf({ constantNm: 4.5 }), one)).toMatchObject({
    inputRpm: 45,
    powerShare: 0.75,
    stalls: false,
  });
  // 6 − n/30 = b ω with ω = n π/30 and b = 1/π is n/30: half of no load.
  expect(operatingPoint(linear, loadOf({ linearNmPerRadS: 1 / Math.PI }), one).inputRpm).toBeCloseTo(90, 12);
  // c ω² = 6 − n/30 at n = 60: c = 4/(2π)².
  const square = operatingPoint(linear, loadOf({ squareNmPerRadS2: 4 / (2 * Math.PI) ** 2 }), one);
  expect(square.inputRpm).toBeCloseTo(60, 12);
  expect(square.outputTorqueNm).toBeCloseTo(4, 12);
  expect(operatingPoint(linear, loadOf({ constantNm: 6.1 }), one)).toMatchObject({
    stalls: true,
    inputRpm: 0,
    powerShare: 0,
    inputTorqueNm: 6,
  });
  // With 80 % let through a ratio of 2 gives 9.6 N·m at standstill, and 1.6 n/30 less with speed.
  expect(operatingPoint(linear, loadOf({ constantNm: 4.8 }), { ratio: 2, drive: 0.8, back: 0.8 }).inputRpm).toBeCloseTo(
    90,
    12,
  );
  // A load that drives: −2 N·m comes back through 50 %, so that the motor holds 1 N·m against it, beyond no load.
  expect(operatingPoint(linear, loadOf({ constantNm: -2 }), { ratio: 1, drive: 0.5, back: 0.5 }).inputRpm).toBeCloseTo(
    210,
    12,
  );
});

test(
  'whatever the motor and the load: nothing is left over at the ' +
    'operating point, and before it something always is',
  () => {
    const points = fc
      .array(fc.tuple(fc.integer({ min: 5, max: 60 }), fc.integer({ min: 0, max: 50 })), { minLength: 1, maxLength: 5 })
      .map((steps) =>
        steps.reduce<[number, number][]>(
          (all, [step, torque]) => [...all, [all.at(-1)![0] + step, torque / 5]],
          [[0, 8]],
        ),
      )
      .map((all) => [...all, [all.at(-1)![0] + 40, -1]] as [number, number][]);
    const load = fc.record({
      constantNm: fc.double({ min: 0, max: 6, noNaN: true }),
      linearNmPerRadS: fc.double({ min: 0, max: 0.5, noNaN: true }),
      squareNmPerRadS2: fc.double({ min: 0, max: 0.05, noNaN: true }),
    });
    fc.assert(
      fc.property(
        points,
        load,
        fc.double({ min: 0.3, max: 5, noNaN: true }),
        fc.double({ min: 0.3, max: 1, noNaN: true }),
        (line, written, ratio, drive) => {
          const motor = motorLine({ kind: 'table', points: line });
          const gearing = { ratio, drive, back: drive };
          const against = loadOf(written);
          const point = operatingPoint(motor, against, gearing);
          const left = (rpm: number) => surplusTorque(motor, against, gearing, rpm);
          if (point.stalls) return expect(left(0)).toBeLessThan(0);
          expect(Math.abs(left(point.inputRpm))).toBeLessThan(1e-7);
          for (let k = 1; k < 200; k++) expect(left((point.inputRpm * k) / 200)).toBeGreaterThan(-1e-7);
          expect(point.outputRpm).toBeCloseTo(point.inputRpm / ratio, 12);
          return expect(loadTorque(against, point.outputRpm * RAD_S_PER_RPM, 0)).toBeCloseTo(point.outputTorqueNm, 12);
        },
      ),
      { numRuns: runs(300) },
    );
  },
);

test('masses: a weight on a drum, a vehicle on a grade', () => {
  // 10 kg on a drum of 200 mm: 10 · 9.80665 · 0.1 N·m, and 10 · 0.1² kg m².
  expect(loadOf({ massKg: 10, wheelDiameterMm: 200 })).toMatchObject({
    a: expect.closeTo(9.80665, 12),
    inertiaKgM2: expect.closeTo(0.1, 12),
  });
  // A grade of 3 in 4 is sin θ = 0.6, cos θ = 0.8.
  expect(loadOf({ massKg: 10, wheelDiameterMm: 200, grade: 0.75, rolling: 0.1 }).a).toBeCloseTo(
    9.80665 * (0.6 + 0.08),
    10,
  );
  const profile = loadOf({
    profile: [
      [1, 2],
      [3, 6],
    ],
  });
  expect([0, 1, 2, 3, 9].map((at) => loadTorque(profile, 0, at))).toEqual([2, 2, 4, 6, 6]);
});

const LOSSLESS = (ratio: number) => ({ ratio, drive: 1 });

test(
  'shift points of a linear motor: equal power on both sides, symmetric ' +
    'about the hump, and found from its line likewise',
  () => {
    expect(equalPowers(linear, LOSSLESS(5), LOSSLESS(2), 180)).toEqual({
      r: 0.4,
      point: {
        downAt: expect.closeTo(2 / 7, 15),
        landsAt: expect.closeTo(5 / 7, 15),
        upAbove: expect.closeTo(5 / 7, 15),
      },
      others: [],
    });
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 0.95, noNaN: true }), (r) => {
        const { downAt, landsAt, upAbove } = equalPowers(linear, LOSSLESS(1), LOSSLESS(r), 180).point!;
        expect(downAt + landsAt).toBeCloseTo(1, 14);
        expect(downAt * (1 - downAt)).toBeCloseTo(landsAt * (1 - landsAt), 14);
        expect(upAbove * r).toBeCloseTo(downAt, 14);
        const found = equalPowers(linear, LOSSLESS(1), LOSSLESS(r), null).point!;
        expect(found.downAt / 180).toBeCloseTo(downAt, 9);
        expect(found.landsAt / 180).toBeCloseTo(landsAt, 9);
        // The inverse: the power kept at the worst moment asks for this step.
        expect(leastRatioForShare(4 * downAt * (1 - downAt))).toBeCloseTo(r, 9);
      }),
    );
    expect(leastRatioForShare(0.75)).toBeCloseTo(1 / 3, 14);
    // By hand, with losses: (6 − n/15) 2 = 0.2 · 1.9 (6 − 1.9 n/30) at n = 88.951, beyond both peaks.
    const lossy = equalPowers(linear, LOSSLESS(2), { ratio: 1.9, drive: 0.2 }, 180);
    expect(lossy).toMatchObject({ r: 0.95, others: [] });
    expect(lossy.point!.upAbove * 180).toBeCloseTo((2 * (2 * 6 - 0.38 * 6)) / (4 / 30 - (0.38 * 1.9) / 30), 9);
  },
);

test('of any line: every output speed at which the powers cross, as a fine walk along it finds them', () => {
  const lines = fc
    .array(fc.tuple(fc.integer({ min: 10, max: 60 }), fc.integer({ min: 1, max: 50 })), { minLength: 2, maxLength: 5 })
    .map((steps) =>
      steps.reduce<[number, number][]>((all, [step, torque]) => [...all, [all.at(-1)![0] + step, torque]], [[0, 20]]),
    )
    .map((all) => [...all, [all.at(-1)![0] + 40, -5]] as [number, number][]);
  let several = 0;
  fc.assert(
    fc.property(
      lines,
      fc.double({ min: 1.05, max: 4, noNaN: true }),
      fc.double({ min: 0.5, max: 1, noNaN: true }),
      fc.double({ min: 0.5, max: 1, noNaN: true }),
      (points, step, one, other) => {
        const line = motorLine({ kind: 'table', points });
        const [before, after] = [
          { ratio: step, drive: one },
          { ratio: 1, drive: other },
        ];
        const { r, point, others } = equalPowers(line, before, after, null);
        expect(r).toBeCloseTo(1 / step, 12);
        const power = ({ ratio, drive }: typeof before, rpm: number) =>
          torqueAt(line, rpm * ratio) * ratio * rpm * drive;
        const better = (rpm: number) => power(after, rpm) - power(before, rpm);
        const found = [...(point ? [point] : []), ...others].map(({ downAt }) => downAt).sort((a, b) => a - b);
        if (found.length > 1) several++;
        for (const rpm of found) expect(Math.abs(better(rpm))).toBeLessThan(1e-6 * Math.max(1, power(after, rpm)));
        const end = points.at(-1)![0];
        const walked: number[] = [];
        for (let rpm = end / 4000; rpm < end; rpm += end / 4000) {
          const next = rpm + end / 4000;
          if (better(rpm) * better(next) < 0 && power(after, rpm) > 1e-6 && power(after, next) > 1e-6) walked.push(rpm);
        }
        for (const rpm of walked)
          expect(found.some((own) => own >= rpm - 1e-9 && own <= rpm + end / 4000 + 1e-9)).toBe(true);
        if (!point) return;
        // The one that matters: more beyond it, less before.
        expect(better(point.downAt * (1 + 1e-6))).toBeGreaterThan(0);
        expect(better(point.downAt * (1 - 1e-6))).toBeLessThan(0);
      },
    ),
    { numRuns: runs(300) },
  );
  expect(several).toBeGreaterThan(10);
});

test('lines: peaks, ends that go on, a hand that tires', () => {
  expect(peakPower(linear)).toEqual({ rpm: 90, power: 270 });
  const hand = motorLine({ kind: 'hand', torqueNm: 10, rpm: 60 });
  expect([0, 60, 66].map((rpm) => torqueAt(hand, rpm))).toEqual([10, 10, expect.closeTo(0, 12)]);
  const table = motorLine({
    kind: 'table',
    points: [
      [100, 5],
      [200, 3],
    ],
  });
  expect([0, 150, 300].map((rpm) => torqueAt(table, rpm))).toEqual([7, 4, 1]);
});

const BOX = countershaftBox([
  [
    [20, 40],
    [30, 30],
  ],
]);
const SCENARIO = {
  format: 'tin-wheel/scenario',
  version: 1,
  motor: { kind: 'linear', stallTorqueNm: 6, noLoadRpm: 180 },
  load: { constantNm: 2 },
  order: BOX.positions.map(({ id }) => id),
};

test.each([
  ['{', /^This is not JSON/],
  [
    { ...SCENARIO, motor: { ...SCENARIO.motor, stallTorqueNm: 0 } },
    /^motor.stallTorqueNm: The stall torque, N·m, is a number above 0/,
  ],
  [{ ...SCENARIO, motor: { kind: 'steam' } }, /^motor.kind: The kind of a motor is linear, table or hand/],
  [
    {
      ...SCENARIO,
      motor: {
        kind: 'table',
        points: [
          [10, 1],
          [5, 2],
        ],
      },
    },
    /^motor.points: The measured line: the first figures must rise/,
  ],
  [{ ...SCENARIO, order: ['nine'] }, /^order: there is no position "nine"/],
  [{ ...SCENARIO, load: { massKg: 3 } }, /^load.wheelDiameterMm: a mass needs/],
  [{ ...SCENARIO, start: { position: 'nine' } }, /^start.position: "nine" is not in order/],
  [{ ...SCENARIO, durationS: 1e9 }, /^durationS: The length of a run, s, is a number above 0, at most 3600/],
  [{ ...SCENARIO, extra: 1 }, /^There is no such field: extra/],
  [{ ...SCENARIO, rule: { cue: 'speed', up: { nine: 0.8 } } }, /^rule.up: position "nine" is not in order/],
  [{ ...SCENARIO, rule: { cue: 'speed', up: { 1: 0.3 }, down: { 1: 0.4 } } }, /^rule.up.1: .* must lie above 0.4/],
  [{ ...SCENARIO, rule: { cue: 'torque', up: { 1: 3 }, down: { 1: 2 } } }, /^rule.down.1: .* must lie above 3/],
] as const)('%j is refused with its place', (written, message) => {
  const read = readScenario(typeof written === 'string' ? written : JSON.stringify(written), BOX);
  expect(read.ok ? 'read' : refusalText(read)).toMatch(message);
});

test('an order with a position that does not drive is refused by name', () => {
  const train: Train = { ...BOX, positions: [...BOX.positions, { id: 'N', name: 'N', engaged: [] }] };
  expect(() => pointsOf(train, { ...SCENARIO, order: ['1', 'N'] } as Scenario)).toThrow('Position "N" does not drive');
});

test('travel: position, neutral, both engaged and locked, position; solved stretch by stretch', () => {
  const [a, b] = BOX.couplers.map(({ id }) => id);
  const spans = [
    { coupler: a!, from: -10, to: 1 },
    { coupler: b!, from: 0, to: 9 },
    { coupler: a!, from: 12, to: 14 },
  ];
  const stretches = travelOf({ ...BOX, selectors: [{ id: 'sleeve', name: 'sleeve', spans }] }).get('sleeve')!;
  expect(stretches.map(({ fromMm, toMm, engaged, status }) => [fromMm, toMm, engaged, status])).toEqual([
    [-10, 0, [a], 'drive'],
    [0, 1, [a, b], 'locked'],
    [1, 9, [b], 'drive'],
    [9, 12, [], 'neutral'],
    [12, 14, [a], 'drive'],
  ]);
  expect(travelOf(BOX).size).toBe(0);
});

test('two selectors: what one gives where the other stands, and which of their places lock together', () => {
  const rake = demoTrain('pan-rake');
  const [first, second] = ['first', 'second'];
  const selectors = [
    { id: 'a', name: 'front sleeve', spans: [{ coupler: first, from: 0, to: 4 }] },
    {
      id: 'b',
      name: 'rear sleeve',
      spans: [
        { coupler: second, from: 2, to: 6 },
        { coupler: 'direct', from: 8, to: 10 },
      ],
    },
  ];
  const train: Train = { ...rake, selectors };
  const locks = interlocksOf(train);
  const solved = (engaged: string[]) => solveEngaged(modelOf(rake).open, engaged).status;
  expect(locks.length).toBeGreaterThan(0);
  for (const { first: one, second: other } of locks) {
    expect([one.selector, other.selector]).toEqual(['a', 'b']);
    expect(solved([...one.engaged, ...other.engaged])).toBe('locked');
    expect([solved([...one.engaged]), solved([...other.engaged])]).not.toContain('locked');
  }
  const [stretch] = travelOf(train, selectors, new Map([['b', 3]])).get('a')!;
  expect(stretch).toMatchObject({ engaged: [first], status: 'locked' });
  expect(travelOf(train, selectors, new Map([['b', 7]])).get('a')![0]!.status).toBe(solved([first]));
});
