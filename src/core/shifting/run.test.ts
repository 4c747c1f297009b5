import { runs, someOf } from '@/testing/runs';
import fc from 'fast-check';
import { countershaftBox } from '@/testing/countershaft-box';
import { RAD_S_PER_RPM } from './operating-point';
import { pointsOf } from './points';
import { runScenario } from './run';
import { sampleAt } from './traces';
import type { Scenario } from './scenario-schema';

/** Three speeds: 4, 2 and 1. */
const BOX = countershaftBox([
  [
    [20, 80],
    [20, 40],
    [30, 30],
  ],
]);
const [FIRST, SECOND, THIRD] = BOX.positions.map(({ id }) => id) as [string, string, string];

const BASE: Scenario = {
  format: 'tin-wheel/scenario',
  version: 1,
  motor: { kind: 'linear', stallTorqueNm: 2, noLoadRpm: 300 },
  load: { constantNm: 1.5 },
  inertia: { inputKgM2: 0.01, outputKgM2: 0.5 },
  order: [FIRST, SECOND, THIRD],
  durationS: 20,
};

test('a linear motor into an inertia runs up along an exponential', () => {
  const run = runScenario(BOX, { ...BASE, load: {}, start: { position: SECOND }, order: [SECOND], durationS: 10 });
  // J = J_m + J_L/i², and T = T₀ (1 − ω/ω₀): the time constant is J ω₀/T₀.
  const tau = ((0.01 + 0.5 / 4) * 300 * RAD_S_PER_RPM) / 2;
  expect(run.traces.timeS).toHaveLength(1001);
  run.traces.timeS.forEach((timeS, i) =>
    expect(run.traces.inputRpm[i]).toBeCloseTo(300 * (1 - Math.exp(-timeS / tau)), 6),
  );
  expect(run.events).toEqual([]);
});

test('left alone it comes to rest at the operating point, in every position', () => {
  for (const id of someOf(BASE.order)) {
    const point = pointsOf(BOX, BASE).positions.get(id)!;
    const { final } = runScenario(BOX, { ...BASE, start: { position: id }, durationS: 300 });
    expect(final.inputRpm).toBeCloseTo(point.inputRpm, 6);
    expect(final.outputRpm).toBeCloseTo(point.outputRpm, 6);
  }
});

const scenario = fc.record({
  constantNm: fc.double({ min: -0.5, max: 4, noNaN: true }),
  squareNmPerRadS2: fc.double({ min: 0, max: 0.2, noNaN: true }),
  inputKgM2: fc.double({ min: 0.002, max: 0.05, noNaN: true }),
  outputKgM2: fc.double({ min: 0.05, max: 2, noNaN: true }),
  up: fc.double({ min: 0.5, max: 0.9, noNaN: true }),
  down: fc.double({ min: 0.1, max: 0.45, noNaN: true }),
  shiftS: fc.double({ min: 0, max: 0.4, noNaN: true }),
  between: fc.constantFrom('neutral' as const, 'overlap' as const, 'one-way' as const),
  cue: fc.constantFrom('speed' as const, 'hand' as const),
  rising: fc.double({ min: 0, max: 3, noNaN: true }),
});

/** Shifted up by hand under more load than the motor pulls there: few of those by chance are so heavy. */
const STALLING = {
  constantNm: 4,
  squareNmPerRadS2: 0,
  inputKgM2: 0.003,
  outputKgM2: 0.05,
  up: 0.5,
  down: 0.23,
  shiftS: 0.4,
  between: 'overlap' as const,
  cue: 'hand' as const,
  rising: 0,
};

type Drawn = typeof scenario extends fc.Arbitrary<infer T> ? T : never;

const written = ({
  constantNm,
  squareNmPerRadS2,
  inputKgM2,
  outputKgM2,
  up,
  down,
  rising,
  ...rule
}: Drawn): Scenario => ({
  ...BASE,
  load: {
    constantNm,
    squareNmPerRadS2,
    profile: [
      [2, 0],
      [4, rising],
    ],
  },
  inertia: { inputKgM2, outputKgM2 },
  durationS: 6,
  rule: {
    ...rule,
    minimumS: 0.2,
    up: { [FIRST]: up, [SECOND]: up },
    down: { [SECOND]: down, [THIRD]: down },
    schedule: [
      [1, SECOND],
      [2, THIRD],
      [3, FIRST],
    ],
  },
});

