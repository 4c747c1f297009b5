import { runs } from '@/testing/runs';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { demoTrain } from '@/testing/demo-train';
import {
  abs,
  compare,
  div,
  fraction,
  fromDecimal,
  inverse,
  mul,
  sub,
  toFraction,
  toNumber,
  type Rational,
} from '../rational';
import { contains, exactly, minus, divideIntervals, read, times, type Interval } from './interval';
import {
  countedIn,
  efficiencies,
  judgedJson,
  judgeFor,
  judgeLog,
  measured,
  meshEfficiencyFor,
  plain,
  readLog,
  readReading,
  slowingWatts,
  type Log,
  type Reading,
} from '.';
import { modelOf } from '../model';
import { refusalText, placeText } from '../result';

const TRAM = demoTrain('mud-tram');
const RAKE = demoTrain('pan-rake');

test('the worked example, as given', () => {
  const log = readLog(readFileSync(join(__dirname, 'cases/measure.mud-tram.log.json'), 'utf8'));
  if (!log.ok) throw new Error(refusalText(log));
  const expected = JSON.parse(readFileSync(join(__dirname, 'cases/measure.mud-tram.expected.json'), 'utf8')) as {
    readings: object[];
  };
  const found = judgeLog(TRAM, log.value).map((one) => judgedJson(one, toFraction));
  expect(found).toHaveLength(expected.readings.length);
  found.forEach((one, i) => expect(one).toMatchObject(expected.readings[i]!));
});

const of = (reading: Omit<Extract<Reading, { kind: 'marks' }>, 'id'> | object): Reading =>
  ({ id: 'a', ...reading }) as Reading;
const bounds = (reading: object) => {
  const { least, value, most } = plain(measured(of(reading)).interval!);
  return [least, value, most];
};

test('every kind of reading, by hand', () => {
  expect(bounds({ kind: 'turns', member: 'out', turns: 4, resolution: 0.25, inputTurns: 10 })).toEqual([
    10 / 4.25,
    2.5,
    10 / 3.75,
  ]);
  expect(bounds({ kind: 'angle', member: 'out', degrees: 90, resolution: 2, inputTurns: 1 })).toEqual([
    360 / 92,
    4,
    360 / 88,
  ]);
  expect(bounds({ kind: 'frames', member: 'out', frames: 30, frameRate: 60, turns: 2, resolution: 1 })).toEqual([
    7200 / 31,
    240,
    7200 / 29,
  ]);
  expect(bounds({ kind: 'tachometer', member: 'out', rpm: 120, resolution: 0.5 })).toEqual([119.5, 120, 120.5]);
  // 250 g at 100 mm: 0.25 · 9.80665 · 0.1 N·m.
  const [least, value, most] = bounds({
    kind: 'scale',
    member: 'out',
    grams: 250,
    resolutionG: 5,
    armMm: 100,
    resolutionMm: 1,
  });
  expect(least).toBeCloseTo(0.245 * 9.80665 * 0.099, 12);
  expect(value).toBeCloseTo(0.2451662, 6);
  expect(most).toBeCloseTo(0.255 * 9.80665 * 0.101, 12);
  expect(
    bounds({ kind: 'weight', member: 'out', massKg: 2, resolutionKg: 0, drumMm: 80, resolutionMm: 0 })[1],
  ).toBeCloseTo(2 * 9.80665 * 0.04, 12);
  // A motor of 0.6 N·m that turns at 250 rpm free and at 200 with the box gives it a fifth.
  expect(bounds({ kind: 'slowing', stallTorqueNm: 0.6, freeRpm: 250, rpm: 200, resolution: 0 })[1]).toBeCloseTo(
    0.12,
    12,
  );
  expect(bounds({ kind: 'radii', mesh: 'm5', radiusMm: 20, otherMm: 30, resolutionMm: 0.5 })).toEqual([
    29.5 / 20.5,
    1.5,
    30.5 / 19.5,
  ]);
  expect(
    bounds({ kind: 'tip', member: 'out', diameterMm: 100, resolutionMm: 0, rpm: 600, resolution: 0 })[1],
  ).toBeCloseTo(Math.PI, 12);
  expect(measured(of({ kind: 'event', part: 'lay', what: 'pin sheared' }))).toMatchObject({
    quantity: 'event',
    interval: null,
  });
  expect(
    measured(of({ kind: 'marks', member: 'out', marks: 24, passed: 8.5, resolution: 0.5, inputTurns: 1 })).line,
  ).toBe('24 marks × 1 turns in / (8.5 ± 0.5) passed');
});

