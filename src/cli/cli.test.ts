import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { runHere } from '@/testing/command';

const ROOT = join(__dirname, '../..');
const run = runHere;
/** Started as people do, with this on its standard input. */
const runWith = (input: string, ...args: string[]) =>
  spawnSync(process.execPath, ['bin/tinwheel', ...args], { cwd: ROOT, encoding: 'utf8', input });
const train = (name: string) => `demo/trains/${name}.train.json`;

describe('solve', () => {
  test('prints exact figures of the position asked for, and in units', () => {
    const { stdout, status } = run(
      'solve',
      train('pan-rake'),
      '--position',
      'R',
      '--speed',
      '592 rpm',
      '--torque',
      '1.33Nm',
    );
    expect(status).toBe(0);
    const { losses, positions } = JSON.parse(stdout);
    expect(losses).toBe(false);
    expect(Object.keys(positions)).toEqual(['R']);
    expect(positions.R.ratio).toBe('-592/133');
    expect(positions.R.inUnits).toMatchObject({ speed: 'rpm', torque: 'N·m', outputTorque: { out: -5.92 } });
    expect(positions.R.inUnits.speeds.out).toBe(-133);
  });

  test('counts losses when asked', () => {
    const { stdout } = run('solve', train('stirrer'), '--losses');
    expect(JSON.parse(stdout)).toEqual(
      JSON.parse(readFileSync(join(ROOT, 'src/core/solve/cases/stirrer.expected.json'), 'utf8')),
    );
  });

  test('drives it backward when asked', () => {
    const { stdout } = run('solve', train('draisine-hub'), '--reverse-flow');
    expect(JSON.parse(stdout).positions['1'].backward).toBe('slips');
  });
});

describe('loads', () => {
  test('of one motion give the input torque and every other; an output without one counts as unloaded', () => {
    const { stdout } = run('solve', train('sluice-winch'), '--load', 'drum=6 Nm');
    expect(JSON.parse(stdout).positions.wind.loads).toMatchObject({ inputTorqueNm: 0.5, outputTorqueNm: { drum: -6 } });
    const dial = JSON.parse(run('solve', train('tide-dial'), '--load', 'day=0.2Nm').stdout);
    const [{ loads }] = Object.values(dial.positions) as [{ loads: { outputTorqueNm: Record<string, number> } }];
    expect(Object.values(loads.outputTorqueNm).filter((torque) => torque !== 0)).toHaveLength(1);
  });

  test('of a differential fix one another, or are refused with the motion that would begin', () => {
    const solved = JSON.parse(run('solve', train('wagon-axle'), '--position', 'open', '--load', 'left=4Nm').stdout);
    expect(solved.positions.open.loads.outputTorqueNm).toEqual({ left: 4, right: 4 });
    const { status, stdout, stderr } = run('solve', train('wagon-axle'), '--load', 'left=4Nm', '--load', 'right=5Nm');
    expect([status, stdout]).toEqual([2, '']);
    expect(stderr).toMatch(
      /position "open" these loads do not balance: with the input at rest they would turn .*forward.*back|back.*forward/,
    );
  });

  test.each([
    [['--load', 'nobody=1Nm'], 'no output'],
    [['--load', 'drum'], 'an output and its torque'],
    [['--load', 'drum=1'], 'Give --load drum in'],
    [['--load', 'drum=1Nm', '--load', 'drum=2Nm'], 'two loads'],
    [['--load', 'drum=1Nm', '--reverse-flow'], 'does not go with --reverse-flow'],
  ])('%j is refused', (options, message) => {
    const { status, stdout, stderr } = run('solve', train('sluice-winch'), ...options);
    expect([status, stdout, stderr.trimEnd().split('\n').length]).toEqual([2, '', 1]);
    expect(stderr).toContain(message);
  });
});

