import { runs } from '@/testing/runs';
import { KEY, spoiled } from '@/testing/spoiled';
import fc from 'fast-check';
import { readScenario, readWrittenScenario, type Scenario } from '@/core/shifting';
import { countershaftBox } from '@/testing/countershaft-box';
import { scheduleLines, writtenScenario } from './form';
import { shiftingFormOf } from './form-of';
import { placeText } from '@/core/result';

const BOX = countershaftBox([
  [
    [20, 80],
    [20, 40],
    [30, 30],
  ],
]);

const figure = fc.integer({ min: 1, max: 100_000 }).map((value) => value / 1000);
const rising = fc
  .uniqueArray(fc.integer({ min: 0, max: 500 }), { minLength: 2, maxLength: 6 })
  .chain((places) =>
    fc.tuple(fc.constant([...places].sort((a, b) => a - b)), fc.array(figure, { minLength: 6, maxLength: 6 })),
  )
  .map(([places, values]) => places.map((place, i): [number, number] => [place, values[i]!]));

const motor: fc.Arbitrary<Scenario['motor']> = fc.oneof(
  fc.record({
    kind: fc.constant('linear' as const),
    stallTorqueNm: figure,
    noLoadRpm: figure,
    supply: fc.constantFrom(1, 0.5, 0.07),
  }),
  fc.record({ kind: fc.constant('table' as const), points: rising }),
  fc.record({ kind: fc.constant('hand' as const), torqueNm: figure, rpm: figure }),
);
const mass = { massKg: figure, wheelDiameterMm: figure };
const load: fc.Arbitrary<Scenario['load']> = fc.oneof(
  fc.record(
    { constantNm: figure, linearNmPerRadS: figure, squareNmPerRadS2: figure, profile: rising },
    { requiredKeys: [] },
  ),
  fc.record(mass),
  fc.record({ ...mass, lowering: fc.constant(true) }),
  fc.record({
    ...mass,
    grade: fc.constantFrom(0, 0.1, -0.25),
    rolling: figure.map((value) => value / 100),
    airNAt1MS: figure,
  }),
);
const thresholds = fc.record({ down: fc.constant({ 2: 0.3, 3: 0.25 }), up: fc.constant({ 1: 0.7, 2: 0.75 }) });
const tail = {
  minimumS: figure,
  shiftS: figure,
  between: fc.constantFrom('neutral' as const, 'overlap' as const, 'one-way' as const),
};
const rule: fc.Arbitrary<Scenario['rule']> = fc.oneof(
  fc.tuple(thresholds, fc.record(tail)).map(([limits, more]) => ({ cue: 'speed' as const, ...limits, ...more })),
  fc.tuple(fc.record(tail), figure).map(([more, stiffnessNmPerDeg]) => ({
    cue: 'torque' as const,
    down: { 2: 3, 3: 2 },
    up: { 1: 1, 2: 0.5 },
    ...more,
    detector: {
      feels: 'motor' as const,
      stiffnessNmPerDeg,
      preloadNm: 0.1,
      dampingNmSPerDeg: 0.02,
      detentOnNm: 2,
      detentOffNm: 1,
      armMm: 120,
    },
  })),
  fc.record(tail).map((more) => ({
    cue: 'hand' as const,
    schedule: [
      [1, '2'],
      [4.5, '3'],
    ] as [number, string][],
    path: 'sequence' as const,
    ...more,
  })),
);
const scenario: fc.Arbitrary<Scenario> = fc
  .record({
    motor,
    load,
    rule,
    durationS: figure,
    losses: fc.boolean(),
    outputRpm: figure,
    heat: fc.constantFrom(undefined, 0.3),
  })
  .map(({ outputRpm, heat, ...rest }) => ({
    format: 'tin-wheel/scenario' as const,
    version: 1 as const,
    name: 'Ramp',
    ...rest,
    ...(heat !== undefined && { heatLimit: heat }),
    inertia: { inputKgM2: 0.001, outputKgM2: 0.5, membersKgM2: { shaft0: 1e-7 } },
    order: ['1', '2', '3'],
    start: { position: '2', outputRpm },
  }));

test('whatever a scenario says, its form writes the same again', () => {
  fc.assert(
    fc.property(scenario, (one) => {
      expect(readWrittenScenario(writtenScenario(shiftingFormOf(one)), BOX)).toEqual({ ok: true, value: one });
    }),
    { numRuns: runs(300) },
  );
});

test('what is typed as no number is refused at its place, and nothing of it is taken as 0', () => {
  const form = shiftingFormOf({
    format: 'tin-wheel/scenario',
    version: 1,
    motor: { kind: 'hand', torqueNm: 1, rpm: 60 },
    load: {},
    order: ['1'],
  });
  const place = (changed: typeof form) => {
    const read = readWrittenScenario(writtenScenario(changed), BOX);
    return read.ok ? null : placeText(read.problems[0].path);
  };
  expect(place({ ...form, load: { ...form.load, constant: 'much' } })).toBe('load.constantNm');
  expect(place({ ...form, motor: { ...form.motor, handRpm: '' } })).toBe('motor.rpm');
  expect(place({ ...form, load: { ...form.load, profile: '0, 1\n5, x' } })).toBe('load.profile[1][1]');
  expect(place({ ...form, load: { ...form.load, mass: 'raised', kilograms: '' } })).toBe('load.massKg');
  expect(place({ ...form, rule: { ...form.rule, schedule: '3' } })).toMatch(/^rule\.schedule/);
  expect(place({ ...form, load: { ...form.load, constant: '0,5' } })).toBeNull();
});

test('lines are read from what spreadsheets and people write', () => {
  expect(scheduleLines('0, 0.5\n10;0.4\n\n20\t0.3\r\n30 0.2\n')).toEqual([
    ['0', '0.5'],
    ['10', '0.4'],
    ['20', '0.3'],
    ['30', '0.2'],
  ]);
});

test('what is wrong with a scenario is said in the words of its form, never by keys of its file', () => {
  for (const one of fc.sample(scenario, { numRuns: 12, seed: 4 }))
    for (const wrong of spoiled(one)) {
      const read = readScenario(JSON.stringify(wrong), BOX);
      if (!read.ok) expect(read.problems[0].message).not.toMatch(KEY);
    }
});
