'use client';

import { lazy, Suspense, useState, type ComponentType } from 'react';

/** A component whose code comes when it is first shown, or before when nothing else is to be done. */
export interface OnDemand<P> {
  readonly Shown: ComponentType<P>;
  readonly load: () => Promise<unknown>;
}

/**
 * Until its code is there, nothing is shown in its place: what was there stays as it is. Where the code is there
 * already it is shown at once; a lazy component would be held back for a third of a second.
 */
export function onDemand<P extends object>(load: () => Promise<ComponentType<P>>): OnDemand<P> {
  let ready: ComponentType<P> | null = null;
  const loaded = async () => (ready = await load());
  const Lazy = lazy(async () => ({ default: await retryImport(loaded) }));
  const Shown = (props: P) => {
    // As it was when it was first shown: another kind of component would begin anew.
    const [Ready] = useState(() => ready);
    return Ready ? (
      <Ready {...props} />
    ) : (
      <Suspense>
        <Lazy {...props} />
      </Suspense>
    );
  };
  return { Shown, load: loaded };
}

const AGAIN_MS = 1500;

/** Loads until it is there: with the server away what is asked for waits, and the page goes on. */
export async function retryImport<T>(load: () => Promise<T>): Promise<T> {
  for (;;) {
    try {
      return await load();
    } catch {
      await new Promise((done) => setTimeout(done, AGAIN_MS));
    }
  }
}

/** Loads these one after the other while the page has nothing to do. @returns a function that leaves the rest. */
export function whenIdle(loads: readonly (() => Promise<unknown>)[]): () => void {
  let left = false;
  let waiting = 0;
  const next = (at: number) => {
    const load = loads[at];
    if (left || !load) return;
    waiting = idle(() => {
      // What cannot be had now is asked for again where it is needed.
      load().then(
        () => next(at + 1),
        () => next(at + 1),
      );
    });
  };
  next(0);
  return () => {
    left = true;
    if ('cancelIdleCallback' in globalThis) cancelIdleCallback(waiting);
    else clearTimeout(waiting);
  };
}

// A page that always turns something has no idle moment; what waits for one comes all the same.
const LONGEST_WAIT_MS = 3000;

const idle = (run: () => void): number =>
  'requestIdleCallback' in globalThis
    ? requestIdleCallback(run, { timeout: LONGEST_WAIT_MS })
    : Number(setTimeout(run, 200));
