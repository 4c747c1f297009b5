import { temporal } from 'zundo';
import { createStore } from 'zustand';
import { sign } from '@/core/rational';
import type { Position, Train } from '@/core/train';
import { analyseEngaged, type FlowKind } from './analysis';
import type { EngagementChoice } from './engagement';
import type { Highlight } from './highlight';

/** How saving stands; whether all is saved shows from the documents themselves. */
export type SaveState =
  | { readonly kind: 'idle' }
  | { readonly kind: 'saving' }
  | { readonly kind: 'failed'; readonly message: string }
  | { readonly kind: 'conflict'; readonly theirs: { readonly version: number; readonly train: Train } };

/** Changes that count as one step of undo while they last, and what was there before them. */
export interface Visit {
  readonly merge: string;
  readonly before: Train;
  readonly future: readonly Partial<{ train: Train }>[];
}

/**
 * What all screens of a train share: the document, what is engaged and put in, what is pointed at, and how its saving
 * stands.
 */
export interface TrainState {
  readonly id: string;
  readonly train: Train;
  /** The version on the server that the document grew from, and the document it held. */
  readonly version: number;
  readonly savedTrain: Train;
  readonly save: SaveState;
  readonly visit: Visit | null;
  readonly choice: EngagementChoice;
  /** What was chosen before: to say what went on and off. */
  readonly before: EngagementChoice | null;
  readonly flow: FlowKind;
  readonly losses: boolean;
  /** As typed; read with its unit where it is used. */
  readonly speedText: string;
  readonly torqueText: string;
  /** Whether torque is given at the input or by the loads on the outputs. */
  readonly given: 'torque' | 'loads';
  /** By output, as typed. */
  readonly loadTexts: Readonly<Record<string, string>>;
  readonly highlight: Highlight | null;
  /** A line about what was just done or refused. */
  readonly notice: string | null;
  readonly set: (change: Partial<Omit<TrainState, 'set' | 'id'>>) => void;
}

export function createTrainStore(id: string, version: number, train: Train) {
  const first = firstForward(train);
  return createStore<TrainState>()(
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
        speedText: '30',
        torqueText: '10',
        given: 'torque',
        loadTexts: {},
        highlight: null,
        notice: null,
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

export type TrainStore = ReturnType<typeof createTrainStore>;
