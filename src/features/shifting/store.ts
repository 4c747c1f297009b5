import { createStore } from 'zustand';
import { gearingsOf, orderOf, presetFor, type Run, type Scenario } from '@/core/shifting';
import type { Train } from '@/core/train';
import { beginForm, editForm } from '@/features/train/edit';
import type { Own, Session } from '@/features/train/session';
import { keepDraft, type Draft } from '@/ui/drafts';
import { jobRunner, type Runner } from '@/workers/beside';
import type { ShiftingForm } from './form';
import { shiftingFormOf } from './form-of';

/** A run with what it was asked of. */
export interface FinishedRun {
  /** What it is called beside others. */
  readonly name: string;
  readonly train: Train;
  readonly scenario: Scenario;
  readonly run: Run;
}

export type Says = 'verdict' | 'points' | 'shifts' | 'travel' | 'couplers';

/** What the Shifting screen keeps. */
export interface ShiftingState {
  readonly form: ShiftingForm;
  /** The last run that came to its end. */
  readonly made: FinishedRun | null;
  /** Runs that it is laid over, the oldest first. */
  readonly beside: readonly FinishedRun[];
  /** The time that is looked at, s. */
  readonly cursorS: number;
  readonly says: Says;
  /** A run came to its end. */
  readonly show: (made: FinishedRun) => void;
  /** Lays it over these runs. */
  readonly compareWith: (beside: readonly FinishedRun[]) => void;
  readonly lookAt: (cursorS: number) => void;
  readonly openTab: (says: Says) => void;
  /** Changes what is typed. */
  readonly fill: (change: Partial<ShiftingForm>) => void;
}

export interface ShiftingItself extends Own {
  readonly store: ReturnType<typeof createShiftingStore>;
  readonly draft: Draft;
  readonly runs: Runner<'run'>;
  readonly tries: Runner<'tries'>;
}

/** Made once for a session, see ownOf; a run that goes on is given up when the screen is left. */
export const createShifting = (session: Session): ShiftingItself => {
  const store = createShiftingStore(firstForm(session.store.getState().train));
  const draft = keepDraft(store, `shifting/${session.id}`, ['form', 'says']);
  draft.restore();
  inHistory(session, store);
  return { store, draft, runs: jobRunner('run'), tries: jobRunner('tries'), leave: draft.flush };
};

const FORM = 'shifting';

/** What is typed here is undone in one order with the edits of the train; what undo leads back to is typed again. */
function inHistory({ store: train }: Session, store: ReturnType<typeof createShiftingStore>): void {
  beginForm(train, FORM, store.getState().form);
  store.subscribe(({ form }, before) => {
    if (form !== before.form && train.getState().forms[FORM] !== form) editForm(train, FORM, form);
  });
  train.subscribe(({ forms }, before) => {
    const form = forms[FORM] as ShiftingForm | undefined;
    if (form && form !== before.forms[FORM] && form !== store.getState().form) store.setState({ form });
  });
}

/**
 * The conveyor of the saltworks, sized to the train; of a train that drives in no position there is nothing to size.
 */
function firstForm(train: Train): ShiftingForm {
  const order = orderOf(train);
  if (order.length > 0) return shiftingFormOf(presetFor('conveyor', order, gearingsOf(train, order, false), false));
  const motor = { kind: 'linear', stallTorqueNm: 0.6, noLoadRpm: 250 } as const;
  const empty = shiftingFormOf({ format: 'tin-wheel/scenario', version: 1, motor, load: {}, order: [''] });
  return { ...empty, order: [], start: { position: '', outputRpm: '' } };
}

const createShiftingStore = (form: ShiftingForm) =>
  createStore<ShiftingState>()((set) => ({
    form,
    made: null,
    beside: [],
    cursorS: 0,
    says: 'verdict',
    show: (run) => set((state) => ({ made: run, cursorS: Math.min(state.cursorS, run.run.untilS) })),
    compareWith: (runs) => set({ beside: runs }),
    lookAt: (cursorS) => set({ cursorS }),
    openTab: (tab) => set({ says: tab }),
    fill: (change) => set((state) => ({ form: { ...state.form, ...change } })),
  }));
