import { runs } from '@/testing/runs';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { compare, div, fraction, gcd, ONE, parseRational, toFraction, type Rational } from '../rational';
import { searchChains, type ChainQuestion } from './chains';
import { errorOf } from './best';
import { watchOf } from './watch';

const range = (min: number, max: number): number[] => Array.from({ length: max - min + 1 }, (_, i) => min + i);

const QUESTION: Omit<ChainQuestion, 'target' | 'wheels'> = {
  stages: 2,
  coprime: 'any',
  equalCentres: false,
  same: false,
  maxError: null,
  limit: 5,
};

type Made = readonly [number, number, 'internal'?];
const centre = ([a, b, teeth]: Made) => (teeth ? b - a : a + b);

/** Another way to the same list: every pair in every stage, nested loops, each ratio once, sorted by exact distance. */
function bruteForce(question: ChainQuestion): readonly { ratio: string; error: number; pairs: Made[][] }[] {
  const { target, stages, coprime, equalCentres, internal, same, maxError, limit } = question;
  const pairs = wheelsByStage(question).map((wheels) =>
    wheels
      .flatMap((a) =>
        wheels.flatMap((b): Made[] => [
          [a, b],
          ...(internal && equalCentres && b - a >= 10 ? [[a, b, 'internal'] as const] : []),
        ]),
      )
      .filter(([a, b]) => coprime !== 'required' || gcd(a, b) === 1),
  );
  const found = new Map<string, { ratio: Rational; pairs: Made[][] }>();
  const go = (chosen: Made[], n: number, d: number) => {
    if (chosen.length === stages) {
      const ratio = div(fraction(n), fraction(d));
      const key = toFraction(ratio);
      const known = found.get(key);
      if (known) known.pairs.push(chosen);
      else found.set(key, { ratio, pairs: [chosen] });
      return;
    }
    for (const pair of pairs[chosen.length]!) {
      const [first] = chosen;
      if (equalCentres && first && centre(first) !== centre(pair)) continue;
      if (same && first && first.join() !== pair.join()) continue;
      go([...chosen, pair], n * pair[1], d * pair[0]);
    }
  };
  go([], 1, 1);
  const away = (ratio: Rational) => (compare(ratio, target) >= 0 ? div(ratio, target) : div(target, ratio));
  return [...found]
    .map(([ratio, one]) => ({ ratio, away: away(one.ratio), error: errorOf(one.ratio, target), pairs: one.pairs }))
    .filter(({ error }) => maxError === null || error <= maxError)
    .sort((a, b) => compare(a.away, b.away))
    .slice(0, limit);
}

const wheelsByStage = ({ wheels, perStage, stages }: ChainQuestion) =>
  perStage ?? new Array<readonly number[]>(stages).fill(wheels);

function check(question: ChainQuestion): number {
  const { results, proven } = searchChains(question);
  const expected = bruteForce(question);
  expect(proven).toBe(true);
  expect(results.length).toBeGreaterThanOrEqual(expected.length);
  // Ratios equally far away on either side may stand in either order; how far away each place is, may not.
  results.slice(0, question.limit).forEach(({ ratio, made }, i) => {
    expect(errorAway(ratio, question.target)).toBe(errorAway(parseRational(expected[i]!.ratio)!, question.target));
    const product = made.reduce<Rational>((all, [driver, driven]) => div(multiply(all, driven), fraction(driver)), ONE);
    expect(toFraction(product)).toBe(toFraction(ratio));
    expect(made).toHaveLength(question.stages);
    made.forEach(([driver, driven], stage) => {
      expect(wheelsByStage(question)[stage]).toContain(driver);
      expect(wheelsByStage(question)[stage]).toContain(driven);
      if (question.coprime === 'required') expect(gcd(driver, driven)).toBe(1);
    });
    if (question.equalCentres) expect(new Set(made.map(centre)).size).toBe(1);
    if (question.same) expect(new Set(made.map((pair) => pair.join())).size).toBe(1);
    // Nothing makes this ratio with fewer teeth, for up to three stages, where every way is looked at.
    const own = expected.find((one) => one.ratio === toFraction(ratio));
    const teeth = (pairs: readonly Made[]) => sum(pairs.flatMap(([a, b]) => [a, b]));
    if (own && question.stages <= 2 && question.coprime !== 'preferred')
      expect(teeth(made)).toBe(Math.min(...own.pairs.map(teeth)));
    // Preferred is not required: the same ratios, and no pair shares a factor where one of the ways has none that does.
    if (own && question.stages === 1 && question.coprime === 'preferred')
      expect(sharing(made)).toBe(Math.min(...own.pairs.map(sharing)));
  });
  return results.length;
}

