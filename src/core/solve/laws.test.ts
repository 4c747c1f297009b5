import { runs } from '@/testing/runs';
import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { checkedTrain } from '@/testing/checked-train';
import { demoTrain } from '@/testing/demo-train';
import { openTrain } from '../kinematics';
import { compare, div, equals, inverse, isZero, mul, ONE, sign, sum, toFraction, type Rational } from '../rational';
import { setTeeth, type Train } from '../train';
import { lockSet, oneWayAccounts, outputLaws, powerStops, reportTrain, solveEngaged, type Solved } from '.';
import { modelOf } from '../model';

const EVERY_KIND = { oneWays: true, outputs: true, worms: true };

const each = (train: Train, check: (solved: Solved, id: string) => void, losses = false) =>
  modelOf(train).positions({ losses }).forEach(check);

/** Torque and speed of every output, where both are known. */
function delivered({ state, flow }: Solved): Rational | null {
  if (state.load.outcome !== 'balanced') return null;
  const powers = flow.receivers.map((member, k) => {
    const torque = state.load.outcome === 'balanced' ? state.load.torques.receivers[k] : null;
    const speed = state.speeds.of(member);
    return torque && speed ? mul(torque, speed) : null;
  });
  return powers.includes(null) ? null : sum(powers as Rational[]);
}

describe('laws that hold for every train', () => {
  test('ideal: power out equals power in, exactly', () => {
    let driven = 0;
    fc.assert(
      fc.property(arbitraryTrain(EVERY_KIND), (train) =>
        each(train, (solved) => {
          if (solved.status !== 'drive') return;
          const power = delivered(solved);
          if (power === null) return;
          driven++;
          expect(toFraction(power)).toBe('1');
        }),
      ),
      { numRuns: runs(300) },
    );
    expect(driven).toBeGreaterThan(runs(50));
  });

  test('with losses less comes out, never more, and the ratio stays', () => {
    let driven = 0;
    fc.assert(
      fc.property(arbitraryTrain(EVERY_KIND), (train) => {
        const ideal = modelOf(train).positions();
        each(
          train,
          (solved, id) => {
            expect(solved.ratio && toFraction(solved.ratio)).toBe(
              ideal.get(id)!.ratio && toFraction(ideal.get(id)!.ratio!),
            );
            if (solved.efficiency === null) return;
            driven++;
            expect(compare(solved.efficiency, ONE)).toBeLessThanOrEqual(0);
            expect(sign(solved.efficiency)).toBe(1);
          },
          true,
        );
      }),
      { numRuns: runs(200) },
    );
    expect(driven).toBeGreaterThan(runs(40));
  });

  test('input and output exchanged: the ratio inverts', () => {
    fc.assert(
      fc.property(arbitraryTrain(), (train) => {
        const back = modelOf({ ...train, input: train.outputs[0]!, outputs: [train.input] }).positions();
        each(train, (solved, id) => {
          if (solved.ratio) expect(toFraction(back.get(id)!.ratio!)).toBe(toFraction(inverse(solved.ratio)));
        });
      }),
      { numRuns: runs(150) },
    );
  });

  test('renaming and reordering change nothing', () => {
    const renamed = (id: string) => (id === 'frame' ? id : `z${[...id].reverse().join('')}`);
    const changed = (train: Train): Train => ({
      ...train,
      members: train.members
        .map((m) => ({ ...m, id: renamed(m.id), ...(m.carrier ? { carrier: renamed(m.carrier) } : {}) }))
        .reverse(),
      gears: train.gears.map((g) => ({ ...g, member: renamed(g.member) })).reverse(),
      meshes: [...train.meshes].reverse(),
      couplers: train.couplers
        .map((c) =>
          'joins' in c ? { ...c, joins: [renamed(c.joins[0]), renamed(c.joins[1])] as [string, string] } : c,
        )
        .reverse(),
      input: renamed(train.input),
      outputs: train.outputs.map(renamed),
    });
    fc.assert(
      fc.property(arbitraryTrain(EVERY_KIND), (train) => {
        const before = reportTrain(modelOf(train).open, { losses: true }).positions;
        const after = reportTrain(modelOf(changed(train)).open, { losses: true }).positions;
        for (const [id, position] of Object.entries(before)) {
          const other = after[id]!;
          if (position.status === 'locked') {
            // Which of several causes is found first may change.
            expect(other.status).toBe('locked');
            continue;
          }
          expect({ ...other, speeds: {}, outputTorque: {}, couplerTorque: {} }).toEqual({
            ...position,
            speeds: {},
            outputTorque: {},
            couplerTorque: {},
          });
          expect(other.couplerTorque).toEqual(position.couplerTorque);
          for (const [member, speed] of Object.entries(position.speeds))
            expect(other.speeds[renamed(member)]).toBe(speed);
        }
      }),
      { numRuns: runs(300) },
    );
  });

  test('a lock-up set locks, and nothing left out of it does', () => {
    let locked = 0;
    fc.assert(
      fc.property(arbitraryTrain(), (train) => {
        const open = modelOf(train).open;
        each(train, (solved) => {
          if (solved.status !== 'locked') return;
          locked++;
          const needed = lockSet(solved);
          expect(solveEngaged(open, needed).status).toBe('locked');
          for (let subset = 0; subset < (1 << needed.length) - 1; subset++) {
            expect(
              solveEngaged(
                open,
                needed.filter((_, i) => subset & (1 << i)),
              ).status,
            ).not.toBe('locked');
          }
        });
      }),
      { numRuns: runs(200) },
    );
    expect(locked).toBeGreaterThan(runs(10));
  });

  test('one-way clutches: every hold pushes forward, no overrun is overtaken', () => {
    let held = 0;
    fc.assert(
      fc.property(arbitraryTrain(EVERY_KIND), (train) =>
        each(train, ({ state, network, status }) => {
          if (status === 'locked') return;
          for (const [id, how] of state.oneWays) {
            const { acts } = network.couplers[network.couplerIndex.get(id)!]!;
            if (acts.kind !== 'joins') continue;
            const lead = state.speeds.difference(acts.a, acts.b);
            if (how === 'overruns') {
              if (lead) expect(sign(lead)).toBeGreaterThanOrEqual(0);
            } else {
              held++;
              expect(lead && isZero(lead)).toBe(true);
              const at = state.joints.findIndex((joint) => joint.id === id);
              const torque = state.load.outcome === 'balanced' ? state.load.torques.joints[at] : null;
              if (torque) expect(sign(torque)).toBeGreaterThanOrEqual(0);
            }
          }
        }),
      ),
      { numRuns: runs(600) },
    );
    expect(held).toBeGreaterThan(runs(10));
  });
});

