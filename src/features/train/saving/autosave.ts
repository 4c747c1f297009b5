import { putTrain } from '@/wire';
import type { TrainState, TrainStore } from '../store';

const PAUSE_MS = 400;
const RETRY_MS = 3000;

/** Saves a document as it changes. */
export interface Autosave {
  /** Saves now what is not saved yet; `leaving` where the page may be gone before the answer. */
  readonly flush: (leaving?: boolean) => void;
  readonly stop: () => void;
}

/** Has the server what is on the screen? */
export const isSaved = ({ train, savedTrain }: Pick<TrainState, 'train' | 'savedTrain'>): boolean =>
  train === savedTrain;

/** Saves a little after the last change, one save at a time, each naming the version it grew from. */
export function autosave(store: TrainStore): Autosave {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let busy = false;
  let ended = false;
  const later = (delay: number) => {
    clearTimeout(timer);
    timer = setTimeout(() => void run(), delay);
  };
  const waits = () => {
    const state = store.getState();
    return !ended && !busy && !isSaved(state) && state.save.kind !== 'conflict';
  };
  const run = async (leaving = false) => {
    clearTimeout(timer);
    if (!waits()) return;
    busy = true;
    await saveOnce(store, leaving);
    busy = false;
    if (waits()) later(store.getState().save.kind === 'failed' ? RETRY_MS : PAUSE_MS);
  };
  const unsubscribe = store.subscribe((state, before) => {
    if (state.train !== before.train && !isSaved(state)) later(PAUSE_MS);
  });
  return {
    flush: (leaving) => void run(leaving),
    stop: () => {
      ended = true;
      unsubscribe();
      clearTimeout(timer);
    },
  };
}

async function saveOnce(store: TrainStore, leaving: boolean): Promise<void> {
  const { id, train, version, beginSave, endSave, conflict, failSave } = store.getState();
  beginSave();
  const saved = await putTrain({ id, version, train }, { leaving });
  if (saved.ok) endSave({ version: saved.value.version, train });
  else if (saved.current) conflict(saved.current);
  else failSave(saved.code === 'unreachable' ? KEPT_HERE : saved.message);
}

const KEPT_HERE = 'The server cannot be reached. Your change is kept in this browser and saving is tried again.';
