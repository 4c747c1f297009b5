import { createHash, randomUUID } from 'node:crypto';
import { Op } from 'sequelize';
import type { Problem } from '@/core/train';
import { firstRow, shrink, sqlTime, type Database, type Tables } from '../database';
import { whyUnreadable, type Checked } from '../heavy';
import { keptTime } from '../kept-row';

/** A train as kept: its document as text, and the version that the next save must name. */
export interface KeptTrain {
  readonly id: string;
  readonly version: number;
  readonly updatedAt: string;
  readonly name: string;
  readonly document: string;
  /**
   * Why the document does not read: it is damaged, kept by an older fault, or made by a later version. Null when it
   * does.
   */
  readonly unreadable: string | null;
}

/** Where a train stands after it was saved. */
export type StoredTrain = Pick<KeptTrain, 'id' | 'version' | 'updatedAt' | 'document'>;

export type Saved =
  | { readonly outcome: 'saved'; readonly stored: StoredTrain }
  /** There is a newer version, which may not be readable. */
  | { readonly outcome: 'stale'; readonly current: KeptTrain }
  | { readonly outcome: 'missing' }
  /** The key of this request was another one's, which brought something else. */
  | { readonly outcome: 'other request' }
  | { readonly outcome: 'refused'; readonly problems: readonly Problem[] };

/** @param signal of whoever asks, see heavy/pool.ts */
export async function findTrain({ trains }: Database, id: string, signal?: AbortSignal): Promise<KeptTrain | null> {
  const row = await trains.findByPk(id);
  if (!row) return null;
  const { name, version, document, updatedAt } = row.get();
  return {
    id,
    version,
    updatedAt: keptTime(updatedAt),
    name,
    document,
    unreadable: await whyUnreadable(document, signal),
  };
}

/** The document of a train as text, as it is kept, whether it reads or not. */
export async function findDocument(
  { trains }: Database,
  id: string,
): Promise<{ readonly name: string; readonly document: string } | null> {
  const row = await trains.findByPk(id, { attributes: ['name', 'document'] });
  return row ? { name: row.get().name, document: row.get().document } : null;
}

/**
 * Adds a document as a new train. With a key that names the request, asking again adds nothing: the train that the
 * first made is told once more. So a request whose answer was lost can be repeated. The same key with other content is
 * refused, and once its train was taken off the shelf it makes one anew.
 */
export async function addTrain(database: Database, checked: Checked, key: string | null = null): Promise<Saved> {
  if (!checked.ok) return { outcome: 'refused', problems: checked.problems };
  const { name, document } = checked;
  return database.write(async (tables): Promise<Saved> => {
    const id = key ? await idFor(tables, key, document) : randomUUID();
    if (id === null) return { outcome: 'other request' };
    const row =
      (await tables.trains.findByPk(id, { paranoid: false })) ??
      (await tables.trains.create(firstRow(id, { name, document })));
    const { version, updatedAt } = row.get();
    return { outcome: 'saved', stored: { id, version, updatedAt: keptTime(updatedAt), document } };
  });
}

/** The id of the train that a request makes; null where its key was used for something else. */
async function idFor({ sql, trains }: Tables, key: string, document: string): Promise<string | null> {
  const content = createHash('sha256').update(document).digest('hex');
  const [request] = await sql<{ id: string; content: string | null }>(
    'SELECT train_id AS id, content FROM requests WHERE key = ?',
    [key],
  );
  const id = randomUUID();
  if (!request) {
    await sql('INSERT INTO requests (key, train_id, at, content) VALUES (?, ?, ?, ?)', [
      key,
      id,
      sqlTime(new Date()),
      content,
    ]);
    return id;
  }
  if (request.content !== null && request.content !== content) return null;
  const made = await trains.findByPk(request.id, { paranoid: false });
  if (!made?.isSoftDeleted()) return request.id;
  await sql('UPDATE requests SET train_id = ? WHERE key = ?', [id, key]);
  return id;
}

/**
 * Saves a document over the version it started from; when that is no longer the newest, nothing is written. What was
 * there need not be readable: naming its version replaces it.
 */
export async function saveTrain(database: Database, id: string, version: number, checked: Checked): Promise<Saved> {
  if (!checked.ok) return { outcome: 'refused', problems: checked.problems };
  const { name, document } = checked;
  const now = new Date();
  const next = { name, document, version: version + 1, updatedAt: now };
  const [changed] = await database.write(({ trains }) => trains.update(next, { where: { id, version }, silent: true }));
  if (changed === 1)
    return { outcome: 'saved', stored: { id, version: version + 1, updatedAt: now.toISOString(), document } };
  const current = await findTrain(database, id);
  return current ? { outcome: 'stale', current } : { outcome: 'missing' };
}

/** Takes the version of a train that the sender knows off the shelf, with all it was. */
export const removeTrain = (
  { write }: Database,
  id: string,
  version: number,
): Promise<'removed' | 'stale' | 'missing'> =>
  write(async ({ trains }) => {
    if ((await trains.destroy({ where: { id, version } })) === 1) return 'removed';
    return (await trains.count({ where: { id } })) === 1 ? 'stale' : 'missing';
  });

/** Puts a train that was taken off the shelf back, as it was and with its revisions; null when there is none. */
export async function putBackTrain(database: Database, id: string): Promise<KeptTrain | null> {
  await database.write(({ trains }) => trains.restore({ where: { id } }));
  return findTrain(database, id);
}

const KEPT_DELETED_DAYS = 30;

/** Forgets trains, and their revisions, that were deleted long ago, and requests that nobody will repeat any more. */
export async function forgetDeleted(database: Database, now: Date): Promise<number> {
  const before = new Date(now.getTime() - KEPT_DELETED_DAYS * 86_400_000);
  const gone = await database.write(async ({ sql, trains }) => {
    await sql('DELETE FROM requests WHERE at < ?', [sqlTime(before)]);
    return trains.destroy({ where: { deletedAt: { [Op.lt]: before } }, force: true });
  });
  if (gone > 0) await shrink(database);
  return gone;
}
