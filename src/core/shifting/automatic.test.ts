import { runs } from '@/testing/runs';
import fc from 'fast-check';
import { countershaftBox } from '@/testing/countershaft-box';
import { demoTrain } from '@/testing/demo-train';
import { toFraction } from '../rational';
import { solveEngaged } from '../solve';
import { bandsOf, soundThresholds } from './bands';
import { calibrate } from './calibration';
import { couplerDuties, shaftDuties } from './coupler-duty';
import { readAs } from './detector';
import { gearingsOf } from './gearings';
import { releaseEffects } from './letting-go';
import { runFixes } from './mends';
import { orderOf } from './order';
import { playbackOf } from './playback';
import { pointsOf } from './points';
import { PRESETS, presetFor, type Preset } from './presets';
import { runScenario } from './run';
import { readScenario } from './scenario-file';
import type { Rule, Scenario } from './scenario-schema';
import { summaryOf } from './summary';
import { samplesOf } from './traces';
import { modelOf } from '../model';
import { refusalText, placeText } from '../result';

/** Three speeds: 4, 2 and 1. */
const BOX = countershaftBox([
  [
    [20, 80],
    [20, 40],
    [30, 30],
  ],
]);
const order = BOX.positions.map(({ id }) => id);
const [first, second, third] = order as [string, string, string];

const BASE: Scenario = {
  format: 'tin-wheel/scenario',
  version: 1,
  motor: { kind: 'linear', stallTorqueNm: 2, noLoadRpm: 300 },
  load: { constantNm: 3.2 },
  inertia: { inputKgM2: 0.01, outputKgM2: 0.5 },
  order,
  durationS: 20,
};
const speedRule = (up: number, down: number): Rule => ({
  cue: 'speed',
  up: { [first]: up, [second]: up },
  down: { [second]: down, [third]: down },
  shiftS: 0.1,
  between: 'overlap',
});
const gearings = gearingsOf(BOX, order, false);
const bands = (rule: Rule) => bandsOf(gearings, pointsOf(BOX, BASE), { ...BASE, rule });

test('own thresholds are held against the band that a pair needs, in rpm, by hand', () => {
  // r = 1/2 of 300 rpm: down at 100, which lands at 200; up only above 200.
  const [band] = bands(speedRule(0.5, 0.3));
  expect(band).toMatchObject({ from: first, to: second, r: 0.5 });
  expect(band!.equal!.downRpm).toBeCloseTo(100, 9);
  expect(band!.equal!.upRpm).toBeCloseTo(200, 9);
  expect(band!.own).toMatchObject({ upRpm: 150, upLandsRpm: 75, downRpm: 90, verdict: 'hunts' });
  expect(bands(speedRule(0.6, 0.2))[0]!.own!.verdict).toBe('weak');
  expect(bands(speedRule(0.7, 0.3))[0]!.own!.verdict).toBe('sound');
  expect(bands({ cue: 'hand' })[0]!.own).toBeNull();
});

test('sound thresholds are the same points in either cue’s unit, and do not hunt in a run', () => {
  const points = pointsOf(BOX, BASE);
  const bySpeed = soundThresholds(gearings, points, BASE.motor, 'speed');
  const byTorque = soundThresholds(gearings, points, BASE.motor, 'torque');
  expect(bySpeed.down[second]).toBeCloseTo(1 / 3, 9);
  expect(bySpeed.up[first]).toBeCloseTo(2 / 3 + 0.05, 9);
  // (1 − u) T₀ times the ratio of the position that is left.
  expect(byTorque.down[second]).toBeCloseTo((2 / 3) * 2 * 2, 9);
  expect(byTorque.up[first]).toBeCloseTo((1 / 3 - 0.05) * 2 * 4, 9);
  for (const rule of [{ cue: 'speed', ...bySpeed } as const, { cue: 'torque', ...byTorque } as const]) {
    expect(bands(rule).map(({ own }) => own!.verdict)).toEqual(['sound', 'sound']);
    expect(runScenario(BOX, { ...BASE, rule: { ...rule, shiftS: 0.1, between: 'overlap' } }).verdicts).toEqual([]);
  }
});

test('hunting is mended by the band that is offered, and no mend leaves another rule than it says', () => {
  const hunting = { ...BASE, rule: speedRule(0.5, 0.3) };
  const run = runScenario(BOX, hunting);
  expect(run.verdicts).toContain('hunting');
  const mends = runFixes(gearings, pointsOf(BOX, hunting), hunting, run);
  expect(mends.map(({ key }) => key)).toEqual(['band', 'one-way', 'minimum']);
  const band = mends[0]!;
  expect(runScenario(BOX, band.scenario).verdicts).toEqual([]);
  expect(readScenario(JSON.stringify(band.scenario), BOX)).toEqual({ ok: true, value: band.scenario });
  expect(band.scenario).toMatchObject({ motor: BASE.motor, load: BASE.load, rule: { shiftS: 0.1 } });
});

