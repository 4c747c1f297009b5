import { compare, div, fraction, mul, ONE, parseRational, toFraction, type Rational } from '../rational';
import { errorOf } from './best';
import { searchOutputs, type OutputsQuestion } from './outputs';

const range = (min: number, max: number) => Array.from({ length: max - min + 1 }, (_, i) => min + i);

const QUESTION: OutputsQuestion = {
  outputs: [
    { name: 'hour', target: fraction(720) },
    { name: 'minute', target: fraction(60) },
  ],
  stages: [1, 2],
  wheels: range(8, 80),
  coprime: 'any',
  limit: 5,
};

test('a minute and an hour hand: the faster first, both exact, each judged from the input', () => {
  const { results, proven } = searchOutputs(QUESTION);
  const [best] = results;
  expect(best!.taps.map(({ name }) => name)).toEqual(['minute', 'hour']);
  expect(best).toMatchObject({ worst: 0, total: 0 });
  expect(proven).toBe(false);
  let sofar: Rational = ONE;
  for (const { chain, ratio } of best!.taps) {
    for (const [driver, driven] of chain) sofar = mul(sofar, fraction(driven, driver));
    expect(toFraction(sofar)).toBe(toFraction(ratio));
  }
});

test('with few wheels: as good as every way to choose both chains, and one output alone is proven', () => {
  const wheels = [9, 14, 23, 31];
  const targets = [parseRational('2.3')!, parseRational('7.1')!];
  const outputs = targets.map((target, i) => ({ name: `dial ${i + 1}`, target }));
  const { results } = searchOutputs({ ...QUESTION, outputs, wheels, stages: [1, 1] });
  let best = Infinity;
  for (const a of wheels)
    for (const b of wheels)
      for (const c of wheels)
        for (const d of wheels) {
          const first = fraction(b, a);
          const second = mul(first, fraction(d, c));
          best = Math.min(best, Math.max(errorOf(first, targets[0]!), errorOf(second, targets[1]!)));
        }
  // All 13 different first stages are gone on from, so nothing is missed.
  expect(results[0]!.worst).toBe(best);
  for (const { taps, worst, total } of results) {
    expect(worst).toBe(Math.max(...taps.map(({ error }) => error)));
    expect(total).toBeCloseTo(
      taps.reduce((sum, { error }) => sum + error, 0),
      15,
    );
    for (const { ratio, target, error } of taps) expect(error).toBe(errorOf(ratio, target));
  }
  expect(searchOutputs({ ...QUESTION, outputs: outputs.slice(0, 1), wheels, stages: [1, 1] }).proven).toBe(true);
});

test('three dials tell how far they are, and what is found grows better in the order of the list', () => {
  const parts: number[] = [];
  const outputs = ['12.3', '77.7', '543.21'].map((target, i) => ({
    name: `dial ${i + 1}`,
    target: parseRational(target)!,
  }));
  const { results } = searchOutputs({ ...QUESTION, outputs, wheels: range(12, 40) }, ({ part }) => parts.push(part));
  expect(parts.every((part, i) => part > 0 && part <= 1 + 1e-9 && (i === 0 || part > parts[i - 1]!))).toBe(true);
  expect(results.map(({ worst }) => worst)).toEqual(results.map(({ worst }) => worst).sort((a, b) => a - b));
  expect(compare(results[0]!.taps[2]!.target, div(parseRational('543.21')!, ONE))).toBe(0);
});