describe('the program itself', () => {
  test('every verb says what it does, its options and one example', () => {
    const verbs = [...run('--help').stdout.matchAll(/tinwheel (\w+) /g)].map(([, verb]) => verb!);
    for (const verb of ['solve', 'gear', 'sheet', 'bundle', 'restore']) expect(verbs).toContain(verb);
    for (const verb of ['solve', 'gear', 'sheet', 'bundle']) {
      const { status, stdout } = run(verb, '--help');
      expect(status).toBe(0);
      expect(stdout).toMatch(
        new RegExp(`^usage: tinwheel ${verb} .*\n\n.*\\.\n\n(  .+\n)+\nExample: tinwheel ${verb} `),
      );
    }
    expect(runWith('', '--version').stdout).toMatch(/^tinwheel \d+\.\d+\.\d+\n$/);
  });

  test('a minus in place of a file is standard input, once', () => {
    const text = readFileSync(join(ROOT, train('crawler')), 'utf8');
    expect(runWith(text, 'check', '-').stdout).toMatch(/^Crawler transmission: a sound document/);
    expect(runWith(text, 'measure', '-', '--log', '-').stderr).toContain('standard input is read once');
    expect(runWith('{', 'check', '-').status).toBe(2);
  });
});

test('travel takes the places of other selectors, and says which pairs of places lock', () => {
  const range = train('range-box');
  const alone = JSON.parse(run('travel', range).stdout) as Record<
    string,
    { engaged: string[]; status: string; fromMm: number; toMm: number; locksWith?: object[] }[]
  >;
  const [first, second] = Object.keys(alone) as [string, string];
  expect(
    Object.values(alone)
      .flat()
      .some(({ locksWith }) => locksWith !== undefined),
  ).toBe(false);
  expect(
    Object.values(alone)
      .flat()
      .every(({ status }) => status === 'neutral'),
  ).toBe(true);
  const places = Object.entries(alone)
    .slice(1)
    .flatMap(([id, [stretch]]) => ['--at', `${id}=${stretch!.fromMm}`]);
  const driven = JSON.parse(run('travel', range, ...places).stdout);
  expect(driven[first].some(({ status }: { status: string }) => status === 'drive')).toBe(true);
  expect(run('travel', range, '--at', 'nothing=3').stderr).toContain('no selector "nothing"');
  expect(run('travel', range, '--at', `${second}=far`).stderr).toContain('not a number of mm');
});

test('combinations lists every set, smallest first, and agrees with solving each', () => {
  const { combinations } = JSON.parse(run('combinations', train('harvester')).stdout) as {
    combinations: { engaged: string[]; status: string; ratio: string | null }[];
  };
  expect(combinations).toHaveLength(32);
  expect(combinations.map(({ engaged }) => engaged.length)).toEqual(
    [...combinations.map(({ engaged }) => engaged.length)].sort((a, b) => a - b),
  );
  expect(combinations.find(({ engaged }) => engaged.join('') === 'ABE')?.ratio).toBe('378/125');
  expect(combinations.at(-1)).toEqual({
    engaged: ['A', 'B', 'C', 'D', 'E'],
    status: 'locked',
    mobility: 0,
    ratio: null,
  });
});

test('trace tells the working and the power path', () => {
  const { stdout } = run('trace', train('harvester'), '--position', 'R');
  expect(stdout).toContain('no set has a single unknown; together:');
  expect(stdout).toContain(
    '(ω(drive drum) − ω(wheel carrier)) = -50/18 × 18/86 × (ω(link drum) − ω(wheel ' +
      'carrier)) = (-25/43) × (ω(link drum) − ω(wheel carrier))',
  );
  expect(stdout).toContain('Recirculating 425/736');
  const chain = run('trace', train('sluice-winch'), '--convention', 'out/in').stdout;
  expect(chain).toContain('to drum: × -15/45 = -1/12');
});