test('chatter through neutral is offered a hand-over without a gap, which cures it', () => {
  const chatters: Scenario = {
    ...BASE,
    load: { constantNm: 3 },
    start: { position: third, outputRpm: 100 },
    rule: {
      cue: 'torque',
      down: { [third]: 1.8, [second]: 3.6 },
      up: { [first]: 1.2, [second]: 1.2 },
      shiftS: 0.6,
      between: 'neutral',
      detector: { lagS: 0.2 },
    },
  };
  const run = runScenario(BOX, chatters);
  expect(run.verdicts).toContain('chatter');
  const offered = runFixes(gearings, pointsOf(BOX, chatters), chatters, run).filter(({ verdicts }) =>
    verdicts.includes('chatter'),
  );
  expect(offered.map(({ key }) => key)).toEqual(['overlap', 'one-way', 'before', 'minimum']);
  expect(runScenario(BOX, offered[0]!.scenario).verdicts).not.toContain('chatter');
});

const weights = fc.record({
  shaft0: fc.double({ min: 0, max: 0.01, noNaN: true }),
  a: fc.double({ min: 0, max: 0.05, noNaN: true }),
  b: fc.double({ min: 0, max: 0.05, noNaN: true }),
  out: fc.double({ min: 0, max: 0.2, noNaN: true }),
  between: fc.constantFrom('neutral' as const, 'overlap' as const, 'one-way' as const),
});

test(
  'inertias of members: in one position they are so much at the output; through shifts ' +
    'the account still balances and nothing comes from nowhere',
  () => {
    const [wheelA, wheelB] = ['wheel a1', 'wheel a2'];
    fc.assert(
      fc.property(weights, ({ shaft0, a, b, out, between }) => {
        const membersKgM2 = { shaft0, [wheelA!]: a, [wheelB!]: b, shaft1: out };
        const alone = { ...BASE, load: { constantNm: 1 }, order: [first], durationS: 2 };
        const members = runScenario(BOX, { ...alone, inertia: { inputKgM2: 0.01, outputKgM2: 0.5, membersKgM2 } });
        // All wheels mesh always: in first a1 turns with the output, a2 twice as fast;
        // both hang on the input, at 1/4 and
        // 1/2 of its speed.
        const asOne = { inputKgM2: 0.01 + shaft0 + a / 16 + b / 4, outputKgM2: 0.5 + out };
        expect(members.final.outputRpm).toBeCloseTo(runScenario(BOX, { ...alone, inertia: asOne }).final.outputRpm, 6);
        const run = runScenario(BOX, {
          ...BASE,
          load: { constantNm: 1 },
          inertia: { inputKgM2: 0.01, outputKgM2: 0.5, membersKgM2 },
          rule: { ...speedRule(0.6, 0.2), between },
        });
        const { motorJ, loadJ, lossJ, storedJ } = run.energy;
        expect(Math.abs(motorJ - loadJ - lossJ - storedJ)).toBeLessThan(1e-3 * Math.abs(motorJ));
        expect(lossJ).toBeGreaterThan(-1e-9);
      }),
      { numRuns: runs(24) },
    );
  },
);

test('a planet carrier that only some positions turn carries its momentum over, and the account balances', () => {
  const train = demoTrain('harvester');
  const places = ['1', '2', '3', '4'];
  const preset = presetFor('conveyor', places, gearingsOf(train, places, false), false);
  const membersKgM2 = Object.fromEntries(train.members.map(({ id }) => [id, 2e-5]));
  const run = runScenario(train, { ...preset, inertia: { ...preset.inertia, membersKgM2 } });
  const { motorJ, loadJ, lossJ, storedJ } = run.energy;
  expect(run.events.filter(({ kind }) => kind === 'shift').length).toBeGreaterThan(0);
  expect(Math.abs(motorJ - loadJ - lossJ - storedJ)).toBeLessThan(1e-3 * motorJ);
  expect(lossJ).toBeGreaterThan(-1e-9);
});

