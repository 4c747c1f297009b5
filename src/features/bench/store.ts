'use client';

import { createContext, useContext } from 'react';
import { temporal } from 'zundo';
import { createStore, useStore } from 'zustand';
import type { Train } from '@/core/train';

export type SaveState =
  | { readonly kind: 'saved' }
  | { readonly kind: 'waiting' }
  | { readonly kind: 'saving' }
  | { readonly kind: 'failed'; readonly message: string }
  | { readonly kind: 'conflict'; readonly theirs: { readonly version: number; readonly train: Train } };

/** What is pointed at, so that drawing, table and sentences light up together. */
export interface Highlight {
  readonly members: readonly string[];
  readonly gears: readonly string[];
}

/** The Bench's one store: the document, what is looked at, and how its saving stands. */
export interface BenchState {
  readonly id: string;
  readonly train: Train;
  /** The version on the server that the document grew from, and the document it held. */
  readonly version: number;
  readonly savedTrain: Train;
  readonly save: SaveState;
  readonly positionId: string | null;
  /** As typed; read with its unit where it is used. */
  readonly speedText: string;
  readonly torqueText: string;
  readonly editing: string | null;
  readonly highlight: Highlight | null;
  readonly set: (change: Partial<Omit<BenchState, 'set' | 'id'>>) => void;
}

export const createBenchStore = (id: string, version: number, train: Train) =>
  createStore<BenchState>()(
    temporal(
      (set) => ({
        id,
        train,
        version,
        savedTrain: train,
        save: { kind: 'saved' },
        positionId: train.positions[0]?.id ?? null,
        speedText: '30',
        torqueText: '10',
        editing: null,
        highlight: null,
        set,
      }),
      { partialize: ({ train: document }) => ({ train: document }), equality: (a, b) => a.train === b.train, limit: 500 },
    ),
  );

export type BenchStore = ReturnType<typeof createBenchStore>;

export const BenchContext = createContext<BenchStore | null>(null);

export function useBenchStore(): BenchStore {
  const store = useContext(BenchContext);
  if (!store) throw new Error('The Bench store is missing.');
  return store;
}

export const useBench = <T,>(select: (state: BenchState) => T): T => useStore(useBenchStore(), select);

export const useHistory = <T,>(select: (state: ReturnType<BenchStore['temporal']['getState']>) => T): T => useStore(useBenchStore().temporal, select);
