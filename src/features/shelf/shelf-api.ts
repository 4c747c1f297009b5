import type { Drawn } from '@/core/drawing';
import type { Train } from '@/core/train';

/** What came of asking the server: done, with what it answered, or a sentence that says what went wrong. */
export type Answer<T = unknown> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly message: string };

async function ask<T>(address: string, method: 'GET' | 'POST' | 'PUT' | 'DELETE' = 'GET', body?: unknown): Promise<Answer<T>> {
  try {
    const response = await fetch(address, { method, ...(body !== undefined && { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }) });
    const answer: unknown = await response.json();
    if (response.ok) return { ok: true, value: answer as T };
    return { ok: false, message: (answer as { error?: { message?: string } }).error?.message ?? 'The server refused.' };
  } catch {
    return { ok: false, message: 'The server cannot be reached. Nothing was changed.' };
  }
}

const trainAt = (id: string): string => `/api/trains/${encodeURIComponent(id)}`;

export interface Kept {
  readonly id: string;
  readonly version: number;
  readonly train: Train;
}

export const readTrain = (id: string): Promise<Answer<Kept>> => ask(trainAt(id));

export const putOnShelf = (train: Train): Promise<Answer<{ readonly id: string }>> => ask('/api/trains', 'POST', train);

export const saveTrain = ({ id, version, train }: Kept): Promise<Answer> => ask(trainAt(id), 'PUT', { version, train });

export const takeOffShelf = (id: string): Promise<Answer> => ask(trainAt(id), 'DELETE');

export const putBack = (id: string): Promise<Answer> => ask(trainAt(id), 'POST');

/** A train with its small drawing, as it is at a version. */
export const readDrawing = (id: string, version: number): Promise<Answer<{ readonly train: Train; readonly drawn: Drawn }>> => ask(`${trainAt(id)}/drawing?v=${version}`);

export interface ExampleState {
  readonly id: string;
  readonly name: string;
  readonly state: 'as it was' | 'changed' | 'not on the shelf';
}

export const readExamples = (): Promise<Answer<{ readonly examples: readonly ExampleState[] }>> => ask('/api/examples');

export const restoreExample = (id: string): Promise<Answer> => ask(`/api/examples/${encodeURIComponent(id)}`, 'POST');
