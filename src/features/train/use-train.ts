'use client';

import { createContext, useCallback, useContext } from 'react';
import { useStore } from 'zustand';
import { engagementIn, type Engagement } from './engagement';
import { highlightOf, type Highlight } from './highlight';
import type { Session } from './session';
import type { TrainState, TrainStore } from './store';

export const SessionContext = createContext<Session | null>(null);

export function useSession(): Session {
  const session = useContext(SessionContext);
  if (!session) throw new Error('No train is open here.');
  return session;
}

export const useTrainStore = (): TrainStore => useSession().store;

export const useTrain = <T>(select: (state: TrainState) => T): T => useStore(useTrainStore(), select);

/** What is engaged now. */
export const useNow = (): Engagement => useTrain(engagementIn);

export const useHistory = <T>(select: (state: ReturnType<TrainStore['temporal']['getState']>) => T): T =>
  useStore(useTrainStore().temporal, select);

/** Lights up parts wherever they are shown; null puts them out. */
export type Light = (parts: Partial<Highlight> | null) => void;

export function useLight(): Light {
  const store = useTrainStore();
  return useCallback((parts) => store.getState().light(parts && highlightOf(parts)), [store]);
}

/** Says one line about what was done or refused. */
export function useNotice(): (notice: string | null) => void {
  const store = useTrainStore();
  return useCallback((notice) => store.getState().say(notice), [store]);
}
