'use client';

import { useEffect } from 'react';
import { QUICK, THOROUGH } from '@/core/drawing';
import { Drafting } from '@/workers/drafting';
import { sideViewNow, SPACE, takeDrafts } from '../side-views';
import { useBenchStore, type BenchStore } from '../store';

/** A train stands still for so long before a better drawing of it is looked for. */
const PAUSE_MS = 250;

/** Has the side views that cannot be had at once laid out by the worker, and then looks for better ones; a picture that someone points at stays. */
export function useLaidOut(): void {
  const store = useBenchStore();
  useEffect(() => {
    const drafting = new Drafting();
    let timer: ReturnType<typeof setTimeout> | undefined;
    const lay = () => {
      clearTimeout(timer);
      drafting.end();
      const now = sideViewNow(store.getState().train);
      if (now.ok) store.getState().set({ shown: now });
      if (now.ok ? now.finished : !now.later) return;
      timer = setTimeout(() => void layOut(store, drafting, now.ok ? [THOROUGH] : [QUICK, THOROUGH]), now.ok ? PAUSE_MS : 0);
    };
    lay();
    const stop = store.subscribe((state, before) => state.train !== before.train && lay());
    return () => {
      stop();
      clearTimeout(timer);
      drafting.end();
    };
  }, [store]);
}

async function layOut(store: BenchStore, drafting: Drafting, efforts: readonly number[]): Promise<void> {
  const { train, set } = store.getState();
  for (const effort of efforts) {
    const found = await drafting.draft(train, SPACE, effort);
    if (!found) return;
    await untilNobodyPoints(store);
    if (store.getState().train !== train) return;
    takeDrafts(train, found);
    const now = sideViewNow(train);
    if (now.ok) set({ shown: now });
    if (now.ok && now.finished) return;
  }
}

const isPointedAt = ({ highlight, editing, shown }: ReturnType<BenchStore['getState']>): boolean => shown !== null && (highlight !== null || editing !== null);

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
