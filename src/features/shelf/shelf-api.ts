import type { Drawn } from '@/core/drawing';
import type { Train } from '@/core/train';

/** What came of asking the server: done, with what it answered, or a sentence that says what went wrong. */
export type Answer<T = unknown> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly message: string };

async function ask<T>(
  address: string,
  method: 'GET' | 'POST' | 'PUT' | 'DELETE' = 'GET',
  body?: unknown,
  headers: Record<string, string> = {},
): Promise<Answer<T>> {
  try {
    const response = await fetch(address, {
      method,
      headers: { ...headers, ...(body !== undefined && { 'content-type': 'application/json' }) },
      ...(body !== undefined && { body: JSON.stringify(body) }),
    });
    const answer: unknown = await response.json();
    if (response.ok) return { ok: true, value: answer as T };
    return { ok: false, message: (answer as { error?: { message?: string } }).error?.message ?? 'The server refused.' };
  } catch {
    // The request may have arrived all the same; only reading is sure to have changed nothing.
    return {
      ok: false,
      message:
        method === 'GET'
          ? 'The server cannot be reached.'
          : 'The server cannot be reached, so this may not have been done. Look again when it is back.',
    };
  }
}

const trainAt = (id: string): string => `/api/trains/${encodeURIComponent(id)}`;

export interface Kept {
  readonly id: string;
  readonly version: number;
  readonly train: Train;
}

export const readTrain = (id: string): Promise<Answer<Kept>> => ask(trainAt(id));

export const putOnShelf = (train: Train): Promise<Answer<{ readonly id: string }>> =>
  ask('/api/trains', 'POST', train, { 'idempotency-key': crypto.randomUUID() });

export const saveTrain = ({ id, version, train }: Kept): Promise<Answer> => ask(trainAt(id), 'PUT', { version, train });

export const takeOffShelf = ({ id, version }: Pick<Kept, 'id' | 'version'>): Promise<Answer> =>
  ask(`${trainAt(id)}?version=${version}`, 'DELETE');

export const putBack = (id: string): Promise<Answer> => ask(trainAt(id), 'POST');

/** A train with its small drawing, as it is at a version. */
export const readDrawing = (
  id: string,
  version: number,
): Promise<Answer<{ readonly train: Train; readonly drawn: Drawn }>> => ask(`${trainAt(id)}/drawing?v=${version}`);

export interface ExampleState {
  readonly id: string;
  readonly name: string;
  readonly state: 'as it was' | 'changed' | 'not on the shelf';
}

export const readExamples = (): Promise<Answer<{ readonly examples: readonly ExampleState[] }>> => ask('/api/examples');

export const restoreExample = (id: string): Promise<Answer> => ask(`/api/examples/${encodeURIComponent(id)}`, 'POST');
