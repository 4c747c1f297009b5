import { readFileSync } from 'node:fs';
import { parentPort } from 'node:worker_threads';
import { listCombinations } from '../src/core/gear-chart';
import { networkOf } from '../src/core/kinematics';
import { parseTrain } from '../src/core/train';
import { fourteenCouplers } from './limits';

const parsed = parseTrain(readFileSync('demo/trains/harvester.train.json', 'utf8'));
if (!parsed.ok) throw new Error(parsed.problems[0]!.message);
const start = performance.now();
const found = listCombinations(networkOf(fourteenCouplers(parsed.train)));
parentPort!.postMessage({
  count: found!.length,
  milliseconds: performance.now() - start,
  megabytes: process.memoryUsage().heapUsed / 2 ** 20,
});
