import { runs } from '@/testing/runs';
import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { demoTrain } from '@/testing/demo-train';
import { askedBackward, bruteForce, type BruteForce } from '@/testing/all-subsets';
import { networkOf, openTrain } from '../kinematics';
import { fraction, inverse, sign, toFraction, type Rational } from '../rational';
import type { Coupler, Train } from '../train';
import { backwardFlow } from './flow';
import { jointTorque, lockSet, reportTrain, solveCoasting, solveEngaged, type Solved } from '.';
import { modelOf } from '../model';

/** The suite's runs; TINWHEEL_RUNS=5000 for the long check. */
const RUNS = Number(process.env.TINWHEEL_RUNS ?? runs(200));
const text = (value: Rational | null) => value && toFraction(value);

/** The solver's answer in the brute force's terms. */
const answer = ({ status, ratio, state }: Solved) => ({
  status,
  ratio: text(ratio),
  holds:
    status === 'locked'
      ? []
      : [...state.oneWays]
          .filter(([, how]) => how === 'holds')
          .map(([id]) => id)
          .sort(),
  standing: state.joints
    .filter(({ kind }) => kind === 'self-lock')
    .map(({ id }) => id)
    .sort(),
});
const expected = ({ status, ratio, holds, standing }: BruteForce) => ({
  status,
  ratio: text(ratio),
  holds: [...holds].sort(),
  standing: [...standing].map((id) => `self-lock:${id}`).sort(),
});

const counted = { drive: 0, split: 0, neutral: 0, held: 0, locked: 0, holding: 0 };

function compareEach(train: Train, direction: Rational | null): void {
  const network = networkOf(train);
  const open = openTrain(network);
  for (const { engaged } of train.positions) {
    const flow = direction ? backwardFlow(network, direction) : undefined;
    const solved = solveEngaged(open, engaged, { flow });
    const brute = bruteForce(train, new Set(engaged), direction ? askedBackward(network, direction) : undefined);
    expect(answer(solved)).toEqual(expected(brute));
    counted[solved.status]++;
    for (const [id, torque] of brute.torques ?? []) {
      counted.holding++;
      const found = jointTorque(solved.state, id);
      // Null where clutches, brakes or worms in parallel leave it open.
      if (found) expect(text(found)).toBe(text(torque));
    }
  }
}

describe('one-way clutches and worms, against trying every set', () => {
  test('drive, one output or several', () => {
    fc.assert(
      fc.property(arbitraryTrain({ oneWays: true, outputs: true, worms: true }), (train) => compareEach(train, null)),
      { numRuns: RUNS },
    );
    if (process.env.TINWHEEL_RUNS) console.log(JSON.stringify(counted));
    expect(Math.min(counted.drive, counted.neutral, counted.locked)).toBeGreaterThan(RUNS / 6);
    expect(counted.holding).toBeGreaterThan(RUNS / 50);
    expect(Math.min(counted.split, counted.held)).toBeGreaterThan(RUNS / 40);
  });

  test('the outputs driving the input, either way', () => {
    fc.assert(
      fc.property(arbitraryTrain({ oneWays: true, outputs: true, worms: true }), fc.constantFrom(1, -1), (train, way) =>
        compareEach(train, fraction(way)),
      ),
      { numRuns: RUNS },
    );
  });
});

describe('coasting: the roles exchanged', () => {
  test('the load pushes as it turns in drive, and the input moves as little as it can', () => {
    let followed = 0;
    fc.assert(
      fc.property(arbitraryTrain({ oneWays: true, worms: true }), (train) => {
        const network = networkOf(train);
        const open = openTrain(network);
        for (const { engaged } of train.positions) {
          const drive = bruteForce(train, new Set(engaged));
          const way = fraction(drive.ratio ? sign(drive.ratio) : 1);
          const brute = bruteForce(train, new Set(engaged), askedBackward(network, way));
          const solved = solveCoasting(open, engaged);
          const { status, holds, standing } = answer(solved);
          expect({ status, holds, standing, ratio: text(solved.ratio) }).toEqual({
            ...expected(brute),
            ratio: brute.ratio && text(inverse(brute.ratio)),
          });
          if (status === 'drive') followed++;
        }
      }),
      { numRuns: RUNS },
    );
    expect(followed).toBeGreaterThan(RUNS / 10);
  });

  test('a differential that coasts drives its input, and its outputs share the torque as in drive', () => {
    const solved = solveCoasting(modelOf(demoTrain('wagon-axle')).open, []);
    const { load } = solved.state;
    expect(solved.status).toBe('split');
    expect(load.outcome === 'balanced' && load.torques.receivers.map(text)).toEqual(['-41/22', '-41/22']);
  });

  test('a hub runs ahead of its pawls: told per turn of the shell, and the sprocket is left open', () => {
    const hub = demoTrain('draisine-hub');
    const { status, state, flow, network } = solveCoasting(modelOf(hub).open, hub.positions[2]!.engaged);
    expect(status).toBe('neutral');
    expect(network.memberIds[flow.driver]).toBe('shell');
    expect(state.speeds.of(network.input)).toBeNull();
    expect([...state.oneWays.values()]).toEqual(['overruns', 'overruns']);
  });
});

