import { walkCombinations } from '../src/core/gear-chart';
import { networkOf, openTrain } from '../src/core/kinematics';
import { solveEngaged } from '../src/core/solve';
import { checkTrain, type Coupler, type Train } from '../src/core/train';
import { demoTrain } from '../src/testing/demo-train';
import { longChain, manyOutputs, planetaryPositions, rollerChain, rollersInParallel } from './great-trains';
import { fourteenCouplers } from './limits';

/** Trains far beyond everyday ones: every position with all speeds and all torques. */
export function benchGreatTrains(): void {
  console.log('\n== great trains: all positions, every speed and every torque, middle of 15 runs (warm)');
  report(rollerChain(24), 5);
  report(rollerChain(64), 30);
  report(rollersInParallel(64), 30);
  report(manyOutputs(32), 50);
  report(planetaryPositions(), 1000);
  report(longChain(), 2000);
  report(longChain(), 4000, true);
  benchMemory();
}

function report(train: Train, limit: number, losses = false): void {
  const checked = checkTrain(train);
  if (!checked.ok) throw new Error(checked.problems[0]!.message);
  const times = Array.from({ length: 15 }, () => {
    const start = performance.now();
    // Opened anew each time: what is kept of the same document is not what is measured.
    const open = openTrain(networkOf(train));
    for (const { engaged } of train.positions) {
      const { network, state, status } = solveEngaged(open, engaged, { losses });
      network.memberIds.forEach((_, member) => state.speeds.of(member));
      if (status !== 'drive' || state.load.outcome !== 'balanced')
        throw new Error(`${train.name} must drive, it is ${status}.`);
    }
    return performance.now() - start;
  });
  const middle = times.sort((a, b) => a - b)[7]!;
  console.log(`${train.name}${losses ? ', with losses' : ''}: ${middle.toFixed(1)} ms (limit ${limit} ms)`);
}

/** 2^18 combinations one after the other: what is kept must not grow with their number. */
function benchMemory(): void {
  const train = fourteenCouplers(demoTrain('harvester'));
  const more = Array.from({ length: 4 }, (_, i): Coupler => ({
    id: `y${i}`,
    name: `y${i}`,
    type: 'one-way',
    control: 'selectable',
    joins: [train.members[i]!.id, train.members[i + 2]!.id],
  }));
  const clutches = more.map((coupler, i): Coupler => ({
    id: `z${i}`,
    name: `z${i}`,
    type: 'clutch',
    joins: [train.members[i + 1]!.id, train.members[i + 3]!.id],
  }));
  const network = networkOf({ ...train, couplers: [...train.couplers, ...more, ...clutches] });
  let count = 0;
  const before = process.memoryUsage().heapUsed;
  for (const combination of walkCombinations(network)) if (combination.status !== 'locked') count++;
  global.gc?.();
  console.log(
    `2^18 combinations walked, ${count} not locked: heap ` +
      `${((process.memoryUsage().heapUsed - before) / 2 ** 20).toFixed(0)} MB more than ` +
      'before',
  );
}
