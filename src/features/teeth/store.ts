import { createStore } from 'zustand';
import type { SearchAnswer, SearchQuestion, Size } from '@/core/tooth-search';
import type { Own, Session } from '@/features/train/session';
import { explainedOf } from '@/features/train/analysis';
import type { Train } from '@/core/train';
import { keepDraft, type Draft } from '@/ui/drafts';
import { jobRunner, type Runner } from '@/workers/beside';
import { isSameKey, type JobKey } from '@/workers/job-runner';
import type { JobStateOf } from '@/workers/use-job';
import { firstForm, type TeethForm } from './form';
import { openingFor } from './opening';
import { NO_FILTER, type FilterText } from './found/filter';

/** What was found, with the question that it answers. */
export interface ShownAnswer {
  /** What it was searched for: what is typed, and the train. */
  readonly key: JobKey;
  readonly question: SearchQuestion;
  /** The train it was asked for: a fit changes its counts. */
  readonly train: Train | null;
  readonly answer: SearchAnswer & { readonly checks?: ReadonlyMap<string, readonly string[]> };
}

/** What the Teeth screen keeps. */
export interface TeethState {
  readonly form: TeethForm;
  /** What was found last: of the question before, while nothing is told of the new one. */
  readonly shown: ShownAnswer | null;
  /** The finding that is drawn, by its key; null for the best. */
  readonly chosen: string | null;
  /** Against what the picture sets the error. */
  readonly size: Size;
  /** Which of the results are looked at. */
  readonly filter: FilterText;
  readonly show: (shown: ShownAnswer) => void;
  /** Draws a finding. */
  readonly choose: (key: string) => void;
  readonly filterBy: (filter: FilterText) => void;
  readonly compareBy: (size: Size) => void;
  /** Changes what is asked. */
  readonly ask: (change: Partial<TeethForm>) => void;
}

export interface TeethItself extends Own {
  readonly store: TeethStore;
  readonly draft: Draft;
  readonly search: Runner<'teeth'>;
}

export type TeethStore = ReturnType<typeof createTeethStore>;

/** Made once for a session, see ownOf; what runs when the train is left is given up. */
export const createTeeth = (session: Session): TeethItself => {
  const { train } = session.store.getState();
  const teeth = teethFor(session.id, train, explainedOf(session.store.getState()).solved.ratio);
  teeth.draft.restore();
  return teeth;
};

/** The same without a train: what was typed is restored once the page is in the browser. */
export const teethAlone = (): TeethItself => teethFor('alone', null, null);

const teethFor = (of: string, ...[train, ratio]: Parameters<typeof firstForm>): TeethItself => {
  const search = jobRunner('teeth');
  const first = firstForm(train, ratio);
  const store = createTeethStore(train ? openingFor(train, first) : first);
  search.subscribe(() => {
    const shown = shownOf(search.state());
    if (shown) store.getState().show(shown);
  });
  const draft = keepDraft(store, `teeth/${of}`, ['form', 'size', 'filter']);
  const leave = () => {
    draft.flush();
    search.rest();
  };
  return { store, search, draft, leave };
};

/** What a search has told so far; null while that is nothing. */
function shownOf(state: JobStateOf<'teeth'>): ShownAnswer | null {
  if (state.kind === 'done') return { ...state.input, key: state.key, answer: state.value };
  if (state.kind !== 'running' || !state.input || !state.partial) return null;
  return { ...state.input, key: state.key, answer: beginningOf(state.partial) };
}

/** The same answer with the results that stood there already: what did not change is not drawn anew. */
function withKnown(next: ShownAnswer, before: ShownAnswer): ShownAnswer {
  if (!isSameKey(next.key, before.key)) return next;
  const known = new Map(before.answer.findings.map((finding) => [finding.key, finding]));
  const findings = next.answer.findings.map((finding) => known.get(finding.key) ?? finding);
  const same = isSameKey(findings, before.answer.findings);
  return { ...next, answer: { ...next.answer, findings: same ? before.answer.findings : findings } };
}

/** What is told on the way changes soon: the first of it are enough to look at, and quick to show. */
const beginningOf = (answer: SearchAnswer): SearchAnswer => ({ ...answer, findings: answer.findings.slice(0, 20) });

const createTeethStore = (form: TeethForm) =>
  createStore<TeethState>()((set) => ({
    form,
    shown: null,
    chosen: null,
    size: 'teeth',
    filter: NO_FILTER,
    show: (answer) => set(({ shown }) => ({ shown: shown ? withKnown(answer, shown) : answer })),
    choose: (key) => set({ chosen: key }),
    filterBy: (filter) => set({ filter }),
    compareBy: (size) => set({ size }),
    ask: (change) => set((state) => ({ form: { ...state.form, ...change } })),
  }));
