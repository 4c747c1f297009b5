'use client';

import { useCallback } from 'react';
import { useStore } from 'zustand';
import type { DrawnTrain } from '@/core/drawing';
import type { Station } from '@/core/end-view';
import { hasPart, type PartRef } from '@/core/train';
import { ownOf } from '@/features/train/session';
import { sideViewToShow, stationsOf } from '@/features/train/side-views';
import { useSession, useTrain } from '@/features/train/use-train';
import type { CrankClock } from './crank/crank-clock';
import { createBench, type Bench, type BenchState } from './store';

/** The Bench of the train that is open here. */
export const useBenchItself = (): Bench => ownOf(useSession(), createBench);

export const useBench = <T>(select: (state: BenchState) => T): T => useStore(useBenchItself().store, select);

export const useCrank = (): CrankClock => useBenchItself().crank;

/** Opens the card of a part, or closes whichever is open. */
export function useCard(): (part: PartRef | null) => void {
  const { store } = useBenchItself();
  return useCallback((part) => store.getState().openCard(part), [store]);
}

/** The part whose card is open, as long as it is there. */
export function useOpenCard(): PartRef | null {
  const editing = useBench((state) => state.editing);
  return useTrain(({ train }) => (editing && hasPart(train, editing) ? editing : null));
}

export function useDrawing(): DrawnTrain {
  const shown = useBench((state) => state.shown);
  return useTrain(({ train }) => sideViewToShow(train, shown));
}

/** In the order of the side view, also when a better one has come. */
export function useStations(): readonly Station[] {
  useBench((state) => state.shown);
  return useTrain(({ train }) => stationsOf(train));
}
