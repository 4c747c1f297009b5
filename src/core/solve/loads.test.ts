import { runs } from '@/testing/runs';
import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { demoTrain } from '@/testing/demo-train';
import { abs, add, equals, fraction, isZero, mul, neg, sign, sum, toFraction, ZERO, type Rational } from '../rational';
import { memberFigures, powerFlow } from '../powerflow';
import type { Train } from '../train';
import { endsOf, inputTorque, jointTorque, outputTorque, solveEngaged, solveLoads } from '.';
import { powerOf } from '../statics';
import { modelOf } from '../model';

const loaded = (train: Train, position: string, loads: Record<string, Rational>, losses = false) => {
  const open = modelOf(train).open;
  const { engaged } = train.positions.find(({ id }) => id === position)!;
  return solveLoads(open, engaged, new Map(Object.entries(loads)), { losses });
};
const solvedWith = (...given: Parameters<typeof loaded>) => {
  const found = loaded(...given);
  if (!found.ok) throw new Error(JSON.stringify(found.why));
  return found.solved;
};

test('a load at the output asks the input for the ratio’s part of it, and every other torque is as in drive', () => {
  const train = demoTrain('harvester');
  const open = modelOf(train).open;
  for (const { id, engaged } of train.positions) {
    const driven = solveEngaged(open, engaged);
    if (driven.status !== 'drive') continue;
    const out = outputTorque(driven)!;
    // The load that one unit at the input holds, scaled by seven.
    const solved = solvedWith(train, id, { out: mul(fraction(7), abs(out)) });
    expect([id, toFraction(inputTorque(solved)!)]).toEqual([id, '7']);
    for (const { id: joint } of driven.state.joints)
      expect(toFraction(jointTorque(solved.state, joint)!)).toBe(
        toFraction(mul(fraction(7), jointTorque(driven.state, joint)!)),
      );
  }
});

test('with losses the input holds as much more as the meshes lose', () => {
  const train = demoTrain('pan-rake');
  const open = modelOf(train).open;
  const { engaged } = train.positions.find(({ id }) => id === '1')!;
  const { efficiency, ratio } = solveEngaged(open, engaged, { losses: true });
  const put = inputTorque(solvedWith(train, '1', { out: abs(ratio!) }, true))!;
  expect(toFraction(mul(put, efficiency!))).toBe('1');
});

describe('several outputs', () => {
  const dial = demoTrain('tide-dial');
  const position = dial.positions[0]!.id;

  test('of one motion: a hand without a load counts as unloaded, and loads add up by their speeds', () => {
    const [first, second, third] = dial.outputs as [string, string, string];
    const alone = [first, second].map((hand) => inputTorque(solvedWith(dial, position, { [hand]: fraction(2) }))!);
    const both = solvedWith(dial, position, { [first]: fraction(2), [second]: fraction(2) });
    expect(toFraction(inputTorque(both)!)).toBe(toFraction(add(alone[0]!, alone[1]!)));
    expect(toFraction(outputTorque(both, both.network.memberIndex.get(third))!)).toBe('0');
    expect(memberFigures(both).every(({ torque }) => torque !== null)).toBe(true);
    expect(powerFlow(both)!.paths.length).toBe(2);
    expect(toFraction(sum(powerFlow(both)!.paths.map(({ share }) => share)))).toBe('1');
  });

  test('of several motions: one load fixes the other', () => {
    const axle = demoTrain('wagon-axle');
    const solved = solvedWith(axle, 'open', { left: fraction(10) });
    const at = (id: string) => toFraction(outputTorque(solved, solved.network.memberIndex.get(id))!);
    expect([at('left'), at('right')]).toEqual(['10', '10']);
  });

  test('loads that contradict one another are refused with the motion that would begin', () => {
    const found = loaded(demoTrain('wagon-axle'), 'open', { left: fraction(10), right: fraction(20) });
    if (found.ok || found.why.kind !== 'would begin') throw new Error('They balance.');
    const speeds = new Map(found.why.speeds.map(({ member, speed }) => [member, speed]));
    // The crown stands, the heavier side turns back and the lighter one forward.
    expect(speeds.has('prop')).toBe(false);
    expect(equals(speeds.get('left')!, neg(speeds.get('right')!))).toBe(true);
  });
});

test('nothing driven, nothing told', () => {
  const train = demoTrain('harvester');
  expect(loaded(train, 'N', { out: fraction(1) })).toEqual({ ok: false, why: { kind: 'does not drive' } });
});

test('of random trains: virtual work over every motion, and power in is power out', () => {
  let [balanced, refused] = [0, 0];
  fc.assert(
    fc.property(
      arbitraryTrain({ oneWays: true, outputs: true, worms: true }),
      fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 3, maxLength: 3 }),
      fc.boolean(),
      (train, sizes, all) => {
        const open = modelOf(train).open;
        const outputs = all ? train.outputs : train.outputs.slice(0, 1);
        const loads = new Map(outputs.map((id, k) => [id, fraction(sizes[k]!)]));
        for (const { engaged } of train.positions) {
          const found = solveLoads(open, engaged, loads);
          if (!found.ok) {
            if (found.why.kind === 'would begin') {
              refused++;
              // The proof: a motion of this very train, with the input at rest, in which the loads do work.
              const speeds = new Map(found.why.speeds.map(({ member, speed }) => [member, speed]));
              expect(speeds.get(train.input)).toBeUndefined();
              const work = outputs.map((id) => speeds.get(id) ?? ZERO);
              expect(work.some((speed) => !isZero(speed))).toBe(true);
              for (const mesh of open.network.meshes) {
                if (mesh.slidBy !== null && !engaged.includes(open.network.couplers[mesh.slidBy]!.coupler.id)) continue;
                const of = (at: number) => speeds.get(open.network.memberIds[at] ?? '') ?? ZERO;
                const row = [
                  mul(mesh.za, of(mesh.a)),
                  mul(mesh.zb, of(mesh.b)),
                  neg(mul(add(mesh.za, mesh.zb), of(mesh.arm))),
                ];
                expect(isZero(sum(row))).toBe(true);
              }
            }
            continue;
          }
          const { solved } = found;
          if (solved.state.load.outcome !== 'balanced') continue;
          balanced++;
          const powers = endsOf(solved).map(({ member, torque }) => powerOf(torque, solved.state.speeds.of(member)));
          if (!powers.includes(null)) expect(toFraction(sum(powers.flatMap((power) => power ?? [])))).toBe('0');
          for (const [id, size] of loads) {
            const at = solved.network.memberIndex.get(id)!;
            expect(toFraction(abs(outputTorque(solved, at)!))).toBe(toFraction(size));
            const speed = solved.state.speeds.of(at);
            if (speed && !isZero(speed)) expect(sign(mul(outputTorque(solved, at)!, speed))).toBe(1);
          }
        }
      },
    ),
    { numRuns: runs(200) },
  );
  expect(balanced).toBeGreaterThan(runs(100));
  expect(refused).toBeGreaterThan(runs(10));
});