describe('the detector', () => {
  const torque = (detector: Rule['detector'], more: Partial<Rule> = {}): Rule => ({
    cue: 'torque',
    down: { [third]: 1.8, [second]: 3.6 },
    up: { [first]: 1.2, [second]: 1.2 },
    shiftS: 0.2,
    between: 'overlap',
    detector: detector!,
    ...more,
  });
  /** Begun where motor and load meet, so that nothing but the load moves the reading. */
  const read = (detector: Rule['detector'], load: Scenario['load'], loadNm = 1) => {
    const scenario = {
      ...BASE,
      load,
      inertia: { inputKgM2: 0.01, outputKgM2: 0.02 },
      order: [third],
      start: { position: third, outputRpm: 300 * (1 - loadNm / 2) },
      rule: torque(detector, { down: {}, up: {} }),
      durationS: 6,
    };
    return samplesOf(runScenario(BOX, scenario).traces, [third]);
  };

  test('a spring with damping follows with their quotient as its time: one reading in, 1 − 1/e after it', () => {
    const samples = read({ stiffnessNmPerDeg: 0.05, dampingNmSPerDeg: 0.02 }, { constantNm: 1 });
    expect(samples.find(({ timeS }) => Math.abs(timeS - 0.4) < 1e-6)!.read).toBeCloseTo(1 - Math.exp(-1), 6);
  });

  test('below its preload it shows the preload; its turn and a scale show the same torque', () => {
    expect(read({ preloadNm: 1.5 }, { constantNm: 1 }).at(-1)!.read).toBe(1.5);
    expect(readAs({ stiffnessNmPerDeg: 0.05, preloadNm: 0.5, armMm: 200 }, 1.5)).toEqual({ degrees: 20, forceN: 7.5 });
    expect(readAs({ stiffnessNmPerDeg: 0.05, preloadNm: 2 }, 1.5).degrees).toBe(0);
    expect(readAs({}, 1.5)).toEqual({ degrees: null, forceN: null });
  });

  test('a detent lets go at one torque and takes back at a smaller one, when the load passes them', () => {
    const samples = read(
      { detentOnNm: 1.2, detentOffNm: 0.6 },
      {
        profile: [
          [1, 0.3],
          [2, 1.5],
          [4, 1.5],
          [5, 0.3],
        ],
      },
      0.3,
    );
    const shows = (timeS: number) => samples.find((sample) => sample.timeS >= timeS - 1e-9)!.read > 0;
    // The torque into a load that changes lags a little behind it: the inertia gives and takes.
    expect([0.5, 1.5, 3.5, 4.2, 5.9].map(shows)).toEqual([false, false, true, true, false]);
  });

  test('before the selector it reads the motor’s torque through the position that is in', () => {
    const samples = read({ feels: 'motor' }, { constantNm: 1 });
    for (const { read: value, inputTorqueNm } of samples) expect(value).toBeCloseTo(inputTorqueNm, 9);
  });
});

test('a drum goes through every position on the way, a direct selector does not', () => {
  const shifts = (path: 'direct' | 'sequence') =>
    runScenario(BOX, {
      ...BASE,
      rule: {
        cue: 'hand',
        schedule: [
          [2, third],
          [8, first],
        ],
        path,
        shiftS: 0.2,
      },
    })
      .events.filter(({ kind }) => kind === 'shift')
      .map(({ from, to }) => `${from}>${to}`);
  expect(shifts('direct')).toEqual([`${first}>${third}`, `${third}>${first}`]);
  expect(shifts('sequence')).toEqual([
    `${first}>${second}`,
    `${second}>${third}`,
    `${third}>${second}`,
    `${second}>${first}`,
  ]);
});

test('one reading of the no-load speed says what the box eats, and the motor through the box', () => {
  // 0.6 N·m, 250 rpm; with the box on it turns at 225: a tenth of its torque, 0.06 N·m · 225 rpm.
  const found = calibrate({ kind: 'linear', stallTorqueNm: 0.6, noLoadRpm: 250 }, 225)!;
  expect(found.torqueNm).toBeCloseTo(0.06, 12);
  expect(found.watts).toBeCloseTo((0.06 * 225 * Math.PI) / 30, 12);
  expect(found.motor.stallTorqueNm).toBeCloseTo(0.54, 12);
  expect(found.motor.noLoadRpm).toBeCloseTo(225, 12);
  expect(calibrate({ kind: 'linear', stallTorqueNm: 0.6, noLoadRpm: 250 }, 260)).toBeNull();
});

test('the presets suit every demo train: they can be read back, move, and their own thresholds are sound', () => {
  for (const name of ['conveyor-shifter', 'pan-rake', 'sluice-winch', 'harvester', 'crawler', 'mud-tram']) {
    const train = demoTrain(name);
    const places = orderOf(train);
    const known = gearingsOf(train, places, false);
    for (const preset of Object.keys(PRESETS) as Preset[]) {
      const scenario = presetFor(preset, places, known, false);
      expect(readScenario(JSON.stringify(scenario), train)).toEqual({ ok: true, value: scenario });
      expect(pointsOf(train, scenario).positions.get(places[0]!)!.stalls).toBe(false);
      for (const { own } of bandsOf(known, pointsOf(train, scenario), scenario))
        expect(own?.verdict ?? 'sound').toBe('sound');
    }
  }
});