const decimal = fc.integer({ min: -10_000, max: 10_000 }).map((value) => fromDecimal(value / 100));
const interval = fc.tuple(decimal, decimal, decimal).map((three): Interval => {
  const [least, value, most] = [...three].sort(compare) as [Rational, Rational, Rational];
  return { least, value, most };
});

test('an interval of a product, a quotient, a difference contains all of them', () => {
  const share = fc.integer({ min: 0, max: 100 }).map((value) => fraction(value, 100));
  const within = ({ least, most }: Interval, at: Rational) => sub(least, mul(at, sub(least, most)));
  fc.assert(
    fc.property(interval, interval, share, share, (a, b, s, t) => {
      const [x, y] = [within(a, s), within(b, t)];
      expect(contains(times(a, b), mul(x, y))).toBe(true);
      expect(contains(minus(a, b), sub(x, y))).toBe(true);
      if (!contains(b, fraction(0, 1))) expect(contains(divideIntervals(a, b), div(x, y))).toBe(true);
      else expect(() => divideIntervals(a, b)).toThrow(RangeError);
    }),
  );
  expect(toFraction(exactly(fraction(2, 3)).most)).toBe('2/3');
  expect(plain(read(0.3, 0.1))).toEqual({ value: 0.3, least: 0.2, most: 0.4 });
});

test('a true value read with errors inside the stated resolution is never said not to agree', () => {
  const driving = [TRAM, RAKE, demoTrain('harvester')].flatMap((train) =>
    [...modelOf(train).positions()].flatMap(([id, { ratio }]) => (ratio ? [{ train, id, ratio: abs(ratio) }] : [])),
  );
  const judges = new Map(driving.map(({ train }) => [train, judgeFor(train)]));
  fc.assert(
    fc.property(
      fc.nat(driving.length - 1),
      fc.integer({ min: 1, max: 40 }),
      fc.integer({ min: 4, max: 60 }),
      fc.integer({ min: -100, max: 100 }),
      (at, inputTurns, marks, error) => {
        const { train, id, ratio } = driving[at]!;
        const exact = toNumber(inverse(ratio)) * marks * inputTurns;
        const passed = Number((exact + (0.5 * error) / 101).toFixed(9));
        fc.pre(passed > 0.6);
        const { verdict, others } = judges
          .get(train)!
          .judge(
            of({ kind: 'marks', position: id, member: train.outputs[0], marks, passed, resolution: 0.5, inputTurns }),
          );
        expect(['agrees', 'cannot-tell']).toContain(verdict);
        expect(verdict === 'cannot-tell').toBe(others.length > 0);
      },
    ),
    { numRuns: runs(300) },
  );
});

test('where it cannot tell, so many turns would: with them it can, with one less it need not', () => {
  const { judge } = judgeFor(RAKE);
  const reading = { kind: 'turns' as const, position: '2', member: 'out', resolution: 0.25 };
  // 2.837 : 1 and 1.614 : 1 …: one turn of the input is 0.3525 ± 0.25 of the output, which second, third and first
  // could be.
  const first = judge(of({ ...reading, turns: 0.35, inputTurns: 1 }));
  expect(first.verdict).toBe('cannot-tell');
  expect(first.others).toEqual(expect.arrayContaining(['1']));
  const gaps = first.others.map((id) => {
    const ratio = (one: string) => 1 / Math.abs(toNumber(modelOf(RAKE).positions().get(one)!.ratio!));
    return Math.abs(ratio('2') - ratio(id));
  });
  const n = first.turnsToTell!;
  expect((2 * 0.25) / n).toBeLessThan(Math.min(...gaps));
  expect((2 * 0.25) / (n - 1)).toBeGreaterThanOrEqual(Math.min(...gaps));
  const exact = n / Math.abs(toNumber(modelOf(RAKE).positions().get('2')!.ratio!));
  expect(judge(of({ ...reading, turns: Number(exact.toFixed(6)), inputTurns: n })).verdict).toBe('agrees');
});

