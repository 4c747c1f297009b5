import { runs } from '@/testing/runs';
import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { checkedTrain } from '@/testing/checked-train';
import { openTrain, type NetworkMesh } from '../kinematics';
import { fraction, isZero, mul, ONE, sign, sub, sum, toFraction, type Rational } from '../rational';
import { solveEngaged, type Solved } from '../solve';
import type { Train } from '../train';
import { rollingSpeed } from '.';
import { balance, LOSSLESS, lossyBalancer, type MeshLoss, type Torque } from './statics';
import { modelOf } from '../model';

const EFFICIENCY = 0.6;
const LOSS = fraction(3, 5);

const written = (torques: readonly Torque[]) =>
  torques.map((torque) => (torque ? toFraction(torque) : 'open')).join(', ');

/** Do the loads get power? One that stands gets none, whatever it weighs, nor one that weighs nothing. */
function getsPower({ state, flow }: Solved, torques: readonly Torque[]): boolean {
  const powers = flow.receivers.flatMap((member, k) => {
    const [torque, speed] = [torques[k], state.speeds.of(member)];
    if ([torque, speed].some((one) => one && isZero(one))) return [];
    return [torque && speed ? mul(torque, speed) : null];
  });
  return powers.includes(null) || sign(sum(powers as Rational[])) > 0;
}

/**
 * Every set of output torques that some choice of driving sides in the rolling meshes agrees with, found by trying all
 * of them.
 */
function outputTorques(solved: Solved, open: ReturnType<typeof openTrain>): string[] {
  const { state, flow } = solved;
  const load = {
    slides: state.meshes.filter(({ slidBy }) => slidBy !== null),
    joints: state.joints.map(({ tie }) => tie),
    acting: [[flow.driver, flow.torque]] as const,
    receivers: flow.receivers,
  };
  const rolling = state.meshes.filter((mesh) => !isZero(rollingSpeed(state.speeds, mesh) ?? fraction(0)));
  const found = new Set<string>();
  for (let choice = 0; choice < 2 ** rolling.length; choice++) {
    const sides = new Map(rolling.map((mesh, i) => [mesh, choice & (1 << i) ? 1 : -1]));
    const lossOf = (mesh: NetworkMesh): MeshLoss =>
      !sides.has(mesh) ? LOSSLESS : sides.get(mesh)! < 0 ? { onA: ONE, onB: LOSS } : { onA: LOSS, onB: ONE };
    const torques = balance(lossyBalancer(open, lossOf), load, lossOf);
    const agrees = rolling.every((mesh) => {
      const lambda = torques?.meshes.get(mesh);
      return (
        !lambda ||
        isZero(lambda) ||
        sign(mul(mul(lambda, mesh.za), rollingSpeed(state.speeds, mesh)!)) === sides.get(mesh)
      );
    });
    if (torques && agrees && getsPower(solved, torques.receivers)) found.add(written(torques.receivers));
  }
  return [...found].sort();
}

test('every answer that friction allows is found, and no other', () => {
  let [drives, withSeveral] = [0, 0];
  fc.assert(
    fc.property(arbitraryTrain({ oneWays: true, outputs: true }), (drawn) => {
      const train: Train = { ...drawn, meshes: drawn.meshes.map((mesh) => ({ ...mesh, efficiency: EFFICIENCY })) };
      const open = modelOf(train).open;
      for (const { engaged } of train.positions) {
        const solved = solveEngaged(open, engaged, { losses: true });
        const { load } = solved.state;
        if (solved.status !== 'drive' || solved.state.meshes.length > 6) continue;
        const answers =
          load.outcome === 'balanced' ? load.answers.map(({ torques }) => written(torques.receivers)) : [];
        expect([...new Set(answers)].sort()).toEqual(outputTorques(solved, open));
        drives++;
        if (train.outputs.length > 1) withSeveral++;
        if (answers.length < 2 || train.outputs.length > 1) continue;
        expect(solved.efficiency).toBeNull();
        expect(new Set(solved.efficiencies.map(toFraction)).size).toBe(answers.length);
      }
    }),
    { numRuns: runs(400) },
  );
  expect(drives).toBeGreaterThan(runs(200));
  expect(withSeveral).toBeGreaterThan(runs(50));
});

