import { randomUUID } from 'node:crypto';
import { Op } from 'sequelize';
import { checkTrain, parseTrain, problemText, serialiseTrain, type Problem, type Train } from '@/core/train';
import { firstRow, type Database } from '../database';

/** A train as kept: its document and the version that the next save must name. */
export interface StoredTrain {
  readonly id: string;
  readonly version: number;
  readonly updatedAt: string;
  readonly train: Train;
}

export type Saved =
  | { readonly outcome: 'saved'; readonly stored: StoredTrain }
  | { readonly outcome: 'stale'; readonly current: StoredTrain }
  | { readonly outcome: 'missing' }
  | { readonly outcome: 'refused'; readonly problems: readonly Problem[] };

export async function findTrain({ trains }: Database, id: string): Promise<StoredTrain | null> {
  const row = await trains.findByPk(id);
  return row ? stored(row.get()) : null;
}

/** Adds a document as a new train. */
export async function addTrain({ trains }: Database, document: unknown): Promise<Saved> {
  const checked = checkTrain(document);
  if (!checked.ok) return { outcome: 'refused', problems: checked.problems };
  const row = await trains.create(firstRow(randomUUID(), checked.train));
  return { outcome: 'saved', stored: stored(row.get()) };
}

/** Saves a document over the version it started from; when that is no longer the newest, nothing is written. */
export async function saveTrain(database: Database, id: string, version: number, document: unknown): Promise<Saved> {
  const checked = checkTrain(document);
  if (!checked.ok) return { outcome: 'refused', problems: checked.problems };
  const { train } = checked;
  const now = new Date();
  const [changed] = await database.trains.update({ name: train.name, document: serialiseTrain(train), version: version + 1, updatedAt: now }, { where: { id, version }, silent: true });
  if (changed === 1) return { outcome: 'saved', stored: { id, version: version + 1, updatedAt: now.toISOString(), train } };
  const current = await findTrain(database, id);
  return current ? { outcome: 'stale', current } : { outcome: 'missing' };
}

/** Takes a train off the shelf, with all it was; false when there is none. */
export const removeTrain = async ({ trains }: Database, id: string): Promise<boolean> => (await trains.destroy({ where: { id } })) === 1;

/** Puts a train that was taken off the shelf back, as it was and with its revisions; null when there is none. */
export async function putBackTrain(database: Database, id: string): Promise<StoredTrain | null> {
  await database.trains.restore({ where: { id } });
  return findTrain(database, id);
}

const KEPT_DELETED_DAYS = 30;

/** Forgets trains, and their revisions, that were deleted long ago. */
export async function forgetDeleted({ trains }: Database, now: Date): Promise<number> {
  const before = new Date(now.getTime() - KEPT_DELETED_DAYS * 86_400_000);
  return trains.destroy({ where: { deletedAt: { [Op.lt]: before } }, force: true });
}

function stored(row: { id: string; version: number; document: string; updatedAt: Date }): StoredTrain {
  return { id: row.id, version: row.version, updatedAt: row.updatedAt.toISOString(), train: readStored(row.document, row.id) };
}

/** A document that was checked when it was kept. */
export function readStored(document: string, id: string): Train {
  const parsed = parseTrain(document);
  if (!parsed.ok) throw new Error(`The stored train ${id} does not read: ${problemText(parsed.problems[0]!)}`);
  return parsed.train;
}