const sharing = (pairs: readonly Made[]) => pairs.filter(([a, b]) => gcd(a, b) > 1).length;
const multiply = (a: Rational, by: number): Rational => div(a, div(ONE, fraction(by)));
const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0);
const errorAway = (ratio: Rational, target: Rational): string =>
  toFraction(compare(ratio, target) >= 0 ? div(ratio, target) : div(target, ratio));

test('two stages of 15 to 60 for 9.87 are what was worked out independently', () => {
  const { results } = JSON.parse(
    readFileSync(join(__dirname, 'cases/find.two-stages.ratios-and-errors.json'), 'utf8'),
  ) as { results: { ratio: string; error: number }[] };
  const found = searchChains({ ...QUESTION, target: parseRational('9.87')!, wheels: range(15, 60) });
  expect(found.results.slice(0, 5).map(({ ratio }) => toFraction(ratio))).toEqual(results.map(({ ratio }) => ratio));
  found.results
    .slice(0, 5)
    .forEach(({ ratio }, i) => expect(errorOf(ratio, parseRational('9.87')!)).toBeCloseTo(results[i]!.error, 15));
});

const target = fc.oneof(
  fc
    .tuple(fc.integer({ min: 1, max: 400 }), fc.integer({ min: 1, max: 400 }))
    .map(([n, d]) => div(fraction(n), fraction(d))),
  fc.constant(ONE),
  fc.integer({ min: 2, max: 90 }).map(fraction),
);
const wheels = (most: number) =>
  fc.oneof(
    fc
      .tuple(fc.integer({ min: 6, max: 30 }), fc.integer({ min: 1, max: most - 1 }))
      .map(([min, more]) => range(min, min + more)),
    fc
      .uniqueArray(fc.integer({ min: 6, max: 90 }), { minLength: 1, maxLength: most })
      .map((all) => all.sort((a, b) => a - b)),
  );
const conditions = fc.record({
  coprime: fc.constantFrom('any' as const, 'preferred' as const, 'required' as const),
  equalCentres: fc.boolean(),
  internal: fc.boolean(),
  same: fc.boolean(),
  maxError: fc.option(fc.double({ min: 0, max: 0.4, noNaN: true }), { nil: null }),
  limit: fc.integer({ min: 1, max: 12 }),
});

test.each([
  [1, 12, 150],
  [2, 10, 200],
  [3, 5, 120],
  [4, 3, 60],
  [5, 2, 60],
] as const)('%i stages of up to %i wheels: the same places as going through everything', (stages, most, runs) => {
  let compared = 0;
  fc.assert(
    fc.property(target, wheels(most), conditions, (wanted, own, such) => {
      compared += check({ ...such, target: wanted, wheels: own, stages });
    }),
    { numRuns: runs },
  );
  expect(compared).toBeGreaterThan(runs / 6);
});

test.each([
  [1, 12, 60],
  [2, 9, 120],
  [3, 5, 80],
  [4, 3, 200],
  [5, 2, 60],
] as const)('%i stages with limits of their own, up to %i wheels each: the same places', (stages, most, runs) => {
  let compared = 0;
  const own = fc.array(wheels(most), { minLength: stages, maxLength: stages });
  fc.assert(
    fc.property(target, own, conditions, (wanted, perStage, such) => {
      compared += check({ ...such, target: wanted, wheels: [], perStage, stages });
    }),
    { numRuns: runs },
  );
  expect(compared).toBeGreaterThan(runs / 40);
});

test('four stages between the same two shafts keep their distance also where halves are put together', () => {
  let compared = 0;
  fc.assert(
    fc.property(target, wheels(6), fc.boolean(), (wanted, own, internal) => {
      compared += check({ ...QUESTION, equalCentres: true, internal, target: wanted, wheels: own, stages: 4 });
    }),
    { numRuns: runs(90) },
  );
  expect(compared).toBeGreaterThan(60);
});

test('the worst a space can do is half its widest gap, and no target between fares worse', () => {
  const wheels = range(12, 20);
  // Every ratio of two stages between 1/2 and 2, found by nested loops.
  const singles = wheels.flatMap((a) => wheels.map((b) => b / a));
  const all = [...new Set(singles.flatMap((a) => singles.map((b) => Number((a * b).toPrecision(14)))))]
    .filter((value) => value >= 0.5 && value <= 2)
    .sort((a, b) => a - b);
  const gaps = all.slice(1).map((value, i) => ({ from: all[i]!, to: value, wide: Math.log(value / all[i]!) }));
  const widest = gaps.reduce((a, b) => (b.wide > a.wide ? b : a));
  const away = (value: number): number => {
    const wanted = parseRational(value.toFixed(12))!;
    const [best] = searchChains({ ...QUESTION, target: wanted, wheels, limit: 1 }).results;
    return Math.abs(Math.log1p(errorOf(best!.ratio, wanted) * (compare(best!.ratio, wanted) >= 0 ? 1 : -1)));
  };
  expect(away(Math.sqrt(widest.from * widest.to))).toBeCloseTo(widest.wide / 2, 9);
  fc.assert(
    fc.property(fc.double({ min: all[0]!, max: all.at(-1)!, noNaN: true }), (value) => {
      expect(away(value)).toBeLessThanOrEqual(widest.wide / 2 + 1e-9);
    }),
    { numRuns: runs(200) },
  );
});

