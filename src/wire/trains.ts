import type { Train } from '@/core/train';
import { ask, type Answer } from './client';
import {
  drawnReply,
  examplesReply,
  nothingReply,
  revisionReply,
  revisionsReply,
  storedReply,
  trainDrawnReply,
  trainReply,
  type Kept,
} from './replies';

const trainAt = (id: string): string => `/api/trains/${encodeURIComponent(id)}`;

export const readTrain = (id: string) => ask(trainReply, trainAt(id));

/** A new train with this document. Sent twice it is put there once. */
export const putOnShelf = (train: Train) =>
  ask(storedReply, '/api/trains', {
    method: 'POST',
    body: train,
    headers: { 'idempotency-key': crypto.randomUUID() },
  });

/** Puts a train on the shelf beside the one that it was made from. */
export const putCopyOnShelf = (train: Train) =>
  putOnShelf({ ...train, name: `${train.name} (copy)`.slice(0, MOST_LETTERS) });

const MOST_LETTERS = 120;

/** Saves over the version named; refused as `stale`, with what is there, when that is no longer the newest. */
export const saveTrain = ({ id, version, train }: Kept, { leaving = false } = {}) =>
  ask(storedReply, trainAt(id), { method: 'PUT', body: { version, train }, leaving });

export const takeOffShelf = ({ id, version }: Pick<Kept, 'id' | 'version'>) =>
  ask(nothingReply, `${trainAt(id)}?version=${version}`, { method: 'DELETE' });

export const putBack = (id: string): Promise<Answer> => ask(trainReply, trainAt(id), { method: 'POST' });

/** A train with its small drawing, as it is at a version. */
export const readShelfDrawing = (id: string, version: number) =>
  ask(trainDrawnReply, `${trainAt(id)}/drawing?v=${version}`);

/** The large side view of a train, as it is at a version. */
export const readBenchDrawing = (id: string, version: number) =>
  ask(drawnReply, `${trainAt(id)}/drawing?for=bench&v=${version}`);

/** The saved states of a train, the newest first. */
export const readRevisions = (id: string) => ask(revisionsReply, `${trainAt(id)}/revisions`);

export const readRevision = (id: string, version: number) => ask(revisionReply, `${trainAt(id)}/revisions/${version}`);

export const nameRevision = (id: string, version: number, name: string) =>
  ask(nothingReply, `${trainAt(id)}/revisions/${version}`, { method: 'PATCH', body: { name } });

export const readExamples = () => ask(examplesReply, '/api/examples');

export const restoreExample = (id: string) =>
  ask(storedReply, `/api/examples/${encodeURIComponent(id)}`, { method: 'POST' });