describe('what does not agree is explained', () => {
  const explained = (train: typeof TRAM, reading: object) => {
    const { judge, explain } = judgeFor(train);
    const judged = judge(of(reading));
    expect(judged.verdict).toBe('does-not-agree');
    return explain(judged).map(({ says }) => says);
  };
  const turns = (position: string, value: number, inputTurns = 100) => ({
    kind: 'turns',
    position,
    member: 'out',
    turns: value,
    resolution: 0.01,
    inputTurns,
  });

  test('by one element engaged instead of another: two clutches were swapped', () => {
    // First of the rake is 64/13; read as second's 122/43.
    const second = (100 * 43) / 122;
    expect(explained(RAKE, turns('1', Number(second.toFixed(2))))).toContain('agrees with position 2');
    const alone = { ...RAKE, positions: RAKE.positions.filter(({ id }) => id !== '2') };
    expect(explained(alone, turns('1', Number(second.toFixed(2))))).toContain(
      'agrees with Second engaged instead of First',
    );
  });

  test('by the usual slips', () => {
    const ratio = Math.abs(toNumber(modelOf(RAKE).positions().get('1')!.ratio!));
    expect(explained(RAKE, turns('1', Number((100 * ratio).toFixed(2))))).toContain(
      'input and output swapped: out/in for in/out',
    );
    expect(explained(RAKE, turns('1', Number((1000 / ratio).toFixed(2))))).toContain(
      '10 times too little: a factor of 10 left out',
    );
    expect(explained(RAKE, turns('1', Number((6000 / ratio).toFixed(2))))).toContain(
      '60 times too little: a factor of 60 left out',
    );
    const marks = (24 * 4) / ratio;
    expect(
      explained(RAKE, {
        kind: 'marks',
        position: '1',
        member: 'out',
        marks: 24,
        passed: Number((marks - 1).toFixed(2)),
        resolution: 0.25,
        inputTurns: 4,
      }),
    ).toContain('one mark counted too few');
    expect(
      explained(RAKE, {
        kind: 'marks',
        position: '1',
        member: 'out',
        marks: 24,
        passed: Number((marks + 1).toFixed(2)),
        resolution: 0.25,
        inputTurns: 4,
      }),
    ).toContain('one mark counted too many');
  });
});

test('torques: below the ideal is loss, with its efficiency for each mesh; above it nothing explains it', () => {
  const judge = judgeFor(RAKE);
  const scale = (grams: number): Reading =>
    of({
      kind: 'scale',
      position: '1',
      member: 'out',
      grams,
      resolutionG: 1,
      armMm: 100,
      resolutionMm: 0,
      inputTorqueNm: 0.1,
    });
  const ideal = 0.1 * Math.abs(toNumber(modelOf(RAKE).positions().get('1')!.ratio!));
  const gramsAt = (share: number) => Number((((share * ideal) / 9.80665 / 0.1) * 1000).toFixed(1));
  const lossy = judge.judge(scale(gramsAt(0.9)));
  expect(lossy.verdict).toBe('no-verdict');
  const [found] = efficiencies(judge, [lossy]);
  expect(found!.value).toBeCloseTo(0.9, 3);
  expect(found!.meshes).toBe(2);
  expect(found!.perMesh).toBeCloseTo(Math.sqrt(0.9), 3);
  expect(judge.judge(scale(gramsAt(1.1))).verdict).toBe('does-not-agree');
  const engaged = RAKE.positions.find(({ id }) => id === '1')!.engaged;
  expect(meshEfficiencyFor(RAKE, engaged, 0.9)).toBeCloseTo(Math.sqrt(0.9), 3);
  expect(meshEfficiencyFor(RAKE, engaged, 1.2)).toBeNull();
});

