import type { Train } from '@/core/train';
import type { BenchState, BenchStore } from '../store';

/** What goes with a change of the document. */
type Also = Partial<Pick<BenchState, 'editing' | 'notice' | 'highlight' | 'choice' | 'before'>>;

/**
 * The one door for every change of the document: one step of undo, or with `merge` one for all changes of the same visit.
 * @param merge names the visit, such as the typing of one tooth count.
 */
export function editTrain(
  store: BenchStore,
  train: Train,
  { merge, ...also }: Also & { readonly merge?: string } = {},
): void {
  const { visit, train: before, set } = store.getState();
  const history = store.temporal.getState();
  if (merge === undefined) return set({ ...also, train, visit: null });
  if (visit?.merge !== merge) return set({ ...also, train, visit: { merge, before, future: history.futureStates } });
  history.pause();
  set({ ...also, train });
  history.resume();
}

/** The visit is over: the next change is a step of its own. */
export function endVisit({ getState }: BenchStore): void {
  if (getState().visit) getState().set({ visit: null });
}

/** Takes back all that a visit changed, as if it had not been: what could be redone before can be redone again. */
export function giveUpVisit(store: BenchStore): void {
  const { visit, set } = store.getState();
  if (!visit) return;
  const { pause, resume, pastStates } = store.temporal.getState();
  pause();
  set({ train: visit.before, visit: null });
  resume();
  store.temporal.setState({ pastStates: pastStates.slice(0, -1), futureStates: [...visit.future] });
}

export function undo(store: BenchStore): void {
  endVisit(store);
  store.temporal.getState().undo();
}

export function redo(store: BenchStore): void {
  endVisit(store);
  store.temporal.getState().redo();
}