describe('the winch', () => {
  test("an idler's tooth count never changes the ratio", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 100_000 }), (teeth) => {
        const edit = setTeeth(demoTrain('sluice-winch'), 'i', teeth);
        expect(edit.ok && reportTrain(modelOf(edit.train).open).positions.wind!.ratio).toBe('-12');
      }),
    );
  });
});

describe('numbers beyond 2^53', () => {
  test('a long chain of primes stays exact and its torque is its ratio', () => {
    const primes = [10007, 10009, 10037, 10039, 10061, 10067, 10069, 10079, 10091, 10093, 10099, 10103];
    const train: Train = {
      format: 'tin-wheel/train',
      version: 1,
      name: 'Tide dial',
      members: primes.map((_, i) => ({ id: `s${i}`, name: `shaft ${i}` })),
      gears: primes.slice(1).flatMap((_, i) => [
        { id: `a${i}`, member: `s${i}`, teeth: primes[i]!, type: 'external' as const },
        { id: `b${i}`, member: `s${i + 1}`, teeth: primes[(i + 5) % primes.length]!, type: 'external' as const },
      ]),
      meshes: primes.slice(1).map((_, i) => ({ id: `m${i}`, gears: [`a${i}`, `b${i}`] as [string, string] })),
      couplers: [],
      positions: [{ id: 'run', name: 'run', engaged: [] }],
      input: 's0',
      outputs: [`s${primes.length - 1}`],
    };
    const stages = primes.length - 1;
    const product = (counts: number[]) => counts.reduce((total, count) => total * BigInt(count), 1n);
    const driver = product(primes.slice(0, stages));
    const driven = product(primes.slice(0, stages).map((_, i) => primes[(i + 5) % primes.length]!));
    const { run } = reportTrain(modelOf(train).open).positions;
    const [n, d] = run!.ratio!.split('/').map(BigInt);
    expect(n! * driver).toBe(-driven * d!);
    expect(n! < -(2n ** 53n) || d! > 2n ** 53n || driver > 2n ** 53n).toBe(true);
    expect(run!.outputTorque).toEqual({ [`s${stages}`]: run!.ratio });
    expect(run!.efficiency).toBe('1');
  });

  test('two chains that nearly cancel in a differential still turn its carrier', () => {
    // Neighbouring Fibonacci fractions, F41/F40 and F42/F41, the second turned round by an odd number of pairs.
    const chains = {
      a: [
        [2789, 1155],
        [59369, 88601],
      ],
      b: [
        [3016, 2789],
        [211, 1],
        [421, 59369],
      ],
    } as const;
    const made = Object.entries(chains).map(([name, pairs]) => ({
      members: pairs.map((_, i) => ({ id: `${name}${i}`, name: `${name}${i}` })),
      gears: pairs.flatMap(([driver, driven], i) => [
        { id: `${name}${i}x`, member: i === 0 ? 'in' : `${name}${i - 1}`, teeth: driver, type: 'external' },
        { id: `${name}${i}y`, member: `${name}${i}`, teeth: driven, type: 'external' },
      ]),
      meshes: pairs.map((_, i) => ({ id: `${name}${i}m`, gears: [`${name}${i}x`, `${name}${i}y`] })),
    }));
    const bevel = (id: string, member: string) => ({ id, member, teeth: 20, type: 'bevel' });
    const train = checkedTrain({
      name: 'Tide dial',
      members: [
        { id: 'in', name: 'in' },
        { id: 'out', name: 'out' },
        { id: 'spider', name: 'spider', carrier: 'out' },
        ...made.flatMap(({ members }) => members),
      ],
      gears: [...made.flatMap(({ gears }) => gears), bevel('left', 'a1'), bevel('right', 'b2'), bevel('p', 'spider')],
      meshes: [
        ...made.flatMap(({ meshes }) => meshes),
        { id: 'l', gears: ['left', 'p'], sense: 'opposite' },
        { id: 'r', gears: ['right', 'p'], sense: 'same' },
      ],
      couplers: [],
      positions: [{ id: 'run', name: 'run', engaged: [] }],
      input: 'in',
      outputs: ['out'],
    });
    const product = (pairs: readonly (readonly [number, number])[], side: 0 | 1) =>
      pairs.reduce((total, pair) => total * BigInt(pair[side]), 1n);
    const [n, d] = [0, 1].map((side) => product(chains.a, side as 0 | 1)) as [bigint, bigint];
    const [m, e] = [0, 1].map((side) => product(chains.b, side as 0 | 1)) as [bigint, bigint];
    expect([n * e - m * d, n * e > 2n ** 53n]).toEqual([1n, true]);
    const { run } = reportTrain(modelOf(train).open).positions;
    expect([run!.status, run!.ratio]).toEqual(['drive', String(2n * d * e)]);
  });
});