test(
  'energy in is energy out, lost and stored, to a thousandth, in every ' +
    'kind of run; the same again to the last bit',
  () => {
    const seen = new Set<string>();
    fc.assert(
      fc.property(scenario, (one) => {
        const asked = written(one);
        const run = runScenario(BOX, asked);
        const { motorJ, loadJ, lossJ, storedJ } = run.energy;
        expect(Math.abs(motorJ - loadJ - lossJ - storedJ)).toBeLessThan(1e-3 * Math.max(1, Math.abs(motorJ)));
        expect(lossJ).toBeGreaterThan(-1e-6);
        expect(JSON.stringify(runScenario(BOX, asked))).toBe(JSON.stringify(run));
        for (const { kind } of run.events) seen.add(kind);
      }),
      { numRuns: runs(60), examples: [[STALLING]] },
    );
    expect([...seen].sort()).toEqual(expect.arrayContaining(['engaged', 'shift', 'stall']));
  },
);

test('steps half as long move no event by a millisecond', () => {
  fc.assert(
    fc.property(scenario, (one) => {
      const asked = written(one);
      const [whole, half] = [runScenario(BOX, asked), runScenario(BOX, asked, { stepS: 5e-4 })];
      expect(half.events.map(({ kind, from, to }) => [kind, from, to])).toEqual(
        whole.events.map(({ kind, from, to }) => [kind, from, to]),
      );
      whole.events.forEach(({ timeS }, i) => expect(Math.abs(half.events[i]!.timeS - timeS)).toBeLessThan(1e-3));
    }),
    { numRuns: runs(40) },
  );
});

const speedRule = (up: number, down: number, more: object = {}) => ({
  cue: 'speed' as const,
  up: { [FIRST]: up, [SECOND]: up },
  down: { [SECOND]: down, [THIRD]: down },
  shiftS: 0.1,
  between: 'overlap' as const,
  ...more,
});

test('thresholds without the band hunt; with it they do not', () => {
  // r = 1/2: down at 1/3, up only above 2/3. Up at 0.5 lands at 0.25, below 0.3.
  const load = { constantNm: 3.2 };
  const hunting = runScenario(BOX, { ...BASE, load, rule: speedRule(0.5, 0.3) });
  expect(hunting.verdicts).toContain('hunting');
  expect(runScenario(BOX, { ...BASE, load, rule: speedRule(0.7, 1 / 3) }).verdicts).toEqual([]);
});

test('a load that rises and falls is followed down and up, and is not called hunting', () => {
  const load = {
    profile: [
      [0, 0.5],
      [8, 0.5],
      [12, 5],
      [20, 5],
      [24, 0.5],
    ] as [number, number][],
  };
  const { events, verdicts } = runScenario(BOX, { ...BASE, load, durationS: 40, rule: speedRule(0.72, 1 / 3) });
  const shifts = events.filter(({ kind }) => kind === 'shift').map(({ from, to }) => `${from}>${to}`);
  expect(shifts).toEqual([
    `${FIRST}>${SECOND}`,
    `${SECOND}>${THIRD}`,
    `${THIRD}>${SECOND}`,
    `${SECOND}>${FIRST}`,
    `${FIRST}>${SECOND}`,
    `${SECOND}>${THIRD}`,
  ]);
  expect(verdicts).toEqual([]);
});

test('through neutral a torque detector that follows slowly feels no load and chatters; handed over, not', () => {
  const torque = (between: 'neutral' | 'overlap') =>
    runScenario(BOX, {
      ...BASE,
      load: { constantNm: 3 },
      start: { position: THIRD, outputRpm: 100 },
      rule: {
        cue: 'torque',
        down: { [THIRD]: 1.8, [SECOND]: 3.6 },
        up: { [FIRST]: 1.2, [SECOND]: 1.2 },
        shiftS: 0.6,
        between,
        detector: { lagS: 0.2 },
      },
    });
  expect(torque('neutral').verdicts).toContain('chatter');
  expect(torque('overlap').verdicts).not.toContain('chatter');
});

