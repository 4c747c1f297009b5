import { readFileSync } from 'node:fs';
import { gearingsOf, orderOf, pointsWith, presetFor, runScenario, summaryOf } from '../src/core/shifting';
import { parseTrain } from '../src/core/train';

const TRAINS = ['conveyor-shifter', 'pan-rake', 'harvester'];

/**
 * A minute of a shifter at steps of a millisecond (limit 1 s, first samples within 200 ms), and operating points of a
 * load that is dragged (limit 32 ms with the picture).
 */
export function benchShifting(): void {
  console.log('\n== a minute of the conveyor on a ramp; operating points of a dragged load');
  for (const name of TRAINS) {
    const read = parseTrain(readFileSync(`demo/trains/${name}.train.json`, 'utf8'));
    if (!read.ok) throw new Error(name);
    const order = orderOf(read.train);
    const gearings = gearingsOf(read.train, order, false);
    const scenario = { ...presetFor('conveyor', order, gearings, false), durationS: 60 };
    runScenario(read.train, { ...scenario, durationS: 3 });
    const start = performance.now();
    let first: number | null = null;
    const run = runScenario(read.train, scenario, { tell: () => (first ??= performance.now() - start) });
    const took = performance.now() - start;
    const times = 1000;
    const began = performance.now();
    for (let i = 0; i < times; i++)
      pointsWith(gearings, { ...scenario, load: { ...scenario.load, constantNm: 0.1 + i / times } });
    const dragged = (performance.now() - began) / times;
    const { shifts, unexplained } = summaryOf(run, order);
    console.log(
      `${name}, ${order.length} positions: ${took.toFixed(0)} ms, first samples after ` +
        `${first!.toFixed(1)} ms, ${shifts} shifts, ${unexplained.toExponential(1)} of the ` +
        `energy unexplained; points ${dragged.toFixed(3)} ms`,
    );
  }
}
