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
  // Nothing is better than exact.
  expect(proven).toBe(true);
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
  const { results, proven } = searchOutputs({ ...QUESTION, outputs, wheels, stages: [1, 1] });
  expect(proven).toBe(true);
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

type Pairs = readonly (readonly [number, number])[];

/** Every chain of so many stages, one by one. */
const everyChain = (wheels: readonly number[], count: number): readonly Pairs[] =>
  count === 0
    ? [[]]
    : everyChain(wheels, count - 1).flatMap((chain) =>
        wheels.flatMap((a) => wheels.map((b): Pairs => [...chain, [a, b]])),
      );
const ratioOf = (chain: Pairs) => chain.reduce<Rational>((product, [a, b]) => mul(product, fraction(b, a)), ONE);

test.each([
  ['any', false],
  ['same', false],
  ['opposite', false],
  ['any', true],
] as const)('two outputs, the second turning %s, on one axis %s: as going through all chains', (turning, coaxial) => {
  const wheels = [9, 13, 16, 20];
  const targets = [parseRational('1.7')!, parseRational('3.3')!];
  const outputs = targets.map(
    (target, i) => ({ name: `dial ${i}`, target, turning: i === 1 ? turning : 'any' }) as const,
  );
  const { results, proven } = searchOutputs({ ...QUESTION, outputs, wheels, first: [1, 1], stages: [1, 2], coaxial });
  let least = Infinity;
  for (const one of everyChain(wheels, 1))
    for (const count of [1, 2]) {
      const even = (1 + count) % 2 === 0;
      if ((turning !== 'any' && even !== (turning === 'same')) || (coaxial && count % 2 === 1)) continue;
      for (const other of everyChain(wheels, count)) {
        if (coaxial && new Set(other.map(([a, b]) => a + b)).size > 1) continue;
        const [first, second] = [ratioOf(one), mul(ratioOf(one), ratioOf(other))];
        least = Math.min(least, Math.max(errorOf(first, targets[0]!), errorOf(second, targets[1]!)));
      }
    }
  expect(results[0]!.worst).toBe(least);
  expect(proven).toBe(true);
});

test('what cannot be reached is said of the output that it is, with what would do', () => {
  const outputs = [
    { name: 'near', target: fraction(2) },
    { name: 'far', target: fraction(4000) },
  ];
  const asked = { ...QUESTION, outputs, stages: [1, 1] as const };
  expect(searchOutputs(asked).why).toMatch(
    /^“far” cannot be reached from “near”\. One stage .* lies beyond: take 4 stages/,
  );
  expect(searchOutputs(asked).results[0]!.taps).toHaveLength(2);
  const turning = outputs.map((output) => ({ ...output, turning: 'same' as const }));
  expect(searchOutputs({ ...asked, outputs: turning }).why).toMatch(
    /^No number of stages from the input to “near” turns/,
  );
  // 3 · 3 · 3 · 3 · 2: no four stages of these wheels reach it.
  const slow = [{ name: 'slow', target: fraction(162) }];
  const five = searchOutputs({ ...QUESTION, outputs: slow, wheels: [10, 20, 30], first: [3, 5] });
  expect([five.results[0]!.worst, five.results[0]!.taps[0]!.chain.length]).toEqual([0, 5]);
});
