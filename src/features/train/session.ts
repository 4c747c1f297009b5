import type { Train } from '@/core/train';
import { usePreferences } from '@/ui/preferences';
import { followUnits } from './input/own-units';
import { recall, remember } from './remembered';
import { autosave, isSaved, type Autosave } from './saving/autosave';
import { createTrainStore, type TrainStore } from './store';

/** What a screen keeps of its own while the train is open in this window. */
export interface Own {
  /** The train's screens are left: what runs stops. */
  readonly leave?: () => void;
}

/** One train in this window: it outlives its screens, so that leaving and coming back loses nothing. */
export interface Session {
  readonly id: string;
  readonly store: TrainStore;
  readonly saving: Autosave;
  /** What its screens keep of their own; see ownOf. */
  readonly own: Map<(session: Session) => Own, Own>;
  /** Ends the keeping in this browser's storage; null until it has begun. */
  keeping: { readonly now: () => void; readonly stop: () => void } | null;
  readonly end: () => void;
}

/** A train as the server gave it. */
export interface LoadedTrain {
  readonly id: string;
  readonly version: number;
  readonly train: Train;
}

const sessions = new Map<string, Session>();
/** Trains that stay open in a window; beyond that the one left longest ago is let go, if it is saved. */
const MOST_OPEN = 8;

/** The train's session in this window, or a new one. */
export function sessionOf({ id, version, train }: LoadedTrain): Session {
  const open = sessions.get(id);
  sessions.delete(id);
  const session = open ?? begin(id, version, train);
  sessions.set(id, session);
  for (const [other, { store, end }] of [...sessions].slice(0, Math.max(0, sessions.size - MOST_OPEN)))
    if (isSaved(store.getState())) {
      end();
      sessions.delete(other);
    }
  return session;
}

/** What a screen keeps of its own with the session, made when it is first looked at. */
export function ownOf<T extends Own>(session: Session, make: (session: Session) => T): T {
  if (!session.own.has(make)) session.own.set(make, make(session));
  return session.own.get(make) as T;
}

/**
 * What the server gave on return, against what this window has: a newer version is taken, or asked about where there
 * are changes of one's own; an older one, out of the browser's memory of pages, is nothing new.
 */
export function receive({ store }: Session, { version, train }: LoadedTrain): void {
  const state = store.getState();
  if (version <= state.version || state.save.kind === 'saving') return;
  if (isSaved(state)) acceptServerVersion(store, { version, train });
  else state.conflict({ version, train });
}

/** What the server has becomes what is here; undo leads back to one's own. */
export const acceptServerVersion = ({ getState }: TrainStore, { version, train }: Omit<LoadedTrain, 'id'>): void =>
  getState().accept({ version, train });

/** The train's screens are left: what is known goes to the server and to this browser's storage now. */
export function leave({ saving, own, keeping }: Session): void {
  for (const { leave: stop } of own.values()) stop?.();
  saving.flush();
  keeping?.now();
}

function begin(id: string, version: number, train: Train): Session {
  const store = createTrainStore(id, version, train);
  store.getState().recall(recall(id));
  const { setLosses } = store.getState();
  setLosses(usePreferences.getState().losses);
  const forget = [
    remember(store),
    followUnits(store),
    // Whether losses count is a person's own way of looking, alike for every train.
    usePreferences.subscribe(({ losses }) => losses !== store.getState().losses && setLosses(losses)),
  ];
  const session: Session = {
    id,
    store,
    saving: autosave(store),
    own: new Map(),
    keeping: null,
    end: () => {
      session.saving.stop();
      session.keeping?.stop();
      for (const stop of forget) stop();
    },
  };
  return session;
}
