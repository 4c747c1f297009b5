import { runs } from '@/testing/runs';
import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { demoTrain } from '@/testing/demo-train';
import {
  abs,
  add,
  compare,
  div,
  equals,
  fraction,
  isZero,
  mul,
  ONE,
  parseRational,
  sub,
  toFraction,
  ZERO,
  type Rational,
} from '../rational';
import { solveEngaged, type Solved } from '../solve';
import type { Train } from '../train';
import { workingOf, workingText, type Working } from '.';
import { modelOf } from '../model';

const solve = (name: string, position: string): Solved => modelOf(demoTrain(name)).positions().get(position)!;
const work = (name: string, position: string): Working => workingOf(solve(name, position));
const NAMES = { member: (id: string) => id, coupler: (id: string) => id };

/** The factor that the tooth counts of a step multiply out to. */
const product = (teeth: readonly { fromTeeth: number; toTeeth: number; opposite: boolean }[]): Rational =>
  teeth
    .map(({ fromTeeth, toTeeth, opposite }) => fraction(opposite ? -fromTeeth : fromTeeth, toTeeth))
    .reduce(mul, ONE);

describe('the working of any train', () => {
  test('reaches every determined speed, and each step agrees with the solver and with its own tooth counts', () => {
    let steps = 0;
    fc.assert(
      fc.property(arbitraryTrain({ oneWays: true }), (train) =>
        modelOf(train)
          .positions()
          .forEach((solved) => {
            if (solved.status === 'locked') return;
            const working = workingOf(solved);
            const speed = (id: string) => toFraction(solved.state.speeds.of(solved.network.memberIndex.get(id)!)!);
            const found = new Set<string>();
            for (const step of working.steps) {
              const results = step.kind === 'simultaneous' ? step.solution : [step];
              for (const result of results) {
                steps++;
                found.add(result.member);
                expect(toFraction(result.speed)).toBe(speed(result.member));
              }
              if (step.kind === 'set') expect(toFraction(product(step.teeth))).toBe(toFraction(step.factor));
              if (step.kind === 'simultaneous')
                step.equations.forEach(
                  (equation) =>
                    equation.kind === 'set' &&
                    expect(toFraction(product(equation.teeth))).toBe(toFraction(equation.factor)),
                );
            }
            expect([...found, ...working.floating].sort()).toEqual([...solved.network.memberIds].sort());
            const values = new Set(working.checks.map(({ value }) => toFraction(value)));
            expect(values.size).toBeLessThanOrEqual(1);
          }),
      ),
      { numRuns: runs(200) },
    );
    expect(steps).toBeGreaterThan(runs(500));
  });
});

/** Reads "3/8", "(-3/8)", "5/2 × ω(x) + (-1)", with what is known put in: exact values only, no knowledge of trains. */
function evaluate(sum: string, known: ReadonlyMap<string, Rational>): Rational {
  return sum
    .split(' + ')
    .map((term) =>
      term
        .split(' × ')
        .map((part) => known.get(/^ω\((.*)\)$/.exec(part)?.[1] ?? '') ?? parseRational(part.replace(/[()]/g, ''))!)
        .reduce(mul, ONE),
    )
    .reduce(add, ZERO);
}

/** The value of an unknown that makes an expression zero, which is straight in it. */
function root(of: (x: Rational) => Rational): Rational {
  const [at0, at1] = [of(ZERO), of(ONE)];
  return div(at0, sub(at0, at1));
}

/** Solves a set's step from its own lines: the relation, and the values it says it is solved with. */
function solveFormula([first, second, third]: readonly string[]): { member: string; solved: Rational; said: Rational } {
  const [, x, arm, y, product, factor] = /\(ω\((.*?)\) − ω\((.*?)\)\) \/ \(ω\((.*?)\) − .*?\)\) = (.*) = (\S+)$/.exec(
    first!,
  )!;
  expect(
    toFraction(
      product!
        .split(' × ')
        .map((part) => parseRational(part)!)
        .reduce(mul, ONE),
    ),
  ).toBe(factor);
  const known = new Map(
    [...second!.matchAll(/ω\((\w+)\) = (-?[\d/]+)/g)].map(([, id, value]) => [id!, parseRational(value!)!]),
  );
  const [, member, said] = /ω\((.*?)\) = (\S+)$/.exec(third!)!;
  expect([...known.keys(), member].sort()).toEqual([x, y, arm].sort());
  const at = (id: string, value: Rational) => known.get(id) ?? value;
  const solved = root((value) =>
    sub(sub(at(x!, value), at(arm!, value)), mul(parseRational(factor!)!, sub(at(y!, value), at(arm!, value)))),
  );
  return { member: member!, solved, said: parseRational(said!)! };
}