test('a correction takes the place of what it corrects, and both stay; corrections of corrections too', () => {
  const reading = (id: string, passed: number): Reading =>
    of({ id, kind: 'marks', position: '1', member: 'out', marks: 24, passed });
  const log: Log = {
    format: 'tin-wheel/log',
    version: 1,
    readings: [reading('a', 16), reading('b', 10)],
    corrections: [
      { of: 'a', why: 'wrong count typed', reading: reading('a2', 11) },
      { of: 'a2', why: 'wrong again', reading: reading('a3', 10) },
    ],
  };
  expect(readLog(JSON.stringify(log))).toEqual({ ok: true, value: log });
  const [first, second] = countedIn(log);
  expect(first!.reading.id).toBe('a3');
  expect(first!.was.map(({ reading: { id }, why }) => [id, why])).toEqual([
    ['a', 'wrong count typed'],
    ['a2', 'wrong again'],
  ]);
  expect(second).toEqual({ reading: log.readings[1], was: [] });
  expect(judgeLog(TRAM, log).map(({ verdict }) => verdict)).toEqual(['agrees', 'agrees']);
});

const LOG = { format: 'tin-wheel/log', version: 1 } as const;
const MARKS = { id: 'a', kind: 'marks', position: '1', member: 'out', marks: 24, passed: 10 } as const;

test.each([
  [{ ...LOG, readings: [MARKS, MARKS] }, 'readings[1].id: "a" stands in the log twice.'],
  [
    { ...LOG, readings: [], corrections: [{ of: 'z', why: 'x', reading: MARKS }] },
    'corrections[0].of: there is no reading "z".',
  ],
  [
    { ...LOG, readings: [{ ...MARKS, passed: 0 }] },
    'readings[0].passed: The number of marks passed is a number above 0.',
  ],
  [{ ...LOG, version: 2, readings: [] }, 'version: The version must be 1.'],
])('the log %j is refused with its place', (log, message) => {
  const read = readLog(JSON.stringify(log));
  expect(read.ok ? 'read' : refusalText(read)).toBe(message);
});

test.each([
  [{ ...MARKS, kind: 'frames', frames: 0, frameRate: 50, marks: undefined, passed: undefined }, 'frames'],
  [{ id: 'a', kind: 'frames', member: 'out', frames: 3, frameRate: 0 }, 'frameRate'],
  [{ id: 'a', kind: 'scale', member: 'out', grams: 10, armMm: 0 }, 'armMm'],
  [{ ...MARKS, position: '9' }, 'position'],
  [{ ...MARKS, member: 'nobody' }, 'member'],
  [{ ...MARKS, resolution: 10 }, 'resolution'],
  [{ ...MARKS, position: '4', member: 'frontSun' }, 'member'],
])('the reading %j is refused at its field', (reading, place) => {
  const read = readReading(reading, TRAM);
  expect(read.ok ? 'read' : placeText(read.problems[0].path)).toBe(place);
});

test('a position that locks is no place for a reading', () => {
  const locked = readReading({ ...MARKS, position: '1+2' }, RAKE);
  expect(locked).toMatchObject({
    ok: false,
    problems: [{ path: ['position'], message: expect.stringContaining('locks') }],
  });
});

