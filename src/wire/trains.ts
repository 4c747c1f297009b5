import type { Train } from '@/core/train';
import { ask } from './client';
import { addressOf } from './endpoints';
import type { Kept, LogEntry } from './replies';

/** Kinds of documents that are kept beside trains. */
export type BesideKind = 'searches' | 'scenarios';

/** The endpoints of each kind. */
const BESIDE = {
  searches: { list: 'listSearches', read: 'readSearch', keep: 'keepSearch', remove: 'removeSearch' },
  scenarios: { list: 'listScenarios', read: 'readScenario', keep: 'keepScenario', remove: 'removeScenario' },
} as const;

export const fetchTrain = (id: string) => ask('readTrain', { id }, {});

/** The trains on the shelf by name, without their documents. */
export const readShelf = () => ask('listTrains', {}, {});

/**
 * A new train with this document. Sent twice it is put there once. @param original the train that it is a copy of: what
 * is kept beside that goes along
 */
export const postTrain = (train: Train, original: string | null = null) =>
  ask(
    'addTrain',
    {},
    {
      body: train,
      headers: { 'idempotency-key': crypto.randomUUID() },
      ...(original !== null && { query: { beside: original } }),
    },
  );

const MOST_LETTERS = 120;

/** Puts a copy of a train on the shelf beside it, numbered where there are copies already. */
export async function postTrainCopy({ id, train }: Pick<Kept, 'id' | 'train'>) {
  const shelf = await readShelf();
  const taken = new Set(shelf.ok ? shelf.value.trains.map(({ name }) => name) : []);
  return postTrain({ ...train, name: copyName(train.name, taken) }, id);
}

/** "Winch (copy)", or "Winch (copy 2)" where that is taken; a copy of a copy is numbered on. */
export function copyName(name: string, taken: ReadonlySet<string>): string {
  const own = name.replace(/ \(copy( \d+)?\)$/, '');
  for (let i = 1; ; i++) {
    const mark = i === 1 ? ' (copy)' : ` (copy ${i})`;
    const copy = `${own.slice(0, MOST_LETTERS - mark.length)}${mark}`;
    if (!taken.has(copy)) return copy;
  }
}

/** Saves over the version named; refused as `stale`, with what is there, when that is no longer the newest. */
export const putTrain = ({ id, version, train }: Kept, { leaving = false } = {}) =>
  ask('saveTrain', { id }, { body: { version, train }, leaving });

export const deleteTrain = ({ id, version }: Pick<Kept, 'id' | 'version'>) =>
  ask('removeTrain', { id }, { query: { version: String(version) } });

export const postRestore = (id: string) => ask('restoreTrain', { id }, {});

/** A train with its small drawing, as it is at a version. */
export const readShelfDrawing = (id: string, version: number) =>
  ask('readShelfDrawing', { id }, { query: { v: String(version) } });

/** The large side view of a train, as it is at a version. */
export const readBenchDrawing = (id: string, version: number) =>
  ask('readBenchDrawing', { id }, { query: { for: 'bench', v: String(version) } });

/** What of this kind is kept beside a train, the newest first. */
export const readBeside = (kind: BesideKind, id: string) => ask(BESIDE[kind].list, { id }, {});

/** Keeps a document beside a train under a key of its own. */
export const putBeside = (kind: BesideKind, id: string, key: string, name: string, document: object) =>
  ask(BESIDE[kind].keep, { id, key }, { body: { name, document } });

export const deleteBeside = (kind: BesideKind, id: string, key: string) => ask(BESIDE[kind].remove, { id, key }, {});

/** Where a document beside a train can be had as it is kept, whether it reads or not. */
export const asKeptAddress = (kind: BesideKind | 'log' | 'pictures', id: string, key: string): string =>
  addressOf(AS_KEPT[kind], { id, key }, 'as-kept');

const AS_KEPT = {
  searches: 'readSearch',
  scenarios: 'readScenario',
  log: 'readEntry',
  pictures: 'readPicture',
} as const;

/** Puts an entry that does not read aside, where it can still be had as it is. */
export const postEntryAside = (id: string, key: string) => ask('putEntryAside', { id, key }, {});

/** Takes what an import brought out of a train's log again. */
export const deleteImport = (id: string, name: string) => ask('takeImportBack', { id }, { query: { import: name } });

/** A train's log, as it was written. */
export const readTrainLog = (id: string) => ask('readLog', { id }, {});

/** Adds entries to a train's log; sent twice they are there once. */
export const addToTrainLog = (id: string, entries: readonly Omit<LogEntry, 'savedAt'>[]) =>
  ask('addToLog', { id }, { body: { entries: [...entries] } });

/** Keeps a picture beside a train, under a name that its bytes give it. */
export const postPicture = (id: string, picture: Blob) => ask('addPicture', { id }, { body: picture });

export const pictureAddress = (id: string, picture: string): string => addressOf('readPicture', { id, key: picture });

/** The saved states of a train, the newest first. */
export const readRevisions = (id: string) => ask('listRevisions', { id }, {});

export const readRevision = (id: string, version: number) => ask('readRevision', { id, version: String(version) }, {});

export const putRevisionName = (id: string, version: number, name: string) =>
  ask('nameRevision', { id, version: String(version) }, { body: { name } });

export const fetchExamples = () => ask('listExamples', {}, {});

export const postExampleRestore = (id: string) => ask('restoreExample', { id }, {});
