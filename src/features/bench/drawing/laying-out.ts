'use client';

import { useEffect } from 'react';
import { FIRST_SIGHT, SPACES, THOROUGH, type Drawn } from '@/core/drawing';
import type { Train } from '@/core/train';
import { Drafting } from '@/workers/drafting';
import { sideViewNow, sideViewToShow, takeDrafts, takeDrawn } from '../side-views';
import { useBenchStore, type BenchStore } from '../store';

/** A train stands still for so long before a better drawing of it is looked for. */
const PAUSE_MS = 250;

/** Has the side views that cannot be had at once laid out by the worker, and then looks for better ones; a picture that someone points at stays. */
export function useLaidOut(): void {
  const store = useBenchStore();
  useEffect(() => {
    const drafting = new Drafting();
    let timer: ReturnType<typeof setTimeout> | undefined;
    const lay = (before: Train | null) => {
      clearTimeout(timer);
      drafting.end();
      const now = sideViewNow(store.getState().train);
      if (now.ok ? now.finished : !now.later) return;
      // Until there is a picture of this one, the last one stands in.
      const last = before && !now.ok ? sideViewNow(before) : null;
      if (last?.ok) store.getState().set({ shown: last });
      timer = setTimeout(() => void (now.ok ? better(store, drafting) : first(store, drafting)), now.ok ? PAUSE_MS : 0);
    };
    lay(null);
    const stop = store.subscribe((state, before) => state.train !== before.train && lay(before.train));
    return () => {
      stop();
      clearTimeout(timer);
      drafting.end();
    };
  }, [store]);
}

/** A first sight: of the train as it was opened from the server, which may have it already; else from the worker. */
async function first(store: BenchStore, drafting: Drafting): Promise<void> {
  const { id, version, savedTrain, train } = store.getState();
  const drawn = train === savedTrain ? await fromServer(id, version) : null;
  if (drawn) {
    if (store.getState().train !== train) return;
    takeDrawn(train, drawn);
    show(store, train);
  } else await better(store, drafting, FIRST_SIGHT);
  if (store.getState().train === train) await better(store, drafting);
}

/** What the worker finds with more effort, once nobody points at what is there. */
async function better(store: BenchStore, drafting: Drafting, effort = THOROUGH): Promise<void> {
  const { train } = store.getState();
  const found = await drafting.draft(train, SPACES.bench, effort);
  if (!found) return;
  await untilNobodyPoints(store);
  if (store.getState().train !== train) return;
  takeDrafts(train, found);
  show(store, train);
}

function show(store: BenchStore, train: Train): void {
  const now = sideViewNow(train);
  if (now.ok) store.getState().set({ shown: now });
}

async function fromServer(id: string, version: number): Promise<Drawn | null> {
  try {
    const response = await fetch(`/api/trains/${encodeURIComponent(id)}/drawing?for=bench&v=${version}`);
    return response.ok ? ((await response.json()) as { drawn: Drawn }).drawn : null;
  } catch {
    return null;
  }
}

const isPointedAt = ({ highlight, editing, shown, train }: ReturnType<BenchStore['getState']>): boolean =>
  (highlight !== null || editing !== null) && sideViewToShow(train, shown).ok;

function untilNobodyPoints(store: BenchStore): Promise<void> {
  if (!isPointedAt(store.getState())) return Promise.resolve();
  return new Promise((done) => {
    const stop = store.subscribe((state, before) => {
      if (isPointedAt(state) && state.train === before.train) return;
      stop();
      done();
    });
  });
}
