import { createStore } from 'zustand';
import type { Answer, Question, Size } from '@/core/tooth-search';
import type { Own, Session } from '@/features/train/session';
import { explainedOf } from '@/features/train/analysis';
import type { Train } from '@/core/train';
import { lane } from '@/workers/beside';
import { firstForm, type Form } from './form';

/** What was found, with the question that it answers. */
export interface Shown {
  /** The search as its file has it. */
  readonly written: string;
  readonly question: Question;
  /** The train it was asked for: a fit changes its counts. */
  readonly train: Train | null;
  readonly answer: Answer & { readonly checks?: ReadonlyMap<string, readonly string[]> };
}

/** How far the search is that was asked for last. */
export type Looking =
  | { readonly kind: 'not yet' }
  | { readonly kind: 'refused'; readonly message: string }
  | { readonly kind: 'looking' | 'stopped'; readonly written: string }
  | { readonly kind: 'done'; readonly written: string; readonly tookMs: number };

/** What the Teeth screen keeps. */
export interface TeethState {
  readonly form: Form;
  readonly looking: Looking;
  /** What was found last: of the question before, while nothing is told of the new one. */
  readonly shown: Shown | null;
  /** The finding that is drawn, by its key; null for the best. */
  readonly chosen: string | null;
  /** Against what the picture sets the error. */
  readonly size: Size;
  readonly set: (change: Partial<Omit<TeethState, 'set' | 'ask'>>) => void;
  /** Changes what is asked. */
  readonly ask: (change: Partial<Form>) => void;
}

export interface TeethItself extends Own {
  readonly store: TeethStore;
  readonly lane: ReturnType<typeof lane>;
}

export type TeethStore = ReturnType<typeof createTeethStore>;

/** Made once for a session, see ownOf; what runs when the train is left is given up. */
export const createTeeth = (session: Session): TeethItself => {
  const { train } = session.store.getState();
  return teethFor(train, explainedOf(session.store.getState()).solved.ratio);
};

/** The same without a train. */
export const teethFor = (...[train, ratio]: Parameters<typeof firstForm>): TeethItself => {
  const own = lane();
  const store = createTeethStore(firstForm(train, ratio));
  return {
    store,
    lane: own,
    leave: () => {
      own.giveUp();
      const { looking, set } = store.getState();
      if (looking.kind === 'looking') set({ looking: { ...looking, kind: 'stopped' } });
    },
  };
};

const createTeethStore = (form: Form) =>
  createStore<TeethState>()((set) => ({
    form,
    looking: { kind: 'not yet' },
    shown: null,
    chosen: null,
    size: 'teeth',
    set,
    ask: (change) => set((state) => ({ form: { ...state.form, ...change } })),
  }));
