import type { APIRequestContext } from '@playwright/test';
import { readFileSync } from 'node:fs';

/** Puts a fresh copy of a demo train on the shelf, so that journeys do not meet in one train. */
export async function freshTrain(request: APIRequestContext, name: string): Promise<string> {
  const document: unknown = JSON.parse(readFileSync(`demo/trains/${name}.train.json`, 'utf8'));
  const response = await request.post('/api/trains', { data: document });
  if (!response.ok()) throw new Error(`The copy of ${name} was refused: ${await response.text()}`);
  return `/trains/${((await response.json()) as { id: string }).id}`;
}
