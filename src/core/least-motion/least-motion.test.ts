import { runs } from '@/testing/runs';
import fc from 'fast-check';
import { add, compare, fraction, isZero, mul, neg, ONE, sign, solveDense, sum, ZERO, type Rational } from '../rational';
import { holding, leadAmong, leastMotion, type Programme, type QuadraticForm } from '.';

const dot = (a: readonly Rational[], b: readonly Rational[]): Rational => sum(a.map((value, i) => mul(value, b[i]!)));

/** Small whole numbers, zeros often: degenerate cases are the rule in gearboxes. */
const form = (size: number): fc.Arbitrary<QuadraticForm> =>
  fc
    .array(fc.constantFrom(0, 0, 1, -1, 2, -3), { minLength: size, maxLength: size })
    .map((row) => row.map((n) => fraction(n)));

const programme: fc.Arbitrary<Programme> = fc.integer({ min: 1, max: 4 }).chain((size) =>
  fc.record({
    rate: form(size),
    loads: fc.array(form(size), { maxLength: 2 }),
    leads: fc.array(form(size), { maxLength: 5 }),
  }),
);

/** The least Σ (load · x)² by trying every set of leads held at zero; null where nothing moves. */
function byTrying({ rate, loads, leads }: Programme): Rational | null {
  const size = rate.length;
  let least: Rational | null = null;
  for (let subset = 0; subset < 1 << leads.length; subset++) {
    const held = leads.filter((_, i) => subset & (1 << i));
    // Stationarity with free multipliers, the rate, and the leads that are held.
    const rows = [
      ...Array.from({ length: size }, (_, i) => [
        ...Array.from({ length: size }, (__, j) => sum([ZERO, ...loads.map((load) => mul(load[i]!, load[j]!))])),
        neg(rate[i]!),
        ...held.map((lead) => neg(lead[i]!)),
      ]),
      [...rate, ZERO, ...held.map(() => ZERO)],
      ...held.map((lead) => [...lead, ZERO, ...held.map(() => ZERO)]),
    ];
    const found = solveDense(
      rows,
      rows.map((_, i) => (i === size ? ONE : ZERO)),
    );
    if (!found) continue;
    const x = found.particular.slice(0, size);
    if (leads.some((lead) => sign(dot(lead, x)) < 0)) continue;
    const value = sum([ZERO, ...loads.map((load) => mul(dot(load, x), dot(load, x)))]);
    if (least === null || compare(value, least) < 0) least = value;
  }
  return least;
}

const isForm = (value: readonly Rational[]): boolean => value.some((one) => !isZero(one));

test('the least motion is the least of all, and its multipliers prove it', () => {
  fc.assert(
    fc.property(programme, (one) => {
      const found = leastMotion(one);
      if (!found.possible) return;
      // Leads and multipliers are never negative, and never both above nothing.
      found.leads.forEach((lead, i) => {
        expect(sign(lead)).toBeGreaterThanOrEqual(0);
        expect(sign(found.pushes[i]!)).toBeGreaterThanOrEqual(0);
        expect(isZero(mul(lead, found.pushes[i]!))).toBe(true);
      });
      // Stationary in every direction that keeps the rate: Σ load (load · x) − Σ push lead is a multiple of the rate.
      const pull = one.rate.map((_, j) =>
        add(
          sum([ZERO, ...one.loads.map((load, k) => mul(load[j]!, found.loads[k]!))]),
          neg(sum([ZERO, ...one.leads.map((lead, i) => mul(lead[j]!, found.pushes[i]!))])),
        ),
      );
      const value = sum([ZERO, ...found.loads.map((load) => mul(load, load))]);
      // With rate · x = 1 that multiple is the value itself.
      expect(pull.every((entry, j) => isZero(add(entry, neg(mul(value, one.rate[j]!)))))).toBe(true);
      const tried = byTrying(one);
      if (tried) expect(compare(value, tried)).toBe(0);
    }),
    { numRuns: runs(400) },
  );
});

test('where nothing moves, positive multiples of leads add up to the rate turned round, and none can be spared', () => {
  fc.assert(
    fc.property(programme, (one) => {
      const found = leastMotion(one);
      if (found.possible) return;
      expect(byTrying(one)).toBeNull();
      if (!isForm(one.rate)) return expect(found.against.size).toBe(0);
      for (const weight of found.against.values()) expect(sign(weight)).toBe(1);
      const total = one.rate.map((_, j) =>
        sum([ZERO, ...[...found.against].map(([i, weight]) => mul(weight, one.leads[i]![j]!))]),
      );
      expect(total.every((value, j) => isZero(add(value, one.rate[j]!)))).toBe(true);
      for (const spared of found.against.keys())
        expect(
          leastMotion({
            ...one,
            leads: [...found.against.keys()].filter((i) => i !== spared).map((i) => one.leads[i]!),
          }).possible,
        ).toBe(true);
    }),
    { numRuns: runs(400) },
  );
});

test('one lead among others: positive with those along, or against those that forbid it', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 3 }).chain((size) => fc.array(form(size), { minLength: 1, maxLength: 4 })),
      (forms) => {
        const found = leadAmong(forms, 0);
        const others = forms.slice(1);
        const tried = byTrying({ rate: forms[0]!, loads: [], leads: others });
        if (found.leads) expect(isForm(forms[0]!)).toBe(true);
        else expect(tried).toBeNull();
      },
    ),
    { numRuns: runs(300) },
  );
});

test('two one-way clutches in parallel both hold, though one multiplier would do', () => {
  const lead = [fraction(1), fraction(-1)];
  const one: Programme = { rate: [ZERO, ONE], loads: [[ONE, ZERO]], leads: [lead, lead] };
  const found = leastMotion(one);
  if (!found.possible) throw new Error('It moves.');
  expect([...holding(one, found)].sort()).toEqual([0, 1]);
});
