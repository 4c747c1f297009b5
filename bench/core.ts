import { LuDecomposition, Matrix } from 'ml-matrix';
import { Bench } from 'tinybench';
import { Worker } from 'node:worker_threads';
import { influenceOf, oneToothMore } from '../src/core/gear-chart';
import { AT_ONCE, Drafts, drawSideView, SPACES } from '../src/core/drawing';
import { networkOf, openTrain, type Network } from '../src/core/kinematics';
import { memberFigures } from '../src/core/powerflow';
import { toNumber } from '../src/core/rational';
import { solveEngaged, type Solved } from '../src/core/solve';
import { checkTrain, setTeeth } from '../src/core/train';
import { demoTrain } from '../src/testing/demo-train';
import { benchGreatTrains } from './great';
import { trainAtTheLimits } from './limits';
import { modelOf } from '../src/core/model';

/** What the exact core costs, against floating point where that is a fair comparison. */
export async function benchCore(): Promise<void> {
  await benchEdit();
  await benchAgainstFloatingPoint();
  benchLimits();
  await benchCombinations();
  await benchInfluence();
  benchGreatTrains();
}

async function benchEdit(): Promise<void> {
  console.log('\n== an edit, without painting: check, solve every position, read figures (limit 16 ms)');
  const bench = new Bench({ time: 500 });
  for (const [name, gear] of [
    ['sluice-winch', 'l'],
    ['harvester', 's4'],
  ] as const) {
    const train = demoTrain(name);
    let teeth = 10;
    // As on the Bench: with what earlier drawings found, and no more effort than an edit may cost.
    const drafts = new Drafts();
    bench.add(name, () => {
      const edit = setTeeth(train, gear, (teeth = 10 + ((teeth + 1) % 60)));
      if (!edit.ok) throw new Error(edit.message);
      modelOf(edit.train).positions().forEach(memberFigures);
      drawSideView(edit.train, SPACES.bench, { drafts, effort: AT_ONCE, atOnce: AT_ONCE });
    });
  }
  await bench.run();
  console.table(bench.table());
}

/** Every position of a train that is opened for it: what is kept of the same document is not what is measured. */
function solveAll(network: Network): Solved[] {
  const open = openTrain(network);
  return network.train.positions.map(({ engaged }) => solveEngaged(open, engaged));
}

/**
 * Every position of the harvester: exact motion and exact ideal torque here, against building and LU-solving
 * the same two dense systems in floating point (member speeds; mesh, coupler and output torques).
 */
async function benchAgainstFloatingPoint(): Promise<void> {
  const network = networkOf(demoTrain('harvester'));
  const positions = solveAll(network).filter(({ status }) => status === 'drive');
  const systems = positions.map((solved) => denseSystem(solved));
  const answers = (solved: Solved) => {
    const { load, speeds } = solved.state;
    solved.network.memberIds.forEach((_, member) => speeds.of(member));
    if (load.outcome !== 'balanced') throw new Error('The harvester must be loaded.');
    return load.torques;
  };
  positions.forEach((solved, i) => {
    const { motion, motionRhs } = systems[i]!;
    const dense = new LuDecomposition(motion).solve(motionRhs);
    solved.network.memberIds.forEach((id, member) => {
      if (Math.abs(dense.get(member, 0) - toNumber(solved.state.speeds.of(member)!)) > 1e-9)
        throw new Error(`The floating-point system disagrees on ${id}.`);
    });
  });
  const ids = new Set(positions.map((solved) => [...solved.engaged].join()));
  const train = {
    ...network.train,
    positions: network.train.positions.filter(({ engaged }) => ids.has(engaged.join())),
  };
  const bench = new Bench({ time: 1500 });
  bench.add('exact, this core', () => solveAll({ ...network, train }).forEach(answers));
  bench.add('floating point, ml-matrix LU', () => {
    for (const { motion, motionRhs, torque, torqueRhs } of systems) {
      new LuDecomposition(motion).solve(motionRhs);
      new LuDecomposition(torque).solve(torqueRhs);
    }
  });
  await bench.run();
  console.log(
    `\n== harvester, motion and ideal torque of ${systems.length} positions, ${systems[0]!.motion.rows} unknowns each`,
  );
  console.table(bench.table());
  const [exact, floating] = bench.tasks.map(({ result }) => ('latency' in result ? result.latency.p50 : NaN));
  console.log(`exact takes ${(exact! / floating!).toFixed(2)} of the time that floating point takes (limit 0.6)`);
}

