'use client';

import { createContext, useContext, useEffect, useMemo } from 'react';
import { useStore } from 'zustand';
import { readReading, type Log, type Reading } from '@/core/measurement';
import { engagementIn } from '@/features/train/engagement';
import { trainLogOf } from '@/features/train/log/train-log';
import { ownOf } from '@/features/train/session';
import { useSession, useTrain } from '@/features/train/use-train';
import { writtenReading } from './kinds';
import { rowsOf, type Rows } from './rows';
import { createLog, type LogItself, type LogState, type Placed } from './store';
import type { Result } from '@/core/result';

export const useLogItself = (): LogItself => ownOf(useSession(), createLog);
export const useLog = <T>(select: (state: LogState) => T): T => useStore(useLogItself().store, select);

/** The log as it is kept, with every reading judged against the train as it is now. */
export interface Judgement extends Rows {
  readonly log: Log;
  /** Whether it is there. */
  readonly there: boolean;
}

export const JudgementContext = createContext<Judgement | null>(null);

/** Reads the log when the screen opens, and judges it anew when it or the train changes. */
export function useJudging(): Judgement {
  const { log } = useLogItself();
  const train = useTrain((state) => state.train);
  const entries = useStore(log.store, (state) => state.entries);
  useEffect(() => void log.load(), [log]);
  const read = useMemo(() => trainLogOf(entries ?? []), [entries]);
  return useMemo(() => ({ log: read, there: entries !== null, ...rowsOf(train, read) }), [train, read, entries]);
}

export function useJudgement(): Judgement {
  const judgement = useContext(JudgementContext);
  if (!judgement) throw new Error('The Log screen is not open.');
  return judgement;
}

/** Where a reading is taken: as the train stands, or of one that is corrected, where it was taken. */
export function usePlaced(): Placed {
  const own = useLog((state) => state.correcting?.placed);
  const { positionId, engaged } = useTrain(engagementIn);
  const coasts = useTrain((state) => state.flow === 'coast');
  return useMemo(
    () => own ?? { position: positionId, engaged, ...(coasts && { flow: 'coast' as const }) },
    [own, positionId, engaged, coasts],
  );
}

/** What is typed as a reading, against the train: what it comes to, or what is wrong with it and where. */
export function useDraftReading(): Result<Reading> {
  const draft = useLog((state) => state.draft);
  const train = useTrain((state) => state.train);
  const placed = usePlaced();
  return useMemo(() => readReading(writtenReading(draft, { id: 'draft', ...placed }), train), [draft, train, placed]);
}
