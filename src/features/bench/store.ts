'use client';

import { createContext, useContext } from 'react';
import { temporal } from 'zundo';
import { createStore, useStore } from 'zustand';
import { sign } from '@/core/rational';
import type { PartRef, Position, Train } from '@/core/train';
import { NOTHING_TURNED, turnOn, type Turned } from '@/core/turning';
import { analyseEngaged, speedsOf, type FlowKind } from './analysis';
import { engagementIn, type Choice, type Engagement } from './engagement';
import type { Shown } from './side-views';
import { CrankClock } from './crank/crank-clock';

/** How saving stands; whether all is saved shows from the documents themselves. */
export type SaveState =
  | { readonly kind: 'idle' }
  | { readonly kind: 'saving' }
  | { readonly kind: 'failed'; readonly message: string }
  | { readonly kind: 'conflict'; readonly theirs: { readonly version: number; readonly train: Train } };

/** What is pointed at, so that drawing, table and sentences light up together. */
export interface Highlight {
  readonly members: readonly string[];
  readonly gears: readonly string[];
  readonly couplers: readonly string[];
}

export const highlightOf = (parts: Partial<Highlight>): Highlight => ({
  members: [],
  gears: [],
  couplers: [],
  ...parts,
});

/** Changes that count as one step of undo while they last, and what was there before them. */
export interface Visit {
  readonly merge: string;
  readonly before: Train;
  readonly future: readonly Partial<{ train: Train }>[];
}

/** The Bench's one store: the document, what is looked at, how far it is turned, and how its saving stands. */
export interface BenchState {
  readonly id: string;
  readonly train: Train;
  /** The version on the server that the document grew from, and the document it held. */
  readonly version: number;
  readonly savedTrain: Train;
  readonly save: SaveState;
  readonly visit: Visit | null;
  readonly choice: Choice;
  /** What was chosen before: to say what went on and off. */
  readonly before: Choice | null;
  readonly flow: FlowKind;
  readonly losses: boolean;
  readonly turned: Turned;
  /** Which cut the end view shows. */
  readonly station: number;
  /** Gears with a painted tooth. */
  readonly marks: readonly string[];
  /** As typed; read with its unit where it is used. */
  readonly speedText: string;
  readonly torqueText: string;
  /** The part whose card is open. */
  readonly editing: PartRef | null;
  readonly highlight: Highlight | null;
  /** A line about what was just done or refused. */
  readonly notice: string | null;
  /** The side view that stands in until there is one of this document. */
  readonly shown: Shown | null;
  readonly set: (change: Partial<Omit<BenchState, 'set' | 'id'>>) => void;
}

export function createBenchStore(id: string, version: number, train: Train) {
  const first = firstForward(train);
  return createStore<BenchState>()(
    temporal(
      (set) => ({
        id,
        train,
        version,
        savedTrain: train,
        save: { kind: 'idle' },
        visit: null,
        choice: { positionId: first?.id ?? null, engaged: first?.engaged ?? [] },
        before: null,
        flow: 'drive',
        losses: false,
        turned: NOTHING_TURNED,
        station: 0,
        marks: train.gears
          .filter((gear) => gear.member === train.input)
          .slice(0, 1)
          .map((gear) => gear.id),
        speedText: '30',
        torqueText: '10',
        editing: null,
        highlight: null,
        notice: null,
        shown: null,
        set,
      }),
      {
        partialize: ({ train: document }) => ({ train: document }),
        equality: (a, b) => a.train === b.train,
        limit: 500,
      },
    ),
  );
}

/** The position a train is opened in: the first that drives forward, else the first. */
function firstForward(train: Train): Position | undefined {
  const forward = train.positions.find(({ engaged }) => {
    const { ratio, status } = analyseEngaged(train, engaged, 'drive', false).solved;
    return status === 'split' || (ratio !== null && sign(ratio) > 0);
  });
  return forward ?? train.positions[0];
}

export type BenchStore = ReturnType<typeof createBenchStore>;

/** Engages these couplers and remembers what was engaged before. */
export function engage({ getState }: BenchStore, engaged: readonly string[], positionId: string | null = null): void {
  const { train, choice, set } = getState();
  const now = engagementIn({ train, choice });
  const next: Choice = { engaged, positionId };
  const then = engagementIn({ train, choice: next });
  const same =
    then.positionId === now.positionId &&
    then.engaged.length === now.engaged.length &&
    then.engaged.every((id) => now.engaged.includes(id));
  if (!same) set({ choice: next, before: choice });
}

export function choosePosition(store: BenchStore, id: string): void {
  const position = store.getState().train.positions.find((candidate) => candidate.id === id);
  if (position) engage(store, position.engaged, id);
}

export function toggleCoupler(store: BenchStore, id: string): void {
  const { engaged } = engagementIn(store.getState());
  engage(store, engaged.includes(id) ? engaged.filter((other) => other !== id) : [...engaged, id]);
}

/** The clock that turns the crank; what it has turned is counted with the speeds that held while it turned. */
export function createCrank(store: BenchStore): CrankClock {
  const clock = new CrankClock((by) => count(store.getState(), by));
  const count = (state: BenchState, by: Parameters<typeof turnOn>[2]) =>
    store.getState().set({ turned: turnOn(store.getState().turned, speedsOf(state), by) });
  store.subscribe((state, before) => {
    if (
      state.train === before.train &&
      state.choice === before.choice &&
      state.flow === before.flow &&
      state.losses === before.losses
    )
      return;
    if (speedsOf(state) !== speedsOf(before)) clock.countUp((by) => count(before, by));
  });
  return clock;
}

export const BenchContext = createContext<{ readonly store: BenchStore; readonly crank: CrankClock } | null>(null);

function useBenchContext() {
  const context = useContext(BenchContext);
  if (!context) throw new Error('The Bench store is missing.');
  return context;
}

export const useBenchStore = (): BenchStore => useBenchContext().store;

export const useCrank = (): CrankClock => useBenchContext().crank;

export const useBench = <T>(select: (state: BenchState) => T): T => useStore(useBenchStore(), select);

/** What is engaged now. */
export const useNow = (): Engagement => useBench(engagementIn);

export const useHistory = <T>(select: (state: ReturnType<BenchStore['temporal']['getState']>) => T): T =>
  useStore(useBenchStore().temporal, select);
