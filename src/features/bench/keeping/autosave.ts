import type { Train } from '@/core/train';
import type { BenchState, BenchStore } from '../store';

const PAUSE_MS = 400;
const RETRY_MS = 3000;
/** A browser sends so much of a request even while its page goes away. */
const LAST_WORD_BYTES = 60_000;

/** Saves a document as it changes. */
export interface Autosave {
  /** Saves now what is not saved yet; `leaving` where the page may be gone before the answer. */
  readonly flush: (leaving?: boolean) => void;
  readonly stop: () => void;
}

/** Has the server what is on the screen? */
export const isSaved = ({ train, savedTrain }: Pick<BenchState, 'train' | 'savedTrain'>): boolean =>
  train === savedTrain;

/** Saves a little after the last change, one save at a time, each naming the version it grew from. */
export function autosave(store: BenchStore): Autosave {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let busy = false;
  let ended = false;
  const later = (delay: number) => {
    clearTimeout(timer);
    timer = setTimeout(() => void run(), delay);
  };
  const waits = () => {
    const state = store.getState();
    return !ended && !busy && !isSaved(state) && state.save.kind !== 'conflict';
  };
  const run = async (leaving = false) => {
    clearTimeout(timer);
    if (!waits()) return;
    busy = true;
    await saveOnce(store, leaving);
    busy = false;
    if (waits()) later(store.getState().save.kind === 'failed' ? RETRY_MS : PAUSE_MS);
  };
  const unsubscribe = store.subscribe((state, before) => {
    if (state.train !== before.train && !isSaved(state)) later(PAUSE_MS);
  });
  return {
    flush: (leaving) => void run(leaving),
    stop: () => {
      ended = true;
      unsubscribe();
      clearTimeout(timer);
    },
  };
}

interface Reply {
  readonly version?: number;
  readonly error?: {
    readonly code: string;
    readonly message: string;
    readonly current?: { readonly version: number; readonly train: Train };
  };
}

async function saveOnce(store: BenchStore, leaving: boolean): Promise<void> {
  const { id, train, version, set } = store.getState();
  set({ save: { kind: 'saving' } });
  try {
    const body = JSON.stringify({ version, train });
    const response = await fetch(`/api/trains/${encodeURIComponent(id)}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      keepalive: leaving && body.length < LAST_WORD_BYTES,
      body,
    });
    const reply = (await response.json()) as Reply;
    if (response.ok && reply.version !== undefined)
      set({ version: reply.version, savedTrain: train, save: { kind: 'idle' } });
    else if (response.status === 409 && reply.error?.current)
      set({ save: { kind: 'conflict', theirs: reply.error.current } });
    else set({ save: { kind: 'failed', message: reply.error?.message ?? 'The server refused the change.' } });
  } catch {
    set({
      save: {
        kind: 'failed',
        message: 'The server cannot be reached. Your change is kept in this browser and saving is tried again.',
      },
    });
  }
}

/** Puts the document on the shelf as a train of its own and gives its address. */
export async function saveAsCopy(train: Train): Promise<string | null> {
  try {
    const response = await fetch('/api/trains', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ ...train, name: `${train.name} (copy)`.slice(0, 120) }),
    });
    return response.ok ? `/trains/${encodeURIComponent(((await response.json()) as { id: string }).id)}` : null;
  } catch {
    return null;
  }
}