describe('bad input is one line on stderr and exit 2, with nothing half printed', () => {
  let folder: string;
  beforeAll(() => (folder = mkdtempSync(join(tmpdir(), 'tin-wheel-cli-'))));
  afterAll(() => rmSync(folder, { recursive: true }));
  const file = (text: string) => {
    const path = join(folder, 'bad.train.json');
    writeFileSync(path, text);
    return path;
  };
  const stirrer = readFileSync(join(ROOT, train('stirrer')), 'utf8');

  test.each<[string, () => string[], RegExp]>([
    ['no file', () => ['solve'], /name the train file/],
    ['a missing file', () => ['solve', 'nowhere.json'], /there is no file "nowhere\.json"/],
    ['a folder', () => ['check', folder], /cannot be read/],
    ['no JSON', () => ['check', file('{')], /this is not JSON/i],
    [
      'a bad tooth count',
      () => ['check', file(stirrer.replace('"teeth": 72', '"teeth": 7.2'))],
      /gears\[2\]\.teeth: A tooth count must be a whole number/,
    ],
    ['a broken name', () => ['check', file(stirrer.replace('"id": "sun"', '"id": "su\\n\\nn"'))], /members\[0\]\.id: /],
    [
      'an unknown position',
      () => ['solve', train('stirrer'), '--position', '9'],
      /no position "9"\. This train has slow, direct/,
    ],
    ['a speed without a unit', () => ['solve', train('stirrer'), '--speed', '12'], /Give --speed in rpm, rad\/s/],
    ['an unknown option', () => ['solve', train('stirrer'), '--fast'], /Unknown option '--fast'/],
    ['an unknown school', () => ['trace', train('stirrer'), '--sets', 'guess'], /--sets is formula or table/],
    ['an unknown command', () => ['turn', train('stirrer')], /no command "turn"/],
    ['two files', () => ['check', train('stirrer'), train('crawler')], /one train file at a time/],
  ])('%s', (_, args, message) => {
    const { status, stdout, stderr } = run(...args());
    expect(status).toBe(2);
    expect(stdout).toBe('');
    expect(stderr).toMatch(message);
    expect(stderr.trimEnd().split('\n')).toHaveLength(1);
  });

  test('check names every problem, a line each; other verbs the first and how many more', () => {
    const bad = file(stirrer.replace('"teeth": 72', '"teeth": 7.2').replace('"teeth": 24', '"teeth": 0'));
    const lines = run('check', bad).stderr.trimEnd().split('\n');
    expect(lines).toHaveLength(2);
    for (const line of lines) expect(line).toMatch(/gears\[\d\]\.teeth: A tooth count must be/);
    expect(run('solve', bad).stderr).toMatch(/\(and 1 more\)\n$/);
  });

  test('sets are traced by formula or by table', () => {
    expect(run('trace', train('crawler'), '--position', '2').stdout).toContain('(ω(ring) − 5/11) / (0 − 5/11) = -6/13');
    expect(run('trace', train('crawler'), '--position', '2', '--sets', 'table').stdout).toContain(
      'ω(ring) = n + (-6/13)·m = 95/143',
    );
  });

  test('a sound document is said to be one', () =>
    expect(run('check', train('crawler')).stdout).toMatch(/^Crawler transmission: a sound document with 7 members/));
});

test('chart prints the rows with their steps and what they come to', () => {
  const { positions, forward, duplicates } = JSON.parse(run('chart', train('mud-tram')).stdout);
  const expected = JSON.parse(readFileSync(join(ROOT, 'src/core/gear-chart/cases/chart.mud-tram.json'), 'utf8'));
  expect(positions.map(({ id, step }: { id: string; step: string }) => [id, step])).toEqual(
    expected.positions.map(({ id, step }: { id: string; step: string }) => [id, step]),
  );
  expect([forward, duplicates]).toEqual([expected.forward, expected.duplicates]);
});