test('letting go of the conveyor’s upper path leaves what the worm holds', () => {
  const open = modelOf(demoTrain('conveyor-shifter')).open;
  const [left, ...more] = releaseEffects(open, solveEngaged(open, ['S']));
  expect(more).toEqual([]);
  const slow = solveEngaged(open, []);
  expect(left).toMatchObject({ coupler: 'S', status: 'drive' });
  expect(toFraction(left!.ratio!)).toBe(toFraction(slow.ratio!));
});

test('what couplers carry and shafts offer: by hand in a box of three speeds', () => {
  const asked = { ...BASE, load: { constantNm: 1 } };
  const points = pointsOf(BOX, asked);
  const dog = { teeth: 6, radiusMm: 20, friction: 0.15 };
  const duties = couplerDuties(BOX, points, order, dog, false);
  // In second the coupler a2 stands on the output shaft and carries its 1 N·m; 0.15 · 1 / 0.02 pulls it out.
  expect(duties.find(({ from, to, does }) => from === second && to === first && does === 'releases')).toMatchObject({
    coupler: 'a2',
    torqueNm: expect.closeTo(1, 9),
    pullOutN: expect.closeTo(7.5, 9),
  });
  // The motor turns at 300 (1 − 0.5/2) = 225 rpm: the output at 112.5, the wheel of first at 56.25; 6 teeth find in a
  // sixth of a turn.
  const entering = duties.find(({ from, to, does }) => from === second && to === first && does === 'comes in')!;
  expect(entering.differenceRpm).toBeCloseTo(56.25, 9);
  expect(entering.entryS).toBeCloseTo(60 / 6 / 56.25, 9);
  const shafts = shaftDuties(BOX, points, dog, false).filter(({ position }) => position === second);
  const powers = shafts.map(({ powerW }) => powerW);
  for (const power of powers) expect(power).toBeCloseTo(powers[0]!, 9);
  expect(shafts.find(({ member }) => member === 'shaft0')).toMatchObject({
    torqueNm: expect.closeTo(0.5, 9),
    pullOutN: expect.closeTo(3.75, 9),
  });
});

test(
  'members in the playback have turned as the traces say, summed again by ' +
    'hand; time in positions and the share add up',
  () => {
    const scenario = {
      ...BASE,
      load: { constantNm: 1 },
      rule: { ...speedRule(0.6, 0.2), between: 'neutral' as const },
    };
    const run = runScenario(BOX, scenario);
    // One every hundredth of a second and the last, whatever happens in between.
    expect(run.traces.timeS).toHaveLength(2001);
    const { turnsAt } = playbackOf(BOX, order, run.traces);
    const samples = samplesOf(run.traces, order);
    let [input, output] = [0, 0];
    samples.slice(1).forEach((sample, i) => {
      const minutes = (sample.timeS - samples[i]!.timeS) / 60;
      input += (minutes * (sample.inputRpm + samples[i]!.inputRpm)) / 2;
      output += (minutes * (sample.outputRpm + samples[i]!.outputRpm)) / 2;
    });
    const end = turnsAt(samples.at(-1)!.timeS);
    expect(end('shaft0')).toBeCloseTo(input, 6);
    // Around a shift a sample still counts to the position before it: a hundredth of a second each.
    expect(Math.abs(end('shaft1')) / output).toBeCloseTo(1, 2);
    expect(turnsAt(0)('shaft1')).toBeCloseTo(0, 12);
    const summary = summaryOf(run, order);
    expect(summary.shifts).toBe(2);
    expect([...summary.seconds.values()].reduce((a, b) => a + b, summary.betweenS)).toBeCloseTo(20, 6);
    expect(summary.unexplained).toBeLessThan(1e-3);
  },
);

test.each([
  [{ load: { airNAt1MS: 2 } }, 'load.wheelDiameterMm'],
  [{ inertia: { membersKgM2: { nobody: 1 } } }, 'inertia.membersKgM2'],
  [{ durationS: 3600, sampleS: 0.001 }, 'sampleS'],
  [{ durationS: 1e5 }, 'durationS'],
  [{ motor: { kind: 'linear', stallTorqueNm: 0, noLoadRpm: 250 } }, 'motor.stallTorqueNm'],
  [{ rule: { cue: 'torque', detector: { detentOnNm: 1, detentOffNm: 2 } } }, 'rule.detector.detentOffNm'],
  [{ rule: speedRule(0.3, 0.5) }, `rule.up.${second}`],
  [{ rule: { cue: 'hand', schedule: [[1, 'ninth']] } }, 'rule.schedule'],
])('what is wrong with %j is said with its place', (change, place) => {
  const read = readScenario(JSON.stringify({ ...BASE, ...change }), BOX);
  expect(read.ok ? 'read' : placeText(read.problems[0].path)).toBe(place);
  expect(!read.ok && refusalText(read).startsWith(`${place}`)).toBe(true);
});
