import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { demoTrain } from '@/testing/demo-train';
import { networkOf, openTrain } from '../kinematics';
import { abs, compare, fraction, mul, ONE, toFraction, type Rational } from '../rational';
import { solveEngaged, solvePositions, type Solved } from '../solve';
import type { Train } from '../train';
import { workingOf, workingText, type Working } from '.';

const solve = (name: string, position: string): Solved => solvePositions(networkOf(demoTrain(name))).get(position)!;
const work = (name: string, position: string): Working => workingOf(solve(name, position));
const NAMES = { member: (id: string) => id, coupler: (id: string) => id };

/** The factor that the tooth counts of a step multiply out to. */
const product = (teeth: readonly { fromTeeth: number; toTeeth: number; opposite: boolean }[]): Rational =>
  teeth.map(({ fromTeeth, toTeeth, opposite }) => fraction(opposite ? -fromTeeth : fromTeeth, toTeeth)).reduce(mul, ONE);

describe('the working of any train', () => {
  test('reaches every determined speed, and each step agrees with the solver and with its own tooth counts', () => {
    let steps = 0;
    fc.assert(
      fc.property(arbitraryTrain({ oneWays: true }), (train) =>
        solvePositions(networkOf(train)).forEach((solved) => {
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
            if (step.kind === 'simultaneous') step.equations.forEach((equation) => expect(toFraction(product(equation.teeth))).toBe(toFraction(equation.factor)));
          }
          expect([...found, ...working.floating].sort()).toEqual([...solved.network.memberIds].sort());
          const values = new Set(working.checks.map(({ value }) => toFraction(value)));
          expect(values.size).toBeLessThanOrEqual(1);
        }),
      ),
      { numRuns: 200 },
    );
    expect(steps).toBeGreaterThan(500);
  });
});

describe('the shapes of a derivation', () => {
  test('a planet with the sun’s own count turns with it, though the carrier is left open', () => {
    const train: Train = {
      format: 'tin-wheel/train', version: 1, name: 'twins', input: 'sun', outputs: ['ring'], couplers: [], positions: [],
      members: [{ id: 'sun', name: 'sun' }, { id: 'ring', name: 'ring' }, { id: 'arm', name: 'arm' }, { id: 'p', name: 'p', carrier: 'arm' }, { id: 'q', name: 'q', carrier: 'arm' }],
      gears: [{ id: 's', member: 'sun', teeth: 27, type: 'external' }, { id: 'r', member: 'ring', teeth: 69, type: 'internal' }, { id: 'a', member: 'p', teeth: 9, type: 'external' }, { id: 'b', member: 'q', teeth: 27, type: 'external' }],
      meshes: [{ id: 'x', gears: ['s', 'a'] }, { id: 'y', gears: ['a', 'b'] }, { id: 'z', gears: ['b', 'r'] }],
    };
    const { steps, floating } = workingOf(solveEngaged(openTrain(networkOf(train)), []));
    expect(steps.map((step) => (step.kind === 'simultaneous' ? '' : `${step.kind} ${step.member} ${toFraction(step.speed)}`))).toEqual(['input sun 1', 'set q 1']);
    expect(floating).toEqual(['ring', 'arm', 'p']);
  });

  test('a plain chain ends in the running product, checked three ways', () => {
    const { stages, checks } = work('sluice-winch', 'wind');
    expect(stages!.map(({ running }) => toFraction(running))).toEqual(['-25/14', '4', '-12']);
    expect(checks.map(({ way, value }) => `${way} ${toFraction(value)}`)).toEqual(['product of stages -12', 'speed in over speed out -12', 'torque out over torque in -12']);
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

  test('what cannot be known is said to be open', () => expect(workingText(work('brine-lift', 'idle'), NAMES, 'in/out').join('\n')).toContain('Left open: pump, ring, planet.'));
});
