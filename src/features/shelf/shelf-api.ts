import type { Train } from '@/core/train';

/** What came of asking the server: done, or a sentence that says what went wrong. */
export type Answer = { readonly ok: true } | { readonly ok: false; readonly message: string };

async function ask(address: string, method: 'POST' | 'DELETE', body?: Train): Promise<Answer> {
  try {
    const response = await fetch(address, { method, ...(body && { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }) });
    if (response.ok) return { ok: true };
    const { error } = (await response.json()) as { error?: { message?: string } };
    return { ok: false, message: error?.message ?? 'The server refused.' };
  } catch {
    return { ok: false, message: 'The server cannot be reached. Nothing was changed.' };
  }
}

export const putOnShelf = (train: Train): Promise<Answer> => ask('/api/trains', 'POST', train);

export const takeOffShelf = (id: string): Promise<Answer> => ask(`/api/trains/${encodeURIComponent(id)}`, 'DELETE');
