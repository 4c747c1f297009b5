import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseTrain, problemText, type Train } from '@/core/train';

/** One of the demo trains, read from its file; tests run in the project's folder. */
export function demoTrain(name: string): Train {
  const parsed = parseTrain(readFileSync(join('demo/trains', `${name}.train.json`), 'utf8'));
  if (!parsed.ok) throw new Error(`${name}: ${parsed.problems.map(problemText).join('; ')}`);
  return parsed.train;
}

/** All of them. */
export const demoTrains = (): readonly Train[] =>
  readdirSync('demo/trains').map((file) => demoTrain(file.replace(/\.train\.json$/, '')));
