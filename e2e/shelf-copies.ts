import type { APIRequestContext } from '@playwright/test';
import { readFileSync } from 'node:fs';
import type { Train } from '../src/core/train';

/** Puts a fresh copy of a demo train on the shelf, changed as wanted, so that journeys do not meet in one train. */
export async function freshTrain(
  request: APIRequestContext,
  name: string,
  change: (train: Train) => Train = (train) => train,
): Promise<string> {
  const document = JSON.parse(readFileSync(`demo/trains/${name}.train.json`, 'utf8')) as Train;
  const response = await request.post('/api/trains', { data: change(document) });
  if (!response.ok()) throw new Error(`The copy of ${name} was refused: ${await response.text()}`);
  return `/trains/${((await response.json()) as { id: string }).id}`;
}
