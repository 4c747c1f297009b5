import type { Train } from '@/core/train';
import type { TrainState, TrainStore } from './store';

/** What goes with a change of the document. */
type Also = Partial<Pick<TrainState, 'notice' | 'choice' | 'before'>>;

/**
 * The one door for every change of the document: one step of undo, or with `merge` one for all changes of the same
 * visit. What was said of an earlier change goes; what is looked at or pointed at shows by itself only while it is
 * there.
 * @param merge names the visit, such as the typing of one tooth count.
 */
export function editTrain(
  store: TrainStore,
  train: Train,
  { merge, ...also }: Also & { readonly merge?: string } = {},
): void {
  const { visit, train: before, putDocument } = store.getState();
  const history = store.temporal.getState();
  const change = { notice: null, ...also };
  if (merge === undefined) return putDocument(train, null, change);
  if (visit?.merge !== merge) return putDocument(train, { merge, before, future: history.futureStates }, change);
  history.pause();
  putDocument(train, visit, change);
  history.resume();
}

/** The visit is over: the next change is a step of its own. */
export function endVisit({ getState }: TrainStore): void {
  if (getState().visit) getState().endVisit();
}

/** Takes back all that a visit changed, as if it had not been: what could be redone before can be redone again. */
export function giveUpVisit(store: TrainStore): void {
  const { visit, putDocument } = store.getState();
  if (!visit) return;
  const { pause, resume, pastStates } = store.temporal.getState();
  pause();
  putDocument(visit.before, null);
  resume();
  store.temporal.setState({ pastStates: pastStates.slice(0, -1), futureStates: [...visit.future] });
}

/** What is typed without a pause so long is one step of undo, ms. */
const PAUSE_MS = 900;

/** A change of what is typed on a screen beside the document, undone in one order with those of the document. */
export function editForm(store: TrainStore, name: string, form: unknown, nowMs = Date.now()): void {
  endVisit(store);
  const { typing, putForm } = store.getState();
  const goesOn = typing?.form === name && nowMs - typing.atMs < PAUSE_MS;
  const { pause, resume } = store.temporal.getState();
  if (goesOn) pause();
  putForm(name, form, { form: name, atMs: nowMs });
  if (goesOn) resume();
}

/** The form that a screen begins with: nothing that undo leads back from. */
export function beginForm(store: TrainStore, name: string, form: unknown): void {
  const { pause, resume } = store.temporal.getState();
  pause();
  store.getState().putForm(name, form, null);
  resume();
}

export function undo(store: TrainStore): void {
  endVisit(store);
  store.setState({ typing: null });
  store.temporal.getState().undo();
}

export function redo(store: TrainStore): void {
  endVisit(store);
  store.setState({ typing: null });
  store.temporal.getState().redo();
}