/** Solves a set's step from its table: n and m from the two known sums, then the third. */
function checkTable(lines: readonly string[]): void {
  const sums = new Map(
    [...lines[3]!.matchAll(/(\w+) (n(?: \+ (?:\((-?[\d/]+)\)·)?m)?)(?:,|$)/g)].map(([, id, text, f]) => [
      id!,
      text === 'n' ? ZERO : f ? parseRational(f)! : ONE,
    ]),
  );
  const [, n, m] = /: n = (\S+), m = (\S+)$/.exec(lines[4]!)!;
  const [turned, back] = [parseRational(n!)!, parseRational(m!)!];
  const value = (id: string) => toFraction(add(turned, mul(sums.get(id)!, back)));
  for (const [, id, known] of lines[4]!.matchAll(/ω\((\w+)\) = (-?[\d/]+)/g)) expect(value(id!)).toBe(known);
  const [, member, said] = /^ω\((\w+)\) = .* = (\S+)$/.exec(lines[5]!)!;
  expect(value(member!)).toBe(said);
}

describe('every step can be followed from its own lines', () => {
  const stepLines = (lines: readonly string[]): string[][] =>
    lines.reduce<string[][]>(
      (steps, line) =>
        /^\d+\. /.test(line) ? [...steps, [line.replace(/^\d+\. /, '')]] : (steps.at(-1)?.push(line.trim()), steps),
      [],
    );

  test('sets by formula and by table, and sets solved together', () => {
    const seen = { set: 0, twin: 0, together: 0 };
    fc.assert(
      fc.property(arbitraryTrain({ oneWays: true, outputs: true, worms: true }), (train) =>
        modelOf(train)
          .positions()
          .forEach((solved) => {
            const working = workingOf(solved);
            const formula = stepLines(
              workingText({ ...working, stages: null, checks: [], floating: [] }, NAMES, 'in/out'),
            );
            const table = stepLines(
              workingText({ ...working, stages: null, checks: [], floating: [] }, NAMES, 'in/out', 'table'),
            );
            working.steps.forEach((step, i) => {
              if (step.kind === 'set') {
                seen.set++;
                const { member, solved: found, said } = solveFormula(formula[i]!);
                expect([member, toFraction(found)]).toEqual([step.member, toFraction(said)]);
                checkTable(table[i]!);
              }
              if (step.kind === 'twin') seen.twin++;
              if (step.kind !== 'simultaneous') return;
              seen.together++;
              checkTogether(formula[i]!, step.equations.length);
              checkTogether(table[i]!, step.equations.length);
            });
          }),
      ),
      { numRuns: runs(300) },
    );
    expect(seen.set).toBeGreaterThan(runs(100));
    expect(seen.together).toBeGreaterThan(runs(10));
  });

  /**
   * Each line "from (n)" must follow from the ones above, and each speed from its line with the speeds above it put in.
   */
  function checkTogether(lines: readonly string[], equations: number): void {
    const made = lines.filter((line) => line.startsWith('from ('));
    const speeds = new Map<string, Rational>();
    for (const line of lines.slice(1 + equations + made.length)) {
      const [, member, rest] = /^ω\((\w+)\) = (.*)$/.exec(line)!;
      const parts = rest!.split(' = ');
      for (const part of parts) expect(toFraction(evaluate(part, speeds))).toBe(parts.at(-1));
      speeds.set(member!, parseRational(parts.at(-1)!)!);
    }
    for (const line of made) {
      const [, member, sum] = /: ω\((\w+)\) = (.*)$/.exec(line)!;
      expect(equals(evaluate(sum!, speeds), speeds.get(member!)!)).toBe(true);
    }
    expect(isZero(fraction(made.length - speeds.size))).toBe(true);
  }

  test('the crawler in second: the carrier first, then the ring from it', () => {
    const text = workingText(work('crawler', '2'), NAMES, 'in/out').join('\n');
    expect(text).toContain('with ω(sunL) = 0, ω(sunS) = 1: (1 − ω(arm)) / (0 − ω(arm)) = -6/5\n   ω(arm) = 5/11');
    expect(text).toContain('(ω(ring) − 5/11) / (0 − 5/11) = -6/13\n   ω(ring) = 95/143');
    expect(workingText(work('crawler', '2'), NAMES, 'in/out', 'table').join('\n')).toContain(
      'n = 5/11, m = -5/11\n   ω(ring) = n + (-6/13)·m = 95/143',
    );
  });
});

