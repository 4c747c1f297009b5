import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseTrain, problemText, type Train } from '@/core/train';

/** One of the demo trains, read from its file. */
export function demoTrain(name: string): Train {
  const parsed = parseTrain(readFileSync(join(__dirname, `../../demo/trains/${name}.train.json`), 'utf8'));
  if (!parsed.ok) throw new Error(`${name}: ${parsed.problems.map(problemText).join('; ')}`);
  return parsed.train;
}
