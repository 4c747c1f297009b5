import { fraction, ONE, toFraction, type Rational } from '@/core/rational';
import { CrankClock } from './crank-clock';

/** Time and frames by hand. */
let now = 0;
let waiting: ((time: number) => void)[] = [];
const counted: string[] = [];

beforeEach(() => {
  now = 0;
  waiting = [];
  counted.length = 0;
  jest.spyOn(performance, 'now').mockImplementation(() => now);
  globalThis.requestAnimationFrame = (run) => waiting.push(run);
  globalThis.cancelAnimationFrame = () => (waiting = []);
});
afterEach(() => jest.restoreAllMocks());

function pass(milliseconds: number, step = 16): void {
  for (let left = milliseconds; left > 0; left -= step) {
    now += Math.min(step, left);
    const due = waiting;
    waiting = [];
    due.forEach((run) => run(now));
  }
}

const clock = () => new CrankClock((by: Rational) => counted.push(toFraction(by)));

test('an exact turn eases in and out, and is counted once and exactly', () => {
  const crank = clock();
  const seen: number[] = [];
  crank.onFrame(() => seen.push(crank.turnsSince));
  crank.turn(fraction(1, 3));
  pass(300);
  expect(counted).toEqual([]);
  expect(crank.turnsSince).toBeGreaterThan(0);
  expect(crank.turnsSince).toBeLessThan(1 / 6);
  pass(5000);
  expect(counted).toEqual(['1/3']);
  expect(crank.turnsSince).toBe(0);
  expect(crank.moving).toBeNull();
  expect(seen.every((turns, i) => i === 0 || turns >= seen[i - 1]! || turns === 0)).toBe(true);
});

test('without movement it is counted at once', () => {
  const crank = clock();
  crank.turn(fraction(1000), false);
  expect(counted).toEqual(['1000']);
});

test('playing goes by the time that passes and stops on a step a hand can set', () => {
  const crank = clock();
  crank.play(0.5);
  pass(1000);
  expect(crank.turnsSince).toBeCloseTo(0.5, 6);
  crank.stop();
  expect(counted).toEqual(['1/2']);
  pass(500);
  expect(counted).toEqual(['1/2']);
});

test('a page that was asleep does not leap', () => {
  const crank = clock();
  crank.play(1);
  pass(16);
  now += 60_000;
  pass(16);
  expect(crank.turnsSince).toBeLessThan(0.2);
});

test('what was turned so far is settled with the speeds that held, and playing goes on', () => {
  const crank = clock();
  crank.play(1);
  pass(1000);
  const settled: string[] = [];
  crank.countUp((by) => settled.push(toFraction(by)));
  expect(settled).toEqual(['1']);
  expect(crank.moving).toBe('play');
  pass(500);
  crank.stop();
  expect(counted).toEqual(['1/2']);
});

test('an exact move that is interrupted stops where it is', () => {
  const crank = clock();
  crank.turn(ONE);
  pass(700);
  const settled: Rational[] = [];
  crank.countUp((by) => settled.push(by));
  expect(crank.moving).toBeNull();
  expect(Number(settled[0]!.d) <= 3600).toBe(true);
  pass(2000);
  expect(counted).toEqual([]);
});

test('dragging follows the hand and ends exactly', () => {
  const crank = clock();
  const changes: (string | null)[] = [];
  crank.onChange(() => changes.push(crank.moving));
  crank.drag(0.1);
  crank.drag(0.15);
  expect(crank.turnsSince).toBeCloseTo(0.25, 9);
  crank.stop();
  expect(counted).toEqual(['1/4']);
  expect(changes.at(0)).toBeNull();
  expect(changes).toContain('hand');
  expect(changes.at(-1)).toBeNull();
});

test('nobody is told any more once they stop listening', () => {
  const crank = clock();
  let told = 0;
  const stop = crank.onFrame(() => told++);
  crank.drag(0.1);
  stop();
  crank.drag(0.1);
  expect(told).toBeLessThanOrEqual(3);
  const before = told;
  crank.drag(0.1);
  expect(told).toBe(before);
});