/** Shafts on one axis, joined as given; "in" drives "out". */
function shafts(
  ids: readonly string[],
  couplers: readonly Coupler[],
  gears: Pick<Train, 'gears' | 'meshes'> = { gears: [], meshes: [] },
): Train {
  return {
    format: 'tin-wheel/train',
    version: 1,
    name: 'Sluice shafts',
    input: 'in',
    outputs: ['out'],
    ...gears,
    members: ['in', ...ids, 'out'].map((id) => ({ id, name: id })),
    couplers: [...couplers],
    positions: [{ id: 'p', name: 'p', engaged: couplers.filter(({ type }) => type !== 'one-way').map(({ id }) => id) }],
  };
}
const roller = (from: string, to: string): Coupler => ({
  id: `${from}>${to}`,
  name: `${from}>${to}`,
  type: 'one-way',
  joins: [from, to],
});
const clutch = (a: string, b: string): Coupler => ({
  id: `${a}=${b}`,
  name: `${a}=${b}`,
  type: b === 'frame' ? 'brake' : 'clutch',
  joins: [a, b],
});
const solved = (train: Train): Solved => modelOf(train).positions().get('p')!;

describe('by hand', () => {
  test.each<[string, Train, string, string | null, readonly string[]]>([
    ['two in series drive', shafts(['x'], [roller('in', 'x'), roller('x', 'out')]), 'drive', '1', ['in>x', 'x>out']],
    ['the wrong way round they do not', shafts(['x'], [roller('x', 'in'), roller('x', 'out')]), 'neutral', null, []],
    [
      'two that face each other are a joint',
      shafts([], [roller('in', 'out'), roller('out', 'in')]),
      'drive',
      '1',
      ['in>out', 'out>in'],
    ],
    [
      'a ring of three drives',
      shafts(['x'], [roller('in', 'x'), roller('x', 'out'), roller('out', 'in')]),
      'drive',
      '1',
      ['in>x', 'out>in', 'x>out'],
    ],
    [
      'a ring that nothing reaches',
      shafts(['x', 'y'], [clutch('in', 'out'), roller('x', 'y'), roller('y', 'x')]),
      'drive',
      '1',
      ['x>y', 'y>x'],
    ],
    [
      'between members clutched together it idles',
      shafts([], [clutch('in', 'out'), roller('in', 'out')]),
      'drive',
      '1',
      [],
    ],
    [
      'an output stopped both ways is not driven',
      shafts([], [roller('frame', 'out'), roller('out', 'frame')]),
      'neutral',
      null,
      [],
    ],
  ])('%s', (_, train, status, ratio, holds) => {
    const { status: found, ratio: r, holds: h } = answer(solved(train));
    expect({ found, r, h }).toEqual({ found: status, r: ratio, h: holds });
  });

  test.each<[string, Train, readonly string[]]>([
    [
      'clutched to an output that two in series stop',
      shafts(['b'], [clutch('in', 'out'), roller('out', 'b'), roller('b', 'frame')]),
      ['in=out', 'out>b', 'b>frame'],
    ],
    ['stopped both ways', shafts([], [roller('frame', 'in'), roller('in', 'frame')]), ['in>frame']],
    ['pushing a braked member', shafts(['x'], [clutch('x', 'frame'), roller('in', 'x')]), ['x=frame', 'in>x']],
  ])('locked, and by what: %s', (_, train, blame) => {
    expect(solved(train).status).toBe('locked');
    expect(lockSet(solved(train))).toEqual(blame);
  });

  test('of two ways in parallel the one that turns the output faster carries, though it is two clutches long', () => {
    const wheels: Pick<Train, 'gears' | 'meshes'> = {
      gears: [
        { id: 'a', member: 'x', teeth: 40, type: 'external' },
        { id: 'b', member: 'lay', teeth: 40, type: 'external' },
        { id: 'c', member: 'lay', teeth: 40, type: 'external' },
        { id: 'd', member: 'y', teeth: 34, type: 'external' },
      ],
      meshes: [
        { id: 'm1', gears: ['a', 'b'] },
        { id: 'm2', gears: ['c', 'd'] },
      ],
    };
    const train = shafts(['x', 'lay', 'y'], [roller('in', 'out'), roller('in', 'x'), roller('y', 'out')], wheels);
    expect(answer(solved(train))).toMatchObject({ status: 'drive', ratio: '17/20', holds: ['in>x', 'y>out'] });
    expect(text(jointTorque(solved(train).state, 'in>x'))).toBe('1');
    expect(text(jointTorque(solved(train).state, 'y>out'))).toBe('17/20');
  });

  test('two side by side share, and say so', () => {
    const twin = { ...roller('in', 'out'), id: 'twin' };
    const both = solved(shafts([], [roller('in', 'out'), twin]));
    expect(answer(both).holds).toEqual(['in>out', 'twin']);
    expect([jointTorque(both.state, 'in>out'), jointTorque(both.state, 'twin')]).toEqual([null, null]);
    expect(reportTrain(modelOf(shafts([], [roller('in', 'out'), twin])).open).positions.p!.outputTorque).toEqual({
      out: '1',
    });
  });

  test('a trim worm on the input that takes power from its wheel does not lock', () => {
    const wheels: Pick<Train, 'gears' | 'meshes'> = {
      gears: [
        { id: 'w', member: 'in', teeth: 1, type: 'worm' },
        { id: 'z', member: 'out', teeth: 20, type: 'external' },
        { id: 'a', member: 'in', teeth: 20, type: 'external' },
        { id: 'b', member: 'lay', teeth: 40, type: 'external' },
        { id: 'v', member: 'lay', teeth: 1, type: 'worm' },
        { id: 'y', member: 'out', teeth: 10, type: 'external' },
      ],
      meshes: [
        { id: 'm1', gears: ['w', 'z'], sense: 'same', selfLocking: true },
        { id: 'm2', gears: ['a', 'b'] },
        { id: 'm3', gears: ['v', 'y'], sense: 'opposite', selfLocking: true },
      ],
    };
    expect(answer(solved(shafts(['lay'], [], wheels)))).toMatchObject({ status: 'drive', ratio: '20', standing: [] });
  });

  test('64 in a chain, 64 that all overrun, and 32 outputs with one each', () => {
    const ids = Array.from({ length: 63 }, (_, i) => `s${i}`);
    const chain = ['in', ...ids, 'out'];
    const serial = solved(
      shafts(
        ids,
        chain.slice(1).map((id, i) => roller(chain[i]!, id)),
      ),
    );
    expect([serial.status, text(serial.ratio), answer(serial).holds.length]).toEqual(['drive', '1', 64]);
    const backward = solved(
      shafts(
        ids,
        chain.slice(1).map((id, i) => roller(id, chain[i]!)),
      ),
    );
    expect([backward.status, answer(backward).holds.length]).toEqual(['neutral', 0]);
    const outputs = Array.from({ length: 32 }, (_, i) => `o${i}`);
    const many: Train = {
      ...shafts(
        outputs,
        outputs.map((id) => roller('in', id)),
      ),
      outputs,
    };
    expect([solved(many).status, answer(solved(many)).holds.length]).toEqual(['drive', 32]);
  });
});

describe('reasons with one-way clutches', () => {
  test('a lock set locks, as one-way clutches are, and nothing smaller does', () => {
    let withRollers = 0;
    fc.assert(
      fc.property(arbitraryTrain({ oneWays: true }), (train) => {
        const network = networkOf(train);
        for (const { engaged } of train.positions) {
          const position = solveEngaged(openTrain(network), engaged);
          if (position.status !== 'locked') continue;
          const blame = lockSet(position);
          const only = (kept: readonly string[]) => {
            const couplers = train.couplers.filter(({ id, type }) => type !== 'one-way' || kept.includes(id));
            return bruteForce({ ...train, couplers }, new Set(kept)).status;
          };
          expect(only(blame)).toBe('locked');
          for (const spare of blame) expect(only(blame.filter((id) => id !== spare))).not.toBe('locked');
          if (blame.some((id) => position.state.oneWays.has(id))) withRollers++;
        }
      }),
      { numRuns: RUNS },
    );
    expect(withRollers).toBeGreaterThan(RUNS / 10);
  });
});