test('shifts prints neighbours, or the pair asked for, and says what is wrong with a pair', () => {
  const cases = JSON.parse(readFileSync(join(ROOT, 'src/core/gear-chart/cases/shifts.mud-tram.json'), 'utf8'));
  expect(JSON.parse(run('shifts', train('mud-tram')).stdout).shifts.slice(0, 3)).toEqual(cases.shifts);
  const pair = JSON.parse(run('shifts', train('pan-rake'), '--from', '1', '--to', '3').stdout);
  expect(pair.shifts).toMatchObject([{ from: '1', to: '3', off: ['first'], on: ['third'], verdict: 'single' }]);
  expect(run('shifts', train('pan-rake'), '--from', '1').stderr).toContain('--from and --to go together');
  const locked = JSON.parse(run('shifts', train('pan-rake'), '--from', '1', '--to', '1+2').stdout);
  expect(locked.shifts).toMatchObject([{ verdict: 'blocked', locked: ['1+2'] }]);
  expect(run('shifts', train('pan-rake'), '--from', '1', '--to', '1').stderr).toContain('a shift has two ends');
  const unknown = run('shifts', train('pan-rake'), '--from', '1', '--to', 'nine');
  expect([unknown.status, unknown.stderr]).toEqual([2, expect.stringContaining('there is no position "nine"')]);
});

test('influence prints every gear of every driving position, exact', () => {
  const { positions } = JSON.parse(run('influence', train('pan-rake')).stdout);
  const cases = JSON.parse(
    readFileSync(join(ROOT, 'src/core/gear-chart/cases/influence.pan-rake.position-2.json'), 'utf8'),
  );
  expect(positions['2']).toEqual(cases.positions['2']);
  expect(Object.keys(positions).sort()).toEqual(['1', '2', '3', '4', 'R']);
});

describe('practice', () => {
  test('prints questions with answers, slips and working; the same seed the same, a skill alone', () => {
    const ask = (...options: string[]) => run('practice', train('pan-rake'), ...options).stdout;
    const { questions } = JSON.parse(ask('--seed', '7', '--count', '12')) as { questions: Record<string, unknown>[] };
    expect(questions).toHaveLength(12);
    expect(questions[0]).toMatchObject({
      id: 'q1',
      skill: expect.any(String),
      text: expect.any(String),
      answer: expect.objectContaining({ kind: expect.any(String) }),
      slips: expect.any(Array),
      working: expect.any(Array),
    });
    expect(ask('--seed', '7', '--count', '12')).toBe(ask('--seed', '7', '--count', '12'));
    const ratios = JSON.parse(ask('--skill', 'ratio', '--count', '3')) as { questions: { skill: string }[] };
    expect(ratios.questions.map(({ skill }) => skill)).toEqual(['ratio', 'ratio', 'ratio']);
  });

  test.each([
    [['--skill', 'juggling'], '--skill: there is no skill "juggling"'],
    [['--seed', 'x'], '--seed is a whole number'],
    [['--count', '0'], '--count is a whole number from 1 to 1000'],
  ])('%j is refused', (options, message) => {
    expect(run('practice', train('pan-rake'), ...options)).toMatchObject({
      status: 2,
      stderr: expect.stringContaining(message),
    });
  });
});

describe('the bench', () => {
  const cases = (name: string) => join(__dirname, '../core', name);

  test('measure prints what readings prove; a log that does not fit the train is told in one line', () => {
    const log = cases('measurement/cases/measure.mud-tram.log.json');
    const { readings } = JSON.parse(run('measure', train('mud-tram'), '--log', log).stdout) as {
      readings: { verdict: string }[];
    };
    expect(readings.map(({ verdict }) => verdict)).toEqual(['agrees', 'agrees', 'does-not-agree', 'no-verdict']);
    expect(run('measure', train('sluice-winch'), '--log', log)).toMatchObject({
      status: 2,
      stderr: expect.stringMatching(/reading "a": position: there is no position "1" in this train\.\n$/),
    });
    expect(run('measure', train('mud-tram'))).toMatchObject({ status: 2, stderr: expect.stringContaining('--log') });
  });

  test('diagnose prints suspects and what to try next', () => {
    const seen = cases('faults/cases/diagnose.mud-tram.seen.json');
    const { suspects } = JSON.parse(run('diagnose', train('mud-tram'), '--seen', seen).stdout) as {
      suspects: object[];
    };
    expect(suspects[0]).toEqual({ fault: 'never-holds', part: 'front roller', agrees: 8, of: 8 });
    expect(run('diagnose', train('pan-rake'), '--seen', seen)).toMatchObject({
      status: 2,
      stderr: expect.stringContaining('there is no position'),
    });
  });
});

