'use client';

import { useEffect } from 'react';
import type { Train } from '@/core/train';
import { useBenchStore, type BenchStore } from '../store';

const PAUSE_MS = 400;
const RETRY_MS = 3000;

/** Saves a little after the last change, one save at a time, each naming the version it grew from. */
export function useAutosave(): void {
  const store = useBenchStore();
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    let busy = false;
    const later = (delay: number) => {
      clearTimeout(timer);
      timer = setTimeout(() => void run(), delay);
    };
    const run = async () => {
      const { train, savedTrain, save } = store.getState();
      if (busy || train === savedTrain || save.kind === 'conflict') return;
      busy = true;
      await saveOnce(store);
      busy = false;
      const after = store.getState();
      if (after.train !== after.savedTrain && after.save.kind !== 'conflict') later(after.save.kind === 'failed' ? RETRY_MS : PAUSE_MS);
    };
    const stop = store.subscribe((state, before) => {
      if (state.train === before.train || state.train === state.savedTrain) return;
      if (state.save.kind === 'saved') state.set({ save: { kind: 'waiting' } });
      later(PAUSE_MS);
    });
    return () => {
      stop();
      clearTimeout(timer);
    };
  }, [store]);
}

interface Reply {
  readonly version?: number;
  readonly error?: { readonly code: string; readonly message: string; readonly current?: { readonly version: number; readonly train: Train } };
}

async function saveOnce(store: BenchStore): Promise<void> {
  const { id, train, version, set } = store.getState();
  set({ save: { kind: 'saving' } });
  try {
    const response = await fetch(`/api/trains/${encodeURIComponent(id)}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ version, train }),
    });
    const reply = (await response.json()) as Reply;
    if (response.ok && reply.version !== undefined) {
      set({ version: reply.version, savedTrain: train, save: { kind: store.getState().train === train ? 'saved' : 'waiting' } });
    } else if (response.status === 409 && reply.error?.current) set({ save: { kind: 'conflict', theirs: reply.error.current } });
    else set({ save: { kind: 'failed', message: reply.error?.message ?? 'The server refused the change.' } });
  } catch {
    set({ save: { kind: 'failed', message: 'The server cannot be reached. Your change is kept in this browser and saving is tried again.' } });
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