test('while it is looked for, good answers are told before the best are known', () => {
  const told: { proven: boolean; best: number }[] = [];
  const wanted = parseRational('34.5678')!;
  const question = { ...QUESTION, stages: 4, target: wanted, wheels: range(12, 40), limit: 3 };
  const answer = searchChains(question, ({ results, proven }) =>
    told.push({ proven, best: errorOf(results[0]!.ratio, wanted) }),
  );
  expect(told.length).toBeGreaterThan(0);
  expect(told.every(({ proven }) => !proven)).toBe(true);
  expect(told[0]!.best).toBeLessThan(1e-3);
  expect(errorOf(answer.results[0]!.ratio, wanted)).toBeLessThanOrEqual(told.at(-1)!.best);
});

test('equally far away on either side: fewer teeth first', () => {
  // 9/10 and 10/9 for 1, where 1 itself is left out by asking for coprime counts of two.
  const { results } = searchChains({
    ...QUESTION,
    stages: 1,
    target: ONE,
    wheels: [9, 10, 18],
    coprime: 'required',
    limit: 2,
  });
  expect(results.map(({ ratio }) => toFraction(ratio)).sort()).toEqual(['10/9', '9/10']);
});

test('a target beyond everything is answered by the nearest end', () => {
  for (const [wanted, nearest] of [
    ['1000000', 81],
    ['1/1000000', 1 / 81],
  ] as const) {
    const { results } = searchChains({
      ...QUESTION,
      stages: 4,
      target: parseRational(wanted)!,
      wheels: range(20, 60),
      limit: 1,
    });
    expect((results[0]!.ratio.n as number) / (results[0]!.ratio.d as number)).toBeCloseTo(nearest, 12);
  }
});

test('four stages of 12 to 60 hit a whole number of turns exactly, and say so', () => {
  const { results, proven } = searchChains({
    ...QUESTION,
    stages: 4,
    target: parseRational('360')!,
    wheels: range(12, 60),
    limit: 3,
  });
  expect(proven).toBe(true);
  expect(toFraction(results[0]!.ratio)).toBe('360');
});

test.each(['4', '9', '16/9', '27/8'])(
  'four stages for %s, made in many ways: no chain of the same ratio has fewer teeth',
  (target) => {
    const wheels = range(12, 27);
    const { results, proven } = searchChains({
      ...QUESTION,
      target: parseRational(target)!,
      stages: 4,
      wheels,
      limit: 3,
    });
    expect(proven).toBe(true);
    expect(toFraction(results[0]!.ratio)).toBe(target);
    // The fewest teeth of any two stages by their product, in lowest terms, and of any two such halves.
    const halves = new Map<string, number>();
    for (const a of wheels)
      for (const b of wheels)
        for (const c of wheels)
          for (const d of wheels) {
            const key = toFraction(fraction(b * d, a * c));
            halves.set(key, Math.min(halves.get(key) ?? Infinity, a + b + c + d));
          }
    const least = Math.min(
      ...[...halves].map(([key, teeth]) => {
        const rest = toFraction(div(parseRational(target)!, parseRational(key)!));
        return teeth + (halves.get(rest) ?? Infinity);
      }),
    );
    expect(
      results[0]!.made.flatMap(([driver, driven]) => [driver, driven]).reduce((sum, count) => sum + count, 0),
    ).toBe(least);
  },
);

test('the time that is allowed ends a search of five stages, which says what it covered', () => {
  let now = 0;
  const question = { ...QUESTION, target: parseRational('200')!, stages: 5, wheels: range(12, 40) };
  const cut = searchChains(
    question,
    undefined,
    watchOf(() => (now += 10), 2),
  );
  expect(cut).toMatchObject({ proven: false, cut: true });
  const whole = searchChains(question);
  expect(whole.cut).toBe(false);
  expect(cut.examined).toBeLessThan(whole.examined);
  expect(cut.results.length).toBeGreaterThan(0);
});