describe('reasons', () => {
  const solve = (name: string, position: string) => modelOf(demoTrain(name)).positions().get(position)!;

  test('two wheels locked to one shaft are named', () =>
    expect(lockSet(solve('pan-rake', '1+2'))).toEqual(['first', 'second']));

  test('of five engaged in the four-set box the smallest fighting set is named', () => {
    const solved = solve('harvester', 'all');
    const needed = lockSet(solved);
    expect(needed.length).toBeLessThan(5);
    expect(solveEngaged(openTrain(solved.network), needed).status).toBe('locked');
  });

  test('in neutral the open joints that the power reaches are named', () => {
    expect(powerStops(solve('pan-rake', 'N'))).toEqual({
      follow: ['in', 'lay', 'w1', 'w2', 'w3'],
      open: ['first', 'second', 'third', 'direct', 'idler-a'],
      overrun: [],
      openSets: [],
    });
    expect(powerStops(solve('brine-lift', 'idle'))).toEqual({
      follow: ['sails'],
      open: [],
      overrun: [],
      openSets: ['sails'],
    });
  });

  test('the direct position turns everything at one speed', () => {
    const { state, network } = solve('harvester', '6');
    network.memberIds.forEach((_, member) => expect(equals(state.speeds.of(member)!, ONE)).toBe(true));
  });

  test('the outputs of a differential are bound by one law, told with the smallest factors', () => {
    const [law, ...more] = outputLaws(solve('wagon-axle', 'open'));
    expect(more).toEqual([]);
    expect(law!.terms.map(({ member, factor }) => `${toFraction(factor)} ${member}`)).toEqual(['1 left', '1 right']);
    expect(toFraction(law!.driver)).toBe('22/41');
  });

  test('in second of the tram: what each roller does, by how much, and what would change it', () => {
    const solved = solve('mud-tram', '2');
    const open = openTrain(solved.network);
    const accounts = oneWayAccounts(solved, (engaged) => solveEngaged(open, engaged));
    expect(
      accounts.map(({ id, how, torque, lead }) => [id, how, torque && toFraction(torque), lead && toFraction(lead)]),
    ).toEqual([
      ['front roller', 'holds', '1', null],
      ['hold roller', 'holds', '11/23', null],
      ['rear roller', 'overruns', null, '23/51'],
    ]);
    expect(accounts[2]!.changes).toEqual([{ coupler: 'hold', engage: false }]);
    expect(accounts[1]!.changes).toContainEqual({ coupler: 'direct', engage: true });
  });

  test('efficiency of the stirrer is the textbook (1 + 3·e²)/4', () => {
    const e = div({ n: 96, d: 1 }, { n: 100, d: 1 });
    const expected = div(sum([ONE, mul({ n: 3, d: 1 }, mul(e, e))]), { n: 4, d: 1 });
    const solved = modelOf(demoTrain('stirrer')).positions({ losses: true }).get('slow')!;
    expect(toFraction(solved.efficiency!)).toBe(toFraction(expected));
  });
});