test('through neutral, by closed forms: the motor runs up freely, the output slows down, both meet', () => {
  const shiftS = 0.4;
  const load = { constantNm: 0.9 };
  const start = { position: FIRST, outputRpm: 40 };
  const rule = {
    cue: 'hand' as const,
    schedule: [[1, SECOND]] as [number, string][],
    shiftS,
    between: 'neutral' as const,
  };
  const asked = { ...BASE, load, start, rule, durationS: 1 + shiftS + 1e-6 };
  const { traces, events } = runScenario(BOX, asked);
  const [noLoad, stall, ji, jo] = [300 * RAD_S_PER_RPM, 2, 0.01, 0.5];
  /** ω after a time of T₀ (1 − ω/ω₀) − T on an inertia. */
  const runUp = (from: number, against: number, inertia: number, time: number) => {
    const end = noLoad * (1 - against / stall);
    return end + (from - end) * Math.exp((-time * stall) / (inertia * noLoad));
  };
  const before = runUp(40 * 4 * RAD_S_PER_RPM, 0.9 / 4, ji + jo / 16, 1);
  const motor = runUp(before, 0, ji, shiftS);
  const output = before / 4 - (0.9 / jo) * shiftS;
  const met = (ji * motor + (jo * output) / 2) / (ji + jo / 4);
  expect(events.map(({ kind, timeS }) => [kind, Number(timeS.toFixed(5))])).toEqual([
    ['shift', 1],
    ['engaged', 1.4],
  ]);
  const last = sampleAt(traces, asked.order, traces.timeS.length - 1);
  expect(last.inputRpm * RAD_S_PER_RPM).toBeCloseTo(met, 4);
  expect(last.outputRpm * RAD_S_PER_RPM).toBeCloseTo(met / 2, 4);
});

test('positions that are run through quickly on the way up are not called chatter', () => {
  const { events, verdicts } = runScenario(BOX, {
    ...BASE,
    load: {},
    start: { position: FIRST, outputRpm: 200 },
    rule: speedRule(0.6, 0.1, { shiftS: 0.5, between: 'one-way' }),
  });
  const shifts = events.filter(({ kind }) => kind === 'shift');
  expect(shifts.map(({ from, to }) => `${from}>${to}`)).toEqual([`${FIRST}>${SECOND}`, `${SECOND}>${THIRD}`]);
  expect(shifts[1]!.timeS - shifts[0]!.timeS).toBeLessThan(0.5);
  expect(verdicts).toEqual([]);
});

test('a winch that the weight holds stalls, and moves again when it is let down', () => {
  const { events, verdicts, final } = runScenario(BOX, {
    ...BASE,
    order: [THIRD],
    load: {
      profile: [
        [2, 1],
        [3, 4],
        [6, 4],
        [7, 1],
      ],
    },
    durationS: 80,
  });
  expect(events.map(({ kind }) => kind)).toEqual(['stall', 'moves']);
  // It stands until the load falls below the 2 N·m of the motor: at 6 + 2/3 s.
  expect(events[1]!.timeS).toBeCloseTo(6 + 2 / 3, 2);
  expect(verdicts).toEqual(['stalls']);
  expect(final.inputRpm).toBeCloseTo(150, 1);
});

test('what a run needs is asked for by name', () => {
  expect(() => runScenario(BOX, { ...BASE, durationS: undefined })).toThrow(/^durationS/);
  expect(() => runScenario(BOX, { ...BASE, inertia: { outputKgM2: 1 } })).toThrow(/^inertia.inputKgM2/);
  expect(() => runScenario(BOX, { ...BASE, inertia: { inputKgM2: 1 } })).toThrow(/^inertia.outputKgM2/);
});

test('a run that is cut short says where and why; between two positions the end says so', () => {
  const endless: Scenario = {
    ...BASE,
    load: {},
    order: [FIRST, SECOND],
    rule: { cue: 'speed', down: { [SECOND]: 0.9 }, up: { [FIRST]: 0.1 }, shiftS: 0, between: 'one-way' },
  };
  const run = runScenario(BOX, endless);
  expect(run.cut).toEqual({ cutAtS: run.untilS, reason: '5000 events: it shifts without end.' });
  expect(run.untilS).toBeLessThan(endless.durationS!);
  // Nothing is fooled in a gap that there is not.
  expect(run.verdicts).not.toContain('chatter');
  const whole = runScenario(BOX, {
    ...endless,
    rule: { cue: 'hand', schedule: [[1, SECOND]], shiftS: 5, between: 'neutral' },
    durationS: 2,
  });
  expect(whole.cut).toBeNull();
  expect(whole.final).toMatchObject({ position: null, between: [FIRST, SECOND] });
});
