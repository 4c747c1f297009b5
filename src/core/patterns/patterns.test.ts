import fc from 'fast-check';
import { drawSideView } from '../drawing';
import { networkOf } from '../kinematics';
import { toFraction, toNumber } from '../rational';
import { solvePositions, solveEngaged } from '../solve';
import { openTrain } from '../kinematics';
import type { Train } from '../train';
import { buildPattern, PATTERNS, type Pattern } from '.';

const pattern = (key: string): Pattern => PATTERNS.find((one) => one.key === key)!;

function made(key: string, answers: Record<string, number> = {}): Train {
  const built = buildPattern(pattern(key), 'A new train', answers);
  if (!built.ok) throw new Error(built.message);
  return built.train;
}

const ratio = (train: Train, engaged: readonly string[] = []) => toFraction(solveEngaged(openTrain(networkOf(train)), engaged).ratio!);

test('every pattern makes a train that drives and can be drawn, as it is', () => {
  for (const { key, asks } of PATTERNS) {
    const train = made(key);
    const solved = train.positions.length > 0 ? [...solvePositions(networkOf(train)).values()] : [solveEngaged(openTrain(networkOf(train)), [])];
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

test('a countershaft box has its speeds in falling order, the last direct, and a reverse', () => {
  fc.assert(
    fc.property(fc.integer({ min: 2, max: 9 }), fc.integer({ min: 250, max: 700 }), (speeds, first) => {
      const train = made('countershaft', { speeds, first, sum: 70 });
      const solved = solvePositions(networkOf(train));
      const ratios = Array.from({ length: speeds }, (_, i) => toNumber(solved.get(`${i + 1}`)!.ratio!));
      for (let i = 1; i < speeds; i++) expect(ratios[i]!).toBeLessThan(ratios[i - 1]! + 1e-9);
      expect(ratios.at(-1)).toBe(1);
      expect(Math.abs(ratios[0]! / (first / 100) - 1)).toBeLessThan(0.12);
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
  expect(message('compound', { stages: 2.5 })).toContain('Stages must be a whole number from 1 to 20');
  expect(message('countershaft', { speeds: NaN })).toContain('Forward speeds');
  const nameless = buildPattern(pattern('pair'), '  ', {});
  expect(nameless).toMatchObject({ ok: false, message: 'Give the train a name.' });
});
