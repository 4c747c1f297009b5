import type { Train } from '@/core/train';

/** A saved state of a train. */
export interface Revision {
  readonly version: number;
  readonly savedAt: string;
  readonly name: string | null;
}

const CANNOT = 'The server cannot be reached. Nothing was changed.';

async function ask<T>(address: string, init?: RequestInit): Promise<T> {
  const response = await fetch(address, init).catch(() => null);
  if (!response) throw new Error(CANNOT);
  const answer = (await response.json()) as T & { error?: { message?: string } };
  if (!response.ok) throw new Error(answer.error?.message ?? 'The server refused.');
  return answer;
}

const revisionsOf = (id: string): string => `/api/trains/${encodeURIComponent(id)}/revisions`;

/** The saved states of a train, the newest first. Like the others it throws an Error with a sentence for people. */
export const readRevisions = async (id: string): Promise<readonly Revision[]> =>
  (await ask<{ revisions: Revision[] }>(revisionsOf(id))).revisions;

export const readRevision = async (id: string, version: number): Promise<Train> =>
  (await ask<{ train: Train }>(`${revisionsOf(id)}/${version}`)).train;

export const nameRevision = (id: string, version: number, name: string): Promise<unknown> =>
  ask(`${revisionsOf(id)}/${version}`, {
    method: 'PATCH',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name }),
  });
