import type { Train } from '@/core/train';
import { ask } from './client';
import type {
  DrawingReply,
  ExampleState,
  Kept,
  KeptBeside,
  LogEntry,
  ReadTrain,
  Revision,
  ShelfEntry,
  Stored,
  TrainDrawing,
  UnreadableLogEntry,
} from './replies';

/** Kinds of documents that are kept beside trains, as their addresses name them. */
export type BesideKind = 'searches' | 'scenarios';

const trainAt = (id: string): string => `/api/trains/${encodeURIComponent(id)}`;

export const fetchTrain = (id: string) => ask<ReadTrain>(['id', 'version', 'train'], trainAt(id));

/** The trains on the shelf by name, without their documents. */
export const readShelf = () => ask<{ trains: ShelfEntry[] }>(['trains'], '/api/trains');

/**
 * A new train with this document. Sent twice it is put there once. @param original the train that it is a copy of: what
 * is kept beside that goes along
 */
export const postTrain = (train: Train, original: string | null = null) =>
  ask<Stored>(
    ['id', 'version'],
    original === null ? '/api/trains' : `/api/trains?beside=${encodeURIComponent(original)}`,
    {
      method: 'POST',
      body: train,
      headers: { 'idempotency-key': crypto.randomUUID() },
    },
  );

const MOST_LETTERS = 120;

/** Puts a copy of a train on the shelf beside it. */
export const postTrainCopy = ({ id, train }: Pick<Kept, 'id' | 'train'>) =>
  postTrain({ ...train, name: `${train.name} (copy)`.slice(0, MOST_LETTERS) }, id);

/** Saves over the version named; refused as `stale`, with what is there, when that is no longer the newest. */
export const putTrain = ({ id, version, train }: Kept, { leaving = false } = {}) =>
  ask<Stored>(['version'], trainAt(id), { method: 'PUT', body: { version, train }, leaving });

export const deleteTrain = ({ id, version }: Pick<Kept, 'id' | 'version'>) =>
  ask<object>([], `${trainAt(id)}?version=${version}`, { method: 'DELETE' });

export const postRestore = (id: string) => ask<ReadTrain>(['id', 'version'], trainAt(id), { method: 'POST' });

/** A train with its small drawing, as it is at a version. */
export const readShelfDrawing = (id: string, version: number) =>
  ask<TrainDrawing>(['train', 'drawn'], `${trainAt(id)}/drawing?v=${version}`);

/** The large side view of a train, as it is at a version. */
export const readBenchDrawing = (id: string, version: number) =>
  ask<DrawingReply>(['drawn'], `${trainAt(id)}/drawing?for=bench&v=${version}`);

/** What of this kind is kept beside a train, the newest first. */
export const readBeside = (kind: BesideKind, id: string) =>
  ask<{ kept: KeptBeside[] }>(['kept'], `${trainAt(id)}/${kind}`);

/** Keeps a document beside a train under a key of its own. */
export const putBeside = (kind: BesideKind, id: string, key: string, name: string, document: object) =>
  ask<object>([], `${trainAt(id)}/${kind}/${key}`, { method: 'PUT', body: { name, document } });

export const deleteBeside = (kind: BesideKind, id: string, key: string) =>
  ask<object>([], `${trainAt(id)}/${kind}/${key}`, { method: 'DELETE' });

/** Where a document beside a train can be had as it is kept, whether it reads or not. */
export const asKeptAddress = (kind: BesideKind | 'log' | 'pictures', id: string, key: string): string =>
  `${trainAt(id)}/${kind}/${encodeURIComponent(key)}?as-kept`;

/** Puts an entry that does not read aside, where it can still be had as it is. */
export const postEntryAside = (id: string, key: string) =>
  ask<object>([], `${trainAt(id)}/log/${encodeURIComponent(key)}`, { method: 'DELETE' });

/** A train's log, as it was written. */
export const readTrainLog = (id: string) =>
  ask<{ entries: (LogEntry | UnreadableLogEntry)[] }>(['entries'], `${trainAt(id)}/log`);

/** Adds entries to a train's log; sent twice they are there once. */
export const addToTrainLog = (id: string, entries: readonly Omit<LogEntry, 'savedAt'>[]) =>
  ask<object>([], `${trainAt(id)}/log`, { method: 'POST', body: { entries } });

/** Keeps a picture beside a train, under a name that its bytes give it. */
export const postPicture = (id: string, picture: Blob) =>
  ask<{ id: string }>(['id'], `${trainAt(id)}/pictures`, { method: 'POST', body: picture });

export const pictureAddress = (id: string, picture: string): string =>
  `${trainAt(id)}/pictures/${encodeURIComponent(picture)}`;

/** The saved states of a train, the newest first. */
export const readRevisions = (id: string) => ask<{ revisions: Revision[] }>(['revisions'], `${trainAt(id)}/revisions`);

export const readRevision = (id: string, version: number) =>
  ask<Pick<ReadTrain, 'train'>>(['train'], `${trainAt(id)}/revisions/${version}`);

export const putRevisionName = (id: string, version: number, name: string) =>
  ask<object>([], `${trainAt(id)}/revisions/${version}`, { method: 'PATCH', body: { name } });

export const fetchExamples = () => ask<{ examples: ExampleState[] }>(['examples'], '/api/examples');

export const postExampleRestore = (id: string) =>
  ask<Stored>(['id'], `/api/examples/${encodeURIComponent(id)}`, { method: 'POST' });
