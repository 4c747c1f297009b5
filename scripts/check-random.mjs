/**
 * `npm run check:random [runs]`: the unit tests with other random trains than those of every day, once or so many times.
 * Each run says its seed; `TINWHEEL_SEED=… npm test` repeats it.
 */
import { spawnSync } from 'node:child_process';
import { randomInt } from 'node:crypto';

const runs = Number(process.argv[2] ?? 1);
if (!Number.isInteger(runs) || runs < 1) {
  console.error('Say how many runs: npm run check:random 3');
  process.exit(2);
}
const failed = [];
for (let run = 1; run <= runs; run++) {
  const seed = randomInt(1, 2 ** 31 - 1);
  console.log(`== run ${run} of ${runs}: TINWHEEL_SEED=${seed}`);
  const { status } = spawnSync('npx', ['--no-install', 'jest', '--silent'], {
    stdio: 'inherit',
    env: { ...process.env, TINWHEEL_SEED: String(seed), TINWHEEL_SHARE: '1' },
  });
  if (status !== 0) failed.push(seed);
}
console.log(failed.length === 0 ? `All ${runs} runs passed.` : `Failed with the seeds ${failed.join(', ')}.`);
process.exit(failed.length === 0 ? 0 : 1);