test('with losses a holding one-way clutch still pushes, and the members still balance', () => {
  let held = 0;
  fc.assert(
    fc.property(arbitraryTrain({ oneWays: true, outputs: true, worms: true }), (train) => {
      const open = modelOf(train).open;
      for (const { engaged } of train.positions) {
        const { state, flow } = solveEngaged(open, engaged, { losses: true });
        const { load } = state;
        if (load.outcome !== 'balanced') continue;
        const { joints, receivers } = load.torques;
        state.joints.forEach(({ kind }, k) => {
          const torque = joints[k];
          if (kind !== 'one-way' || !torque) return;
          held++;
          expect(sign(torque)).toBe(1);
        });
        const powers = receivers.map(
          (torque, k) =>
            torque && state.speeds.of(flow.receivers[k]!) && mul(torque, state.speeds.of(flow.receivers[k]!)!),
        );
        if (!powers.every((power) => power !== null)) continue;
        const lost = state.meshes.flatMap((mesh) => {
          const lambda = load.torques.meshes.get(mesh);
          const rolling = rollingSpeed(state.speeds, mesh);
          if (!lambda || !rolling) return [];
          const { onA, onB } = load.lossOf(mesh);
          // What the first side gets from the mesh, and the second: together minus the friction.
          return [mul(mul(lambda, mesh.za), mul(rolling, sub(onA, onB)))];
        });
        if (lost.length < state.meshes.length || state.joints.some((_, k) => joints[k] === null)) continue;
        expect(toFraction(sub(sum(powers as Rational[]), sum(lost)))).toBe('1');
      }
    }),
    { numRuns: runs(300) },
  );
  expect(held).toBeGreaterThan(runs(20));
});

const count = (id: string, member: string, teeth: number, type: 'external' | 'internal' = 'external') => ({
  id,
  member,
  teeth,
  type,
});

test('friction holds a set with a second output too, which a one-way clutch holds still', () => {
  const lift = (outputs: string[]): Train =>
    checkedTrain({
      name: 'Gate lift',
      input: 'sun',
      outputs,
      positions: [],
      members: [
        { id: 'sun', name: 'sun' },
        { id: 'ring', name: 'ring' },
        { id: 'carrier', name: 'carrier' },
        { id: 'p', name: 'p', carrier: 'carrier' },
        { id: 'q', name: 'q', carrier: 'carrier' },
      ],
      gears: [count('s', 'sun', 75), count('p', 'p', 9), count('q', 'q', 9), count('r', 'ring', 69, 'internal')],
      meshes: [
        ['s', 'p'],
        ['p', 'q'],
        ['q', 'r'],
      ].map(([a, b], i) => ({ id: `m${i}`, gears: [a!, b!], efficiency: 0.9 })),
      couplers: [{ id: 'roller', name: 'Roller', type: 'one-way', joins: ['ring', 'frame'] }],
    });
  // By hand: the carrier turns 12.5 times as fast, so the rolling power is 11.5 times what is put in, and a tenth lost
  // in each of three meshes is more than there is.
  for (const outputs of [['carrier'], ['ring', 'carrier'], ['carrier', 'ring']]) {
    const solved = solveEngaged(modelOf(lift(outputs)).open, [], { losses: true });
    expect([outputs, solved.status, solved.selfLocking, solved.efficiency]).toEqual([outputs, 'drive', true, null]);
  }
});

test('power that can go round either way gives two answers, and what they differ on is open', () => {
  const loop = checkedTrain({
    name: 'Rake loop',
    input: 'in',
    outputs: ['out'],
    positions: [],
    members: [
      { id: 'in', name: 'in' },
      { id: 'out', name: 'out' },
      { id: 'ring', name: 'ring' },
      { id: 'p', name: 'p', carrier: 'out' },
      { id: 'q', name: 'q', carrier: 'out' },
      { id: 'lay', name: 'lay' },
    ],
    gears: [
      count('s', 'in', 65),
      count('p', 'p', 46),
      count('q', 'q', 74),
      count('r', 'ring', 104, 'internal'),
      count('c1', 'ring', 55),
      count('c2', 'lay', 54),
      count('c3', 'lay', 14),
      count('c4', 'in', 12),
    ],
    meshes: [
      ['s', 'p'],
      ['p', 'q'],
      ['q', 'r'],
      ['c1', 'c2'],
      ['c3', 'c4'],
    ].map(([a, b], i) => ({ id: `m${i}`, gears: [a!, b!], efficiency: EFFICIENCY })),
    couplers: [],
  });
  const solved = solveEngaged(modelOf(loop).open, [], { losses: true });
  expect(solved.status).toBe('drive');
  expect(solved.efficiencies.length).toBe(2);
  expect(solved.efficiency).toBeNull();
  const { load } = solved.state;
  expect(load.outcome === 'balanced' && load.torques.receivers).toEqual([null]);
});
