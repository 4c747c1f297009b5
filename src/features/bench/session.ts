import type { Train } from '@/core/train';
import type { CrankClock } from './crank/crank-clock';
import { autosave, isSaved, type Autosave } from './keeping/autosave';
import { createBenchStore, createCrank, type BenchStore } from './store';

/** One train in this window: it outlives its screen, so that leaving and coming back loses nothing. */
export interface Session {
  readonly store: BenchStore;
  readonly crank: CrankClock;
  readonly saving: Autosave;
  /** Ends the keeping in this browser's storage; null until it has begun. */
  keeping: { readonly now: () => void; readonly stop: () => void } | null;
}

/** A train as the server gave it. */
export interface Loaded {
  readonly id: string;
  readonly version: number;
  readonly train: Train;
}

const sessions = new Map<string, Session>();
/** Trains that stay open in a window; beyond that the one left longest ago is let go, if it is saved. */
const MOST_OPEN = 8;

/** The train's session in this window, or a new one. */
export function sessionOf({ id, version, train }: Loaded): Session {
  const open = sessions.get(id);
  sessions.delete(id);
  const session = open ?? begin(id, version, train);
  sessions.set(id, session);
  for (const [other, { store }] of [...sessions].slice(0, Math.max(0, sessions.size - MOST_OPEN)))
    if (isSaved(store.getState())) end(other);
  return session;
}

/**
 * What the server gave on return, against what this window has: a newer version is taken, or asked about where there are changes of one's
 * own; an older one, out of the browser's memory of pages, is nothing new.
 */
export function receive({ store }: Session, { version, train }: Loaded): void {
  const state = store.getState();
  if (version <= state.version || state.save.kind === 'saving') return;
  if (isSaved(state)) takeTheirs(store, { version, train });
  else state.set({ save: { kind: 'conflict', theirs: { version, train } } });
}

/** What the server has becomes what is here; undo leads back to one's own. */
export const takeTheirs = ({ getState }: BenchStore, { version, train }: Omit<Loaded, 'id'>): void =>
  getState().set({ train, savedTrain: train, version, save: { kind: 'idle' }, editing: null, visit: null });

/** The screen is left: what it knows goes to the server and to this browser's storage now. */
export function leave({ saving, crank, keeping }: Session): void {
  crank.stop();
  saving.flush();
  keeping?.now();
}

function begin(id: string, version: number, train: Train): Session {
  const store = createBenchStore(id, version, train);
  return { store, crank: createCrank(store), saving: autosave(store), keeping: null };
}

function end(id: string): void {
  const session = sessions.get(id);
  session?.saving.stop();
  session?.keeping?.stop();
  sessions.delete(id);
}
