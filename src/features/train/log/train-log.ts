import { createStore } from 'zustand';
import type { Correction, Log, Reading } from '@/core/measurement';
import type { Own, Session } from '@/features/train/session';
import {
  addToTrainLog,
  deleteImport,
  postEntryAside,
  readTrainLog,
  type ServerAnswer,
  type LogEntry,
  type UnreadableLogEntry,
} from '@/wire';

/**
 * What was read at the bench of a train: entries as the server keeps them, in their order; null until they are there.
 */
export interface TrainLogState {
  readonly entries: readonly LogEntry[] | null;
  /** Entries that are kept and do not read, with why. */
  readonly unreadable: readonly UnreadableLogEntry[];
  /** Why they are not there. */
  readonly message: string | null;
}

export interface TrainLog extends Own {
  readonly store: ReturnType<typeof createLogStore>;
  /** Reads it, unless it is there already. */
  readonly load: () => Promise<void>;
  /** Puts an entry that does not read aside. */
  readonly putAside: (key: string) => Promise<void>;
  /** Takes out again what an import brought. */
  readonly takeBack: (imported: string) => Promise<ServerAnswer>;
  /** Adds entries; they are shown once the server has them. */
  readonly add: (entries: readonly Omit<LogEntry, 'savedAt'>[]) => Promise<ServerAnswer>;
}

/** One request takes so many. */
const BATCH = 1000;

/** Made once for a session, see ownOf. */
export function createTrainLog({ id }: Session): TrainLog {
  const store = createLogStore();
  const load = async () => {
    if (store.getState().entries !== null) return;
    const answer = await readTrainLog(id);
    if (!answer.ok) return store.setState({ message: answer.message });
    const [entries, unreadable] = [[] as LogEntry[], [] as UnreadableLogEntry[]];
    for (const entry of answer.value.entries) {
      if ('document' in entry) entries.push(entry);
      else unreadable.push(entry);
    }
    store.setState({ entries, unreadable, message: null });
  };
  return {
    store,
    load,
    putAside: async (key) => {
      const answer = await postEntryAside(id, key);
      if (!answer.ok) return store.setState({ message: answer.message });
      store.setState({ unreadable: store.getState().unreadable.filter((entry) => entry.id !== key), message: null });
    },
    takeBack: async (imported) => {
      const answer = await deleteImport(id, imported);
      if (!answer.ok) return answer;
      // What else hung on it is known to the server.
      store.setState({ entries: null });
      await load();
      return { ok: true, value: {} };
    },
    add: async (entries) => {
      for (let at = 0; at < entries.length; at += BATCH) {
        const some = entries.slice(at, at + BATCH);
        const answer = await addToTrainLog(id, some);
        if (!answer.ok) return answer;
        const { entries: before } = store.getState();
        // What was there before these is not known yet: the server has all.
        if (before === null) await load();
        else store.setState({ entries: [...before, ...freshOf(before, some)] });
      }
      return { ok: true, value: {} };
    },
  };
}

/** Those that are not there yet, as the server has just kept them. */
function freshOf(before: readonly LogEntry[], entries: readonly Omit<LogEntry, 'savedAt'>[]): readonly LogEntry[] {
  const known = new Set(before.map(({ id }) => id));
  const savedAt = new Date().toISOString();
  return entries.filter(({ id }) => !known.has(id)).map((entry) => ({ ...entry, savedAt }));
}

const createLogStore = () => createStore<TrainLogState>()(() => ({ entries: null, unreadable: [], message: null }));

/** The entries as a log's file has them. Each was checked when it was kept. */
export function trainLogOf(entries: readonly LogEntry[]): Log {
  const of = <T>(kind: LogEntry['kind']) =>
    entries.filter((entry) => entry.kind === kind).map(({ document }) => document as T);
  return {
    format: 'tin-wheel/log',
    version: 1,
    readings: of<Reading>('reading'),
    corrections: of<Correction>('correction'),
    runs: of<NonNullable<Log['runs']>[number]>('run'),
  };
}