interface DenseSystem {
  readonly motion: Matrix;
  readonly motionRhs: Matrix;
  readonly torque: Matrix;
  readonly torqueRhs: Matrix;
}

/** The rows of a position as one square matrix over the member speeds; the torques are its transpose's. */
function denseSystem({ network, state }: Solved): DenseSystem {
  const size = network.memberIds.length;
  const rows: number[][] = [];
  const row = (terms: [number, number][]) => {
    const values = new Array<number>(size).fill(0);
    for (const [member, value] of terms) if (member >= 0) values[member]! += value;
    rows.push(values);
  };
  for (const { a, b, arm, za, zb } of state.meshes)
    row([
      [a, toNumber(za)],
      [b, toNumber(zb)],
      [arm, -toNumber(za) - toNumber(zb)],
    ]);
  for (const { tie } of state.joints)
    row([
      [tie.a, 1],
      [tie.b, -1],
    ]);
  row([[network.input, 1]]);
  const motion = new Matrix(rows);
  const motionRhs = Matrix.zeros(size, 1);
  motionRhs.set(size - 1, 0, 1);
  const torque = motion.transpose();
  torque.setColumn(
    size - 1,
    network.memberIds.map((_, member) => (network.outputs.includes(member) ? -1 : 0)),
  );
  const torqueRhs = Matrix.zeros(size, 1);
  torqueRhs.set(network.input, 0, -1);
  return { motion, motionRhs, torque, torqueRhs };
}

function benchLimits(): void {
  const train = trainAtTheLimits();
  const checked = checkTrain(train);
  if (!checked.ok) throw new Error(checked.problems[0]!.message);
  const times: { network: number; open: number; position: number }[] = [];
  for (let i = 0; i < 5; i++) {
    const start = performance.now();
    const network: Network = networkOf(train);
    const networkDone = performance.now();
    openTrain(network);
    const openDone = performance.now();
    const [solved] = solveAll(network);
    if (solved!.status !== 'drive' || solved!.state.load.outcome !== 'balanced')
      throw new Error(`The train at the limits must drive, it is ${solved!.status}.`);
    times.push({ network: networkDone - start, open: openDone - networkDone, position: performance.now() - openDone });
  }
  const middle = (key: keyof (typeof times)[0]) =>
    times
      .map((time) => time[key])
      .sort((a, b) => a - b)[2]!
      .toFixed(1);
  console.log(
    `\n== ${train.members.length} members, ${train.gears.length} gears, ` +
      `${train.meshes.length} meshes, ${train.couplers.length} couplers`,
  );
  console.log(
    `resolve ids ${middle('network')} ms, open train ${middle('open')} ms, one position with its ` +
      `open train and ideal torques ${middle('position')} ms (limit 100 ms)`,
  );
}

/** All 2^14 combinations in one worker that may use 200 MB. */
async function benchCombinations(): Promise<void> {
  const worker = new Worker('./dist/bench/combinations-worker.js', { resourceLimits: { maxOldGenerationSizeMb: 200 } });
  const { count, milliseconds, megabytes } = await new Promise<{
    count: number;
    milliseconds: number;
    megabytes: number;
  }>((done, fail) => worker.once('message', done).once('error', fail));
  console.log(
    `\n== ${count} combinations of a fourteen-coupler train in one worker: ` +
      `${(milliseconds / 1000).toFixed(2)} s (limit 0.6 s), heap ${megabytes.toFixed(0)} MB (limit 200 ` +
      'MB)',
  );
}

/** The influence of every count on every position. */
async function benchInfluence(): Promise<void> {
  const train = demoTrain('harvester');
  const bench = new Bench({ time: 500 });
  bench.add('influence of the harvester (limit 50 ms)', () => void influenceOf(train));
  bench.add('one tooth more on the harvester', () => void oneToothMore(train, 's4'));
  await bench.run();
  console.log('\n== influence');
  console.table(bench.table());
}