describe('scenarios', () => {
  const cases = 'src/core/shifting/cases';
  test('points prints operating points and shift points', () => {
    const { stdout, status } = run('points', train('pan-rake'), '--scenario', `${cases}/points.pan-rake.scenario.json`);
    expect(status).toBe(0);
    const { positions, shifts } = JSON.parse(stdout);
    expect(positions['1'].inputRpm).toBeCloseTo(152.578125, 9);
    expect(shifts[0]).toMatchObject({ from: '1', to: '2', downAt: expect.closeTo(0.3655536028119508, 12) });
  });

  test('run prints what happened and where the energy went, or its samples as CSV', () => {
    const scenario = ['--scenario', `${cases}/points.pan-rake.scenario.json`];
    const { events, final, energy, verdicts } = JSON.parse(run('run', train('pan-rake'), ...scenario).stdout);
    expect(events[0]).toMatchObject({ kind: 'shift', from: '1', to: '2' });
    expect(final).toMatchObject({ position: '2', inputRpm: expect.closeTo(132.40722656, 6) });
    expect(energy.motorJ).toBeCloseTo(energy.loadJ + energy.lossJ + energy.storedJ, 3);
    expect(verdicts).toEqual([]);
    const [head, first] = run('run', train('pan-rake'), ...scenario, '--csv').stdout.split('\n');
    expect(head).toBe('timeS,position,inputRpm,outputRpm,inputTorqueNm,outputTorqueNm,powerShare,read');
    expect(first).toMatch(/^0,1,0,0,6,/);
  });

  test('travel prints every selector’s stretches; what is missing is one line', () => {
    const { fine } = JSON.parse(run('travel', train('range-box')).stdout);
    expect(fine[0]).toEqual({ fromMm: 0, toMm: 12, engaged: ['c1'], status: 'neutral', ratio: null });
    expect(run('points', train('pan-rake')).stderr).toBe('tinwheel: --scenario: name the scenario file.\n');
    const bad = run('run', train('sluice-winch'), '--scenario', `${cases}/points.pan-rake.scenario.json`);
    expect([bad.status, bad.stderr]).toEqual([2, expect.stringMatching(/order: there is no position "1"/)]);
  });
});