describe('the shapes of a derivation', () => {
  test('a planet with the sun’s own count turns with it, though the carrier is left open', () => {
    const train: Train = {
      format: 'tin-wheel/train',
      version: 1,
      name: 'twins',
      input: 'sun',
      outputs: ['ring'],
      couplers: [],
      positions: [],
      members: [
        { id: 'sun', name: 'sun' },
        { id: 'ring', name: 'ring' },
        { id: 'arm', name: 'arm' },
        { id: 'p', name: 'p', carrier: 'arm' },
        { id: 'q', name: 'q', carrier: 'arm' },
      ],
      gears: [
        { id: 's', member: 'sun', teeth: 27, type: 'external' },
        { id: 'r', member: 'ring', teeth: 69, type: 'internal' },
        { id: 'a', member: 'p', teeth: 9, type: 'external' },
        { id: 'b', member: 'q', teeth: 27, type: 'external' },
      ],
      meshes: [
        { id: 'x', gears: ['s', 'a'] },
        { id: 'y', gears: ['a', 'b'] },
        { id: 'z', gears: ['b', 'r'] },
      ],
    };
    const { steps, floating } = workingOf(solveEngaged(modelOf(train).open, []));
    expect(
      steps.map((step) =>
        step.kind === 'simultaneous' ? '' : `${step.kind} ${step.member} ${toFraction(step.speed)}`,
      ),
    ).toEqual(['input sun 1', 'twin q 1']);
    expect(floating).toEqual(['ring', 'arm', 'p']);
  });

  test('a plain chain ends in the running product, checked three ways', () => {
    const { stages, checks } = work('sluice-winch', 'wind');
    expect(stages!.map(({ running }) => toFraction(running))).toEqual(['-25/14', '4', '-12']);
    expect(checks.map(({ way, value }) => `${way} ${toFraction(value)}`)).toEqual([
      'product of stages -12',
      'speed in over speed out -12',
      'torque out over torque in -12',
    ]);
  });

  test('a single set is one relative-motion step from what is held', () => {
    const { steps, stages } = work('stirrer', 'slow');
    expect(steps.slice(0, 3).map(({ kind }) => kind)).toEqual(['input', 'held', 'set']);
    expect(stages!.map(({ ratio }) => toFraction(ratio))).toEqual(['4']);
  });

  test('coupled sets are said to be solved together', () => {
    const { steps, stages } = work('harvester', '5');
    expect(steps.some(({ kind }) => kind === 'simultaneous')).toBe(true);
    expect(stages).toBeNull();
  });

  test('both ratio conventions are rendered', () => {
    const working = work('sluice-winch', 'wind');
    const driven = workingText(working, NAMES, 'in/out').join('\n');
    const driver = workingText(working, NAMES, 'out/in').join('\n');
    expect(driven).toContain('driven over driver');
    expect(driven).toContain('× -45/15 = -12');
    expect(driver).toContain('driver over driven');
    expect(driver).toContain('× -15/45 = -1/12');
    expect(compare(abs(working.checks[0]!.value), fraction(12))).toBe(0);
  });

  test('what cannot be known is said to be open', () =>
    expect(workingText(work('brine-lift', 'idle'), NAMES, 'in/out').join('\n')).toContain(
      'Left open: pump, ring, planet.',
    ));
});

test('every printed quotient has a denominator, and a set in which nothing rolls says so', () => {
  let [quotients, blocks, stands] = [0, 0, 0];
  fc.assert(
    fc.property(arbitraryTrain({ oneWays: true, outputs: true, worms: true }), (train) =>
      modelOf(train)
        .positions()
        .forEach((solved) => {
          const working = workingOf(solved);
          const speeds = new Map(train.members.map(({ id }, at) => [`ω(${id})`, solved.state.speeds.of(at)] as const));
          const named: ReadonlyMap<string, Rational | null> = speeds;
          for (const school of ['formula', 'table'] as const)
            for (const line of workingText(working, NAMES, 'in/out', school)) {
              // "(1 − 7/10) / (0 − ω(carrier))", with what it found put in.
              for (const [, x, armX, y, armY] of line.matchAll(
                /\(([^()]+|ω\(\w+\)) − (\S+?|\(\S+?\))\) \/ \(([^()]+|ω\(\w+\)) − (\S+?|\(\S+?\))\)/g,
              )) {
                const value = (text: string) => named.get(text) ?? parseRational(text.replace(/[()]/g, ''));
                const [top, bottom] = [
                  [x!, armX!],
                  [y!, armY!],
                ].map(([a, b]) => {
                  const [first, second] = [value(a!), value(b!)];
                  return first && second ? sub(first, second) : null;
                });
                if (!top || !bottom) continue;
                quotients++;
                expect(isZero(bottom)).toBe(false);
              }
            }
          for (const step of working.steps) {
            if (step.kind !== 'block') continue;
            blocks++;
            const says = workingText(
              { ...working, steps: [step], stages: null, checks: [], floating: [] },
              NAMES,
              'in/out',
            ).join(' ');
            expect(says).toContain(isZero(step.speed) ? 'the whole set stands' : 'the set turns as one block');
            if (isZero(step.speed)) stands++;
          }
        }),
    ),
    { numRuns: runs(300) },
  );
  expect(quotients).toBeGreaterThan(runs(50));
  expect(blocks).toBeGreaterThan(runs(10));
  expect(stands).toBeGreaterThan(0);
});
