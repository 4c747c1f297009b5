import fc from 'fast-check';
import { checkDesign } from '../checks';
import { drawSideView } from '../drawing';
import { toFraction, toNumber } from '../rational';
import { solveEngaged } from '../solve';
import type { Train } from '../train';
import { buildPattern, PATTERNS, type Pattern } from '.';
import { modelOf } from '../model';

const pattern = (key: string): Pattern => PATTERNS.find((one) => one.key === key)!;

function made(key: string, answers: Record<string, number> = {}): Train {
  const built = buildPattern(pattern(key), 'A new train', answers);
  if (!built.ok) throw new Error(built.message);
  return built.train;
}

const ratio = (train: Train, engaged: readonly string[] = []) =>
  toFraction(solveEngaged(modelOf(train).open, engaged).ratio!);

test('every pattern makes a train that drives and can be drawn, as it is', () => {
  for (const { key, asks } of PATTERNS.filter(({ key: one }) => one !== 'nothing')) {
    const train = made(key);
    const solved =
      train.positions.length > 0 ? [...modelOf(train).positions().values()] : [solveEngaged(modelOf(train).open, [])];
    expect(solved.some(({ status }) => status === 'drive')).toBe(true);
    const drawn = drawSideView(train, { width: 880, height: 380 });
    expect(drawn.ok && drawn.view.crossings).toEqual([]);
    expect(asks.length).toBeGreaterThan(0);
  }
});

test('the counts that are asked for give the textbook ratios', () => {
  expect(ratio(made('pair', { driver: 20, driven: 50 }))).toBe('-5/2');
  expect(ratio(made('idler', { driver: 20, driven: 50 }))).toBe('5/2');
  expect(ratio(made('compound', { stages: 4, driver: 10, driven: 30 }))).toBe('81');
  expect(ratio(made('worm', { starts: 2, wheel: 41 }))).toBe('41/2');
  expect(ratio(made('planetary', { sun: 30, planet: 15 }), ['hold'])).toBe('3');
  expect(ratio(made('stepped'), ['hold'])).toBe('1/11');
  expect(ratio(made('double-pinion'), ['hold'])).toBe('13/5');
});

test('nothing of what a pattern makes is wrong', () => {
  for (const { key } of PATTERNS.filter(({ key: one }) => one !== 'nothing'))
    expect([
      key,
      ...checkDesign(made(key))
        .filter(({ weight }) => weight === 'wrong')
        .map(({ what }) => what),
    ]).toEqual([key]);
});

test('a train of nothing is two shafts', () => {
  expect(made('nothing')).toMatchObject({ gears: [], meshes: [], input: 'input', outputs: ['output'] });
});

test('a hub has 1 + 2 speeds for every sun, rising evenly through direct', () => {
  for (const suns of [2, 3]) {
    const train = made('hub', { suns });
    const ratios = train.positions.map(({ engaged }) => toNumber(solveEngaged(modelOf(train).open, engaged).ratio!));
    expect(ratios).toHaveLength(1 + 2 * suns);
    expect(ratios).toEqual([...ratios].sort((a, b) => b - a));
    expect(ratios[suns]).toBe(1);
    // What goes slow by one way goes as fast by the other.
    ratios.forEach((ratio, i) => expect(ratio * ratios[ratios.length - 1 - i]!).toBeCloseTo(1, 12));
  }
});

test('two sets on one sun shaft give the textbook ratios', () => {
  const train = made('two-set', { sun: 30, planet: 18, rearSun: 24, rearPlanet: 21 });
  const of = (name: string) =>
    toFraction(solveEngaged(modelOf(train).open, train.positions.find((one) => one.name === name)!.engaged).ratio!);
  // First, the rear carrier held, the sun shaft turning at −R₂/S₂ of the output: (S₁ + R₁ + S₁ R₂/S₂) / R₁ = (30 + 66 +
  // 30 · 66/24) / 66.
  expect(of('1')).toBe('119/44');
  expect(of('2')).toBe('16/11');
  expect(of('3')).toBe('1');
  expect(of('R')).toBe('-11/4');
});

test('the carrier of a differential adds what comes by two paths', () => {
  const train = made('adder');
  const of = (name: string) =>
    solveEngaged(modelOf(train).open, train.positions.find((one) => one.name === name)!.engaged).ratio!;
  expect(toFraction(of('one path'))).toBe('7/2');
  // Ring at 20/40 · 24/72 = 1/6 of the input: (24 + 60/6) / 84.
  expect(toFraction(of('both paths'))).toBe('42/17');
});

test('a range box doubles the speeds, by one factor', () => {
  const train = made('range', { speeds: 3 });
  const solved = modelOf(train).positions();
  for (const n of [1, 2, 3])
    expect(toNumber(solved.get(`L${n}`)!.ratio!) / toNumber(solved.get(`H${n}`)!.ratio!)).toBeCloseTo(1 + 60 / 24, 12);
  expect(toFraction(solved.get('H3')!.ratio!)).toBe('1');
  expect(toNumber(solved.get('R')!.ratio!)).toBeLessThan(0);
});

test('a countershaft box has its speeds in falling order, the last direct, and a reverse', () => {
  fc.assert(
    fc.property(fc.integer({ min: 2, max: 9 }), fc.integer({ min: 250, max: 700 }), (speeds, hundredths) => {
      const first = hundredths / 100;
      const train = made('countershaft', { speeds, first, sum: 70 });
      const solved = modelOf(train).positions();
      const ratios = Array.from({ length: speeds }, (_, i) => toNumber(solved.get(`${i + 1}`)!.ratio!));
      for (let i = 1; i < speeds; i++) expect(ratios[i]!).toBeLessThan(ratios[i - 1]! + 1e-9);
      expect(ratios.at(-1)).toBe(1);
      expect(Math.abs(ratios[0]! / first - 1)).toBeLessThan(0.12);
      expect(toNumber(solved.get('R')!.ratio!)).toBeLessThan(0);
      expect(solved.get('N')!.status).toBe('neutral');
    }),
    { numRuns: 30 },
  );
});

test('answers that make no sense are refused by name', () => {
  const message = (key: string, answers: Record<string, number>) => {
    const built = buildPattern(pattern(key), 'x', answers);
    return built.ok ? null : built.message;
  };
  expect(message('pair', { driver: 0 })).toBe('Driver teeth must be a whole number from 4 to 100000.');
  expect(message('countershaft', { first: 0.5 })).toBe('First ratio, in/out must be a number from 1.1 to 30.');
  expect(message('countershaft', { first: NaN })).toContain('First ratio, in/out must be a number');
  expect(message('compound', { stages: 2.5 })).toContain('Stages must be a whole number from 1 to 20');
  expect(message('countershaft', { speeds: NaN })).toContain('Forward speeds');
  const nameless = buildPattern(pattern('pair'), '  ', {});
  expect(nameless).toMatchObject({ ok: false, message: 'Give the train a name.' });
});
