'use client';

import { lazy, Suspense, type ComponentType } from 'react';

/** A component whose code comes when it is first shown, or before when nothing else is to be done. */
export interface OnDemand<P> {
  readonly Shown: ComponentType<P>;
  readonly load: () => Promise<unknown>;
}

/** Until its code is there, nothing is shown in its place: what was there stays as it is. */
export function onDemand<P extends object>(load: () => Promise<ComponentType<P>>): OnDemand<P> {
  const Lazy = lazy(async () => ({ default: await insist(load) }));
  const Shown = (props: P) => (
    <Suspense>
      <Lazy {...props} />
    </Suspense>
  );
  return { Shown, load };
}

const AGAIN_MS = 1500;

/** Loads until it is there: with the server away what is asked for waits, and the page goes on. */
export async function insist<T>(load: () => Promise<T>): Promise<T> {
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

const idle = (run: () => void): number =>
  'requestIdleCallback' in globalThis ? requestIdleCallback(run) : Number(setTimeout(run, 200));
