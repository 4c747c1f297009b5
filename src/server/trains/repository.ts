import { randomUUID } from 'node:crypto';
import { Op, Transaction } from 'sequelize';
import { checkTrain, parseTrain, problemText, serialiseTrain, type Problem, type Train } from '@/core/train';
import { firstRow, type Database } from '../database';

/** A train as kept: its document and the version that the next save must name. */
export interface StoredTrain {
  readonly id: string;
  readonly version: number;
  readonly updatedAt: string;
  readonly train: Train;
}

/** A train whose document does not read: damaged, kept by an older fault, or made by a later version. It is there all the same. */
export interface UnreadableTrain {
  readonly id: string;
  readonly version: number;
  readonly updatedAt: string;
  readonly name: string;
  /** What is wrong with the document. */
  readonly unreadable: string;
}

export type KeptTrain = StoredTrain | UnreadableTrain;

export const isReadable = (kept: KeptTrain): kept is StoredTrain => 'train' in kept;

export type Saved =
  | { readonly outcome: 'saved'; readonly stored: StoredTrain }
  | { readonly outcome: 'stale'; readonly current: StoredTrain }
  | { readonly outcome: 'unreadable'; readonly kept: UnreadableTrain }
  | { readonly outcome: 'missing' }
  | { readonly outcome: 'refused'; readonly problems: readonly Problem[] };

export async function findTrain({ trains }: Database, id: string): Promise<KeptTrain | null> {
  const row = await trains.findByPk(id);
  return row ? kept(row.get()) : null;
}

/** The document of a train as text, as it is kept, whether it reads or not. */
export async function findDocument({ trains }: Database, id: string): Promise<{ readonly name: string; readonly document: string } | null> {
  const row = await trains.findByPk(id, { attributes: ['name', 'document'] });
  return row ? { name: row.get().name, document: row.get().document } : null;
}

/**
 * Adds a document as a new train. With a key that names the request, asking again adds nothing: the train that the first made is told
 * once more. So a request whose answer was lost can be repeated.
 */
export async function addTrain(database: Database, document: unknown, key: string | null = null): Promise<Saved> {
  const checked = checkTrain(document);
  if (!checked.ok) return { outcome: 'refused', problems: checked.problems };
  const { sequelize, trains } = database;
  return sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, async (transaction): Promise<Saved> => {
    const made = key === null ? null : await madeBy(database, key, transaction);
    const row = made ?? (await trains.create(firstRow(randomUUID(), checked.train), { transaction }));
    const { id, version, updatedAt } = row.get();
    if (key !== null && !made) await sequelize.query('INSERT INTO requests (key, train_id, at) VALUES (?, ?, ?)', { replacements: [key, id, new Date()], transaction });
    return { outcome: 'saved', stored: { id, version, updatedAt: updatedAt.toISOString(), train: checked.train } };
  });
}

async function madeBy({ sequelize, trains }: Database, key: string, transaction: Transaction) {
  const [found] = await sequelize.query('SELECT train_id AS id FROM requests WHERE key = ?', { replacements: [key], transaction });
  const [request] = found as { id: string }[];
  return request ? trains.findByPk(request.id, { paranoid: false, transaction }) : null;
}

/**
 * Saves a document over the version it started from; when that is no longer the newest, nothing is written. What was there need
 * not be readable: naming its version replaces it.
 */
export async function saveTrain(database: Database, id: string, version: number, document: unknown): Promise<Saved> {
  const checked = checkTrain(document);
  if (!checked.ok) return { outcome: 'refused', problems: checked.problems };
  const { train } = checked;
  const now = new Date();
  const next = { name: train.name, document: serialiseTrain(train), version: version + 1, updatedAt: now };
  const [changed] = await database.trains.update(next, { where: { id, version }, silent: true });
  if (changed === 1) return { outcome: 'saved', stored: { id, version: version + 1, updatedAt: now.toISOString(), train } };
  const current = await findTrain(database, id);
  if (!current) return { outcome: 'missing' };
  return isReadable(current) ? { outcome: 'stale', current } : { outcome: 'unreadable', kept: current };
}

/** Takes the version of a train that the sender knows off the shelf, with all it was. */
export async function removeTrain({ trains }: Database, id: string, version: number): Promise<'removed' | 'stale' | 'missing'> {
  if ((await trains.destroy({ where: { id, version } })) === 1) return 'removed';
  return (await trains.count({ where: { id } })) === 1 ? 'stale' : 'missing';
}

/** Puts a train that was taken off the shelf back, as it was and with its revisions; null when there is none. */
export async function putBackTrain(database: Database, id: string): Promise<KeptTrain | null> {
  await database.trains.restore({ where: { id } });
  return findTrain(database, id);
}

const KEPT_DELETED_DAYS = 30;

/** Forgets trains, and their revisions, that were deleted long ago, and requests that nobody will repeat any more. */
export async function forgetDeleted({ sequelize, trains }: Database, now: Date): Promise<number> {
  const before = new Date(now.getTime() - KEPT_DELETED_DAYS * 86_400_000);
  await sequelize.query('DELETE FROM requests WHERE at < ?', { replacements: [before] });
  return trains.destroy({ where: { deletedAt: { [Op.lt]: before } }, force: true });
}

function kept(row: { id: string; name: string; version: number; document: string; updatedAt: Date }): KeptTrain {
  const { id, name, version, document } = row;
  const updatedAt = row.updatedAt.toISOString();
  const read = readKept(document);
  return read.ok ? { id, version, updatedAt, train: read.train } : { id, version, updatedAt, name, unreadable: read.why };
}

/** Reads a kept document, or says why it does not read. */
export function readKept(document: string): { readonly ok: true; readonly train: Train } | { readonly ok: false; readonly why: string } {
  const parsed = parseTrain(document, { kept: true });
  return parsed.ok ? parsed : { ok: false, why: problemText(parsed.problems[0]!) };
}
