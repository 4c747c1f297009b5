import { readFileSync } from 'node:fs';
import { nextTestFor, suspectsFor, type Seen } from '../src/core/faults';
import { judgeFor, judgeLog, type Reading } from '../src/core/measurement';
import { parseTrain, type Train } from '../src/core/train';

const READINGS = 10_000;

function demo(name: string): Train {
  const read = parseTrain(readFileSync(`demo/trains/${name}.train.json`, 'utf8'));
  if (!read.ok) throw new Error(name);
  return read.train;
}

/**
 * Ten thousand readings judged (limit 0.6 s), one explained (50 ms), all single faults (200 ms) and all pairs (5 s) of
 * the harvester.
 */
export function benchLog(): void {
  console.log('\n== the log: readings judged and explained, faults found');
  const train = demo('harvester');
  const reading = (i: number): Reading => ({
    id: `${i}`,
    kind: 'marks',
    position: `${1 + (i % 8)}`,
    member: train.outputs[0]!,
    marks: 24,
    passed: 5 + (i % 97) / 4,
    inputTurns: 2,
  });
  let start = performance.now();
  const judged = judgeLog(train, {
    format: 'tin-wheel/log',
    version: 1,
    readings: Array.from({ length: READINGS }, (_, i) => reading(i)),
  });
  console.log(
    `${READINGS} readings of the harvester judged: ${(performance.now() - start).toFixed(0)} ms (limit 600 ms)`,
  );
  const { judge, explain } = judgeFor(train);
  const odd = judged.find(({ verdict }) => verdict === 'does-not-agree')!.reading;
  start = performance.now();
  const found = explain(judge(odd));
  console.log(
    'one of them explained, on a train not seen before: ' +
      `${(performance.now() - start).toFixed(1)} ms, ${found.length} explanations (limit ` +
      '50 ms)',
  );
  const seen = (positions: Seen['positions']): Seen => ({ format: 'tin-wheel/seen', version: 1, positions });
  start = performance.now();
  const singles = suspectsFor(train, seen({ 1: 'ok', 2: 'neutral' }));
  nextTestFor(train, singles);
  console.log(
    `all ${singles.suspects.length} single faults and the next test: ` +
      `${(performance.now() - start).toFixed(0)} ms (limit 200 ms)`,
  );
  start = performance.now();
  const pairs = suspectsFor(
    train,
    seen({ 1: 'neutral', 2: 'locked', 3: 'ok', 4: 'locked', 5: 'neutral', 6: 'ok', 7: 'locked' }),
  );
  console.log(
    `all pairs: ${(performance.now() - start).toFixed(0)} ms (limit 5 s), ` +
      `${pairs.suspects.filter(({ agrees, of }) => agrees === of).length} explain everything`,
  );
}
