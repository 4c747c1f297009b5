import { gcd, equals, fraction, mul, ONE, type Rational } from '../rational';
import type { Chain } from './stage-fractions';
import { passes, waysTo } from './ways';

const RULES = { coprime: 'any', equalCentres: false, same: false, maxError: null, limit: 1 } as const;
const counts = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, i) => from + i);
const ratioOf = (chain: Chain): Rational =>
  chain.reduce<Rational>((product, [a, b]) => mul(product, fraction(b, a)), ONE);
const key = (chain: Chain) =>
  chain
    .map((pair) => pair.join('/'))
    .sort()
    .join(' ');

/** Every chain of so many stages, gone through one by one. */
function* everyChain(wheels: readonly number[], stages: number): Generator<Chain> {
  if (stages === 0) return void (yield []);
  for (const a of wheels)
    for (const b of wheels) for (const rest of everyChain(wheels, stages - 1)) yield [[a, b], ...rest];
}

test.each([
  ['two stages', 2, {}],
  ['two coprime stages', 2, { coprime: 'required' }],
  ['two stages on one centre distance', 2, { equalCentres: true }],
  ['two stages with limits of their own', 2, { perStage: [counts(12, 16), counts(14, 20)] }],
  ['three stages', 3, {}],
  ['three stages on one centre distance', 3, { equalCentres: true }],
  ['three times the same pair', 3, { same: true }],
] as const)('all ways of %s are those that going through every chain finds', (_, stages, asked) => {
  const wheels = stages === 2 ? counts(12, 24) : counts(12, 17);
  const rules = { ...RULES, wheels, ...asked };
  const lists = 'perStage' in asked ? asked.perStage : null;
  const targets = stages === 2 ? [fraction(4, 3), fraction(1), fraction(25, 12)] : [fraction(8, 27), fraction(1)];
  for (const target of targets) {
    const all = [...everyChain(wheels, stages)].filter(
      (chain) =>
        equals(ratioOf(chain), target) &&
        (rules.coprime === 'any' || chain.every(([a, b]) => gcd(a, b) === 1)) &&
        (!rules.equalCentres || new Set(chain.map(([a, b]) => a + b)).size === 1) &&
        (!rules.same || new Set(chain.map((pair) => pair.join('/'))).size === 1) &&
        (!lists || chain.every((pair, i) => lists[i]!.includes(pair[0]) && lists[i]!.includes(pair[1]))),
    );
    const name = (chain: Chain) => (lists ? chain.map((pair) => pair.join('/')).join(' ') : key(chain));
    const { ways, count, cut } = waysTo(target, stages, { ...rules, target });
    const expected = new Set(all.map(name));
    expect([count, cut]).toEqual([expected.size, false]);
    if (count <= 300) expect(new Set(ways.map(name))).toEqual(expected);
    else for (const one of ways) expect(expected).toContain(name(one));
  }
});

test('9.87 in two stages has a way without undercut beside the one with the fewest teeth', () => {
  const target = fraction(987, 100);
  const { ways } = waysTo(target, 2, { ...RULES, target, wheels: counts(12, 100) });
  const clean = ways.filter((chain) => passes(chain, { noUndercut: true, coprime: false, largest: null }));
  expect(ways.length).toBeGreaterThan(clean.length);
  expect(clean.length).toBeGreaterThan(0);
  for (const chain of clean) expect(Math.min(...chain.flatMap(([a, b]) => [a, b]))).toBeGreaterThanOrEqual(17);
  expect(passes([[20, 30]], { noUndercut: false, coprime: true, largest: null })).toBe(false);
  expect(passes([[20, 31]], { noUndercut: false, coprime: true, largest: 30 })).toBe(false);
  expect(passes([[18, 16, 'internal']], { noUndercut: true, coprime: false, largest: null })).toBe(true);
});
