import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseTrain, problemText, type Train } from '@/core/train';
import { readWritten } from '@/core/written-form';

const FOLDER = 'demo/trains';
const ENDING = /\.train\.(json|txt)$/;

/** The demo trains, as the shelf calls them. */
export const demoNames = (): readonly string[] => readdirSync(FOLDER).map((file) => file.replace(ENDING, ''));

/** One of them, read from its file, a document or in writing; tests run in the project's folder. */
export function demoTrain(name: string): Train {
  const file = readdirSync(FOLDER).find((one) => one.replace(ENDING, '') === name);
  if (file === undefined) throw new Error(`There is no demo train ${name}.`);
  const text = readFileSync(join(FOLDER, file), 'utf8');
  return file.endsWith('.txt') ? written(name, text) : document(name, text);
}

function document(name: string, text: string): Train {
  const parsed = parseTrain(text);
  if (!parsed.ok) throw new Error(`${name}: ${parsed.problems.map(problemText).join('; ')}`);
  return parsed.train;
}

function written(name: string, text: string): Train {
  const { train, problems } = readWritten(text);
  if (!train) throw new Error(`${name}: ${problems.map(({ message }) => message).join('; ')}`);
  return train;
}

/** All of them. */
export const demoTrains = (): readonly Train[] => demoNames().map(demoTrain);

/** The train as it was before anybody gave its wheels sizes. */
export const withoutSizes = (train: Train): Train => ({
  ...train,
  gears: train.gears.map(({ module: _, ...gear }) => gear),
});
