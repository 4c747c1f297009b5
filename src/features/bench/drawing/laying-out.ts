'use client';

import { useEffect } from 'react';
import { FIRST_SIGHT, SPACES, THOROUGH } from '@/core/drawing';
import { hasPart, type Train } from '@/core/train';
import { pointsAt } from '@/features/train/highlight';
import { sideViewNow, sideViewToShow, keepDrafts, keepDrawn } from '@/features/train/side-views';
import { readBenchDrawing } from '@/wire';
import type { Bench } from '../store';
import { useBenchItself } from '../use-bench';

/** A train stands still for so long before a better drawing of it is looked for. */
const PAUSE_MS = 250;

/**
 * Has better side views looked for beside the page, and such as cannot be had at once; a picture that someone points at
 * stays.
 */
export function useLaidOut(): void {
  const bench = useBenchItself();
  useEffect(() => {
    let left = false;
    let asked: Drafter | null = null;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const ask = async (): Promise<Drafter | null> => {
      asked ??= (await import('@/workers/beside')).jobRunner('draft');
      return left ? null : asked;
    };
    const lay = (before: Train | null) => {
      clearTimeout(timer);
      asked?.leave();
      const now = sideViewNow(bench.train.getState().train);
      if (now.ok ? now.finished : !now.later) return;
      // Until there is a picture of this one, the last one stands in.
      const last = before && !now.ok ? sideViewNow(before) : null;
      if (last?.ok) bench.store.getState().show(last);
      const wait = now.ok && before ? PAUSE_MS : 0;
      timer = setTimeout(() => void (now.ok ? better(bench, ask) : first(bench, ask)), wait);
    };
    lay(null);
    const stop = bench.train.subscribe((state, before) => state.train !== before.train && lay(before.train));
    return () => {
      left = true;
      stop();
      clearTimeout(timer);
      asked?.leave();
    };
  }, [bench]);
}

type Drafter = import('@/workers/beside').Runner<'draft'>;
type Ask = () => Promise<Drafter | null>;

/** A first sight: of the train as it was opened from the server, which may have it already; else from a worker. */
async function first(bench: Bench, ask: Ask): Promise<void> {
  const { id, version, savedTrain, train } = bench.train.getState();
  const isThere = () => bench.train.getState().train === train;
  const answer = train === savedTrain ? await readBenchDrawing(id, version) : null;
  if (answer?.ok) {
    if (!isThere()) return;
    keepDrawn(train, answer.value.drawn);
    show(bench, train);
  } else await better(bench, ask, FIRST_SIGHT);
  if (isThere()) await better(bench, ask);
}

/** What a worker finds with more effort, once nobody points at what is there. */
async function better(bench: Bench, ask: Ask, effort = THOROUGH): Promise<void> {
  const { train } = bench.train.getState();
  const state = await (await ask())?.begin({ train, space: SPACES.bench, effort });
  if (state?.kind !== 'done') return;
  await untilNobodyPoints(bench);
  if (bench.train.getState().train !== train) return;
  keepDrafts(train, state.value);
  show(bench, train);
}

function show({ store }: Bench, train: Train): void {
  const now = sideViewNow(train);
  if (now.ok) store.getState().show(now);
}

function isPointedAt(bench: Bench): boolean {
  const { highlight, train } = bench.train.getState();
  const { editing, shown } = bench.store.getState();
  const points = editing ? hasPart(train, editing) : highlight !== null && pointsAt(train, highlight);
  return points && sideViewToShow(train, shown).ok;
}

function untilNobodyPoints(bench: Bench): Promise<void> {
  if (!isPointedAt(bench)) return Promise.resolve();
  const { train } = bench.train.getState();
  return new Promise((done) => {
    const look = () => {
      if (isPointedAt(bench) && bench.train.getState().train === train) return;
      for (const stop of stops) stop();
      done();
    };
    const stops = [bench.train.subscribe(look), bench.store.subscribe(look)];
  });
}
