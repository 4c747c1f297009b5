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

/** What undo leads back to. */
type Remembered = Pick<TrainFacts, 'train' | 'forms'>;

/** Changes that count as one step of undo while they last, and what was there before them. */
export interface Visit {
  readonly merge: string;
  readonly before: Train;
  readonly future: readonly Partial<Remembered>[];
}

/**
 * What all screens of a train share: the document, what is engaged and put in, what is pointed at, and how its saving
 * stands.
 */
interface TrainFacts {
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
  /** What is typed on screens beside the document, by screen: undo leads back to it in one order with the document. */
  readonly forms: Readonly<Record<string, unknown>>;
  /** The form that was typed in last, and when, ms: what is typed without a pause is one step. */
  readonly typing: { readonly form: string; readonly atMs: number } | null;
}

/** What is typed to try the train with. */
export type InputText = Pick<TrainFacts, 'speedText' | 'torqueText' | 'given' | 'loadTexts'>;

/** A document as the server has it. */
type ServerDocument = Pick<TrainFacts, 'version' | 'train'>;

/** The ways in which the shared state changes; a change of the document by a person goes through edit.ts. */
interface TrainActions {
  readonly say: (notice: string | null) => void;
  readonly light: (highlight: Highlight | null) => void;
  readonly choose: (choice: EngagementChoice) => void;
  readonly type: (input: Partial<InputText>) => void;
  readonly setFlow: (flow: FlowKind) => void;
  readonly setLosses: (losses: boolean) => void;
  /** What this browser remembered of the train. */
  readonly recall: (known: Partial<InputText & Pick<TrainFacts, 'choice' | 'flow'>>) => void;
  /** The document, whether it goes on a visit, and what else changes with it. */
  readonly putDocument: (
    train: Train,
    visit: Visit | null,
    also?: Partial<Pick<TrainFacts, 'notice' | 'choice' | 'before'>>,
  ) => void;
  readonly endVisit: () => void;
  readonly putForm: (name: string, form: unknown, typing: TrainFacts['typing']) => void;
  readonly beginSave: () => void;
  /** The server has this document now, as this version. */
  readonly endSave: (saved: ServerDocument) => void;
  readonly failSave: (message: string) => void;
  /** Someone else's document is on the server. */
  readonly conflict: (theirs: ServerDocument) => void;
  /** What the server has becomes what is here; undo leads back to one's own. */
  readonly accept: (theirs: ServerDocument) => void;
}

export type TrainState = TrainFacts & TrainActions;

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
        forms: {},
        typing: null,
        say: (notice) => set({ notice }),
        light: (highlight) => set({ highlight }),
        choose: (choice) => set((state) => ({ choice, before: state.choice })),
        type: (input) => set(input),
        setFlow: (flow) => set({ flow }),
        setLosses: (losses) => set({ losses }),
        recall: (known) => set(known),
        putDocument: (document, visit, also = {}) => set({ ...also, train: document, visit, typing: null }),
        putForm: (name, form, typing) => set((state) => ({ forms: { ...state.forms, [name]: form }, typing })),
        endVisit: () => set({ visit: null }),
        beginSave: () => set({ save: { kind: 'saving' } }),
        endSave: (saved) => set({ version: saved.version, savedTrain: saved.train, save: { kind: 'idle' } }),
        failSave: (message) => set({ save: { kind: 'failed', message } }),
        conflict: (theirs) => set({ save: { kind: 'conflict', theirs } }),
        accept: (theirs) => set({ ...theirs, savedTrain: theirs.train, save: { kind: 'idle' }, visit: null }),
      }),
      {
        partialize: ({ train: document, forms }) => ({ train: document, forms }),
        equality: (a, b) => a.train === b.train && a.forms === b.forms,
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