test('the bounds are what the printed line gives, worked out with the ends of every figure in it', () => {
  // A motor of 1 N·m, 400 rpm free, 300 with the box: 1 − 299/401 at the most, 1 − 301/399 at the least.
  const [least, , most] = bounds({ kind: 'slowing', stallTorqueNm: 1, freeRpm: 400, rpm: 300, resolution: 1 });
  expect([least, most]).toEqual([expect.closeTo(1 - 301 / 399, 12), expect.closeTo(1 - 299 / 401, 12)]);
  const watts = plain(
    slowingWatts(
      of({ kind: 'slowing', stallTorqueNm: 1, freeRpm: 400, rpm: 300, resolution: 1 }) as Extract<
        Reading,
        { kind: 'slowing' }
      >,
    ),
  );
  expect(watts.least).toBeCloseTo(((1 - 301 / 399) * 299 * Math.PI) / 30, 9);
  expect(watts.most).toBeCloseTo(((1 - 299 / 401) * 301 * Math.PI) / 30, 9);
  for (const [reading, perUnit] of [
    [{ kind: 'marks', member: 'out', marks: 24, passed: 8.5, resolution: 0.5, inputTurns: 3 }, 1],
    [{ kind: 'turns', member: 'out', turns: 4, resolution: 0.25, inputTurns: 10 }, 1],
    [{ kind: 'angle', member: 'out', degrees: 90, resolution: 2 }, 1],
    [{ kind: 'frames', member: 'out', frames: 30, frameRate: 59.94, turns: 2, resolution: 1 }, 1],
    [{ kind: 'tachometer', member: 'out', rpm: 120, resolution: 0.5 }, 1],
    [{ kind: 'scale', member: 'out', grams: 250, resolutionG: 5, armMm: 100, resolutionMm: 1 }, 1e-6],
    [{ kind: 'weight', member: 'out', massKg: 2, resolutionKg: 0.1, drumMm: 80, resolutionMm: 1 }, 1e-3],
    [{ kind: 'slowing', stallTorqueNm: 0.6, freeRpm: 250, rpm: 200, resolution: 2 }, 1],
    [{ kind: 'radii', mesh: 'm5', radiusMm: 20, otherMm: 30, resolutionMm: 0.5 }, 1],
    [{ kind: 'tip', member: 'out', diameterMm: 100, resolutionMm: 1, rpm: 600, resolution: 5 }, 1 / 60_000],
  ] as const) {
    const { line } = measured(of(reading));
    // Every figure "(a ± b)" of the line at either of its ends.
    const figures = [...line.matchAll(/\((\S+) ± (\S+?)\)/g)];
    const values = Array.from({ length: 2 ** figures.length }, (_, choice) => {
      let k = 0;
      const filled = line.replace(/\((\S+) ± (\S+?)\)/g, (_whole, a: string, b: string) =>
        String(Number(a) + (choice & (1 << k++) ? Number(b) : -Number(b))),
      );
      return perUnit * arithmetic(filled);
    });
    const [low, , high] = bounds(reading);
    expect([line, low, high]).toEqual([
      line,
      expect.closeTo(Math.min(...values), 9),
      expect.closeTo(Math.max(...values), 9),
    ]);
  }
});

/** Works out "24 × 3 / 8 × (1 − 2 / 3)" with its units left out. */
function arithmetic(line: string): number {
  const plainLine = line
    .replaceAll('π', String(Math.PI))
    .replace(/[a-zA-Z]+\/[a-z]+|[a-zA-Z]+(·[a-zA-Z]+)?|°/g, '')
    .replaceAll('×', '*')
    .replaceAll('−', '-');
  const tokens = plainLine.match(/[\d.]+(?:e[+-]?\d+)?|[()*/+-]/g) ?? [];
  let at = 0;
  const factor = (): number => {
    const token = tokens[at++]!;
    if (token !== '(') return Number(token);
    const value = sum();
    at++;
    return value;
  };
  const term = (): number => {
    let value = factor();
    while (tokens[at] === '*' || tokens[at] === '/') value = tokens[at++] === '*' ? value * factor() : value / factor();
    return value;
  };
  function sum(): number {
    let value = term();
    while (tokens[at] === '+' || tokens[at] === '-') value = tokens[at++] === '+' ? value + term() : value - term();
    return value;
  }
  return sum();
}