describe('find', () => {
  const cases = 'src/core/tooth-search/cases';
  test('prints the best chains, as was worked out independently', () => {
    const { stdout, status } = run('find', `${cases}/find.two-stages.spec.json`);
    expect(status).toBe(0);
    const { proven, examined, results } = JSON.parse(stdout);
    const expected = JSON.parse(readFileSync(join(ROOT, `${cases}/find.two-stages.ratios-and-errors.json`), 'utf8'));
    expect(proven).toBe(expected.proven);
    expect(examined).toBeGreaterThan(1000);
    expect(results.map(({ ratio }: { ratio: string }) => ratio)).toEqual(
      expected.results.map(({ ratio }: { ratio: string }) => ratio),
    );
    for (const { pairs, ratio } of results) {
      const [n, d] = ratio.split('/').map(Number);
      const product = pairs.reduce((all: number, [driver, driven]: [number, number]) => (all * driven) / driver, 1);
      expect(product).toBeCloseTo(n! / d!, 12);
    }
  });

  test('sets and ladders likewise, and what is wrong is one line', () => {
    const folder = mkdtempSync(join(tmpdir(), 'tin-wheel-find-'));
    const find = (spec: unknown) => {
      writeFileSync(
        join(folder, 'search.json'),
        JSON.stringify({ format: 'tin-wheel/search', version: 1, ...(spec as object) }),
      );
      return run('find', join(folder, 'search.json'));
    };
    const planetary = {
      input: 'sun',
      output: 'carrier',
      held: 'ring',
      sun: [12, 60],
      planet: [12, 60],
      ring: [12, 200],
      copies: [3, 4],
    };
    const [set] = JSON.parse(find({ target: '17/5', planetary }).stdout).results;
    expect(set).toMatchObject({ ratio: '17/5', error: 0 });
    expect(set.ring).toBe(set.sun + 2 * set.planet);
    const ladder = { from: '1', to: '2', positions: 12, steps: 'geometric' };
    const [best] = JSON.parse(find({ teeth: { min: 20, max: 120 }, ladder }).stdout).results;
    expect(best.pairs).toHaveLength(12);
    expect(best.pairs.every(([a, b]: [number, number]) => a + b === best.sum)).toBe(true);
    expect(best.worst).toBeLessThan(0.02);
    const fit = { free: { l: [10, 40] }, targets: { wind: '12' } };
    const fitted = JSON.parse(find({ fit: { ...fit, train: train('sluice-winch') } }).stdout);
    expect(fitted.proven).toBe(true);
    expect(fitted.examined).toBe(31);
    expect(Object.keys(fitted.results[0])).toEqual(['teeth', 'ratios', 'worst']);
    expect(find({ fit: { ...fit, train: train('sluice-winch'), free: { x: [1, 2] } } }).stderr).toContain(
      'has no gear "x"',
    );
    const bad = find({ target: '0', stages: 2, teeth: { min: 12, max: 60 } });
    expect(bad.status).toBe(2);
    expect(bad.stderr).toMatch(/^tinwheel: .*search\.json: target: the ratio must be above 0.*\n$/);
    const short = find({ target: '400', stages: 2, teeth: { stock: [12, 24, 60] } });
    expect(short.status).toBe(2);
    expect(short.stderr).toMatch(/reach from 0.04000 to 25.00, and 400.0 lies beyond/);
    // Nothing within a largest error is an answer, with its reason.
    const none = find({ target: '3.1', stages: 2, teeth: { min: 12, max: 60 }, same: true, maxError: 1e-9 });
    expect(none.status).toBe(0);
    expect(JSON.parse(none.stdout)).toMatchObject({
      proven: true,
      results: [],
      why: expect.stringMatching(/exclude each other/),
    });
    const outputs = [
      { name: 'minute', wanted: { form: 'period', in: '1 rpm', time: '1 h' } },
      { name: 'hour', wanted: { form: 'period', in: '1 rpm', time: '12 h' } },
    ];
    const [dials] = JSON.parse(find({ outputs, stages: [1, 2], teeth: { min: 8, max: 80 } }).stdout).results;
    expect(dials).toMatchObject({
      worst: 0,
      outputs: [
        { name: 'minute', ratio: '60' },
        { name: 'hour', ratio: '720' },
      ],
    });
    expect(run('find', join(folder, 'none.json')).stderr).toContain('there is no file');
    rmSync(folder, { recursive: true });
  });
});

test('the words of a school stand in the trace and on the sheet, names stay; a word of none is refused', () => {
  const rake = run('trace', train('pan-rake'), '--words', 'layshaft').stdout;
  expect(rake).toContain('countershaft');
  const tram = run('trace', train('mud-tram'), '--words', 'freewheel').stdout;
  expect(tram).toContain('Freewheel');
  expect(tram).not.toMatch(/one-way/i);
  expect(run('trace', train('mud-tram')).stdout).toContain('One-way clutch');
  const refused = run('trace', train('mud-tram'), '--words', 'gadget');
  expect([refused.status, refused.stderr]).toEqual([2, expect.stringContaining('"gadget" is none of them')]);
});
