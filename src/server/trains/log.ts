import { Op } from 'sequelize';
import type { EntryKind } from '@/wire/kept-names';
import { sqlTime, type Database } from '../database';
import { keptTime } from '../kept-row';
import { MOST } from '../most';
import { findAside, putAside } from '../put-aside';
import { wrongInEntry } from '../wrong';

/** An entry of a train's log as it is kept. */
export interface LogRow {
  readonly id: string;
  readonly kind: EntryKind;
  readonly document: string;
  readonly savedAt: string;
}

/** Entries are read so many at a time: whoever else asks meanwhile is answered in between. */
const PAGE = 250;

interface KeptRow extends Omit<LogRow, 'savedAt'> {
  readonly savedAt: string | Date;
  readonly place: number;
}

/** The log of a train page by page, in the order in which it was written. */
export async function* logPages({ log }: Database, trainId: string): AsyncGenerator<readonly LogRow[]> {
  for (let last: KeptRow | undefined; ;) {
    const rows = (await log.findAll({
      where: { trainId, ...(last && behind(last)) },
      order: [
        ['place', 'ASC'],
        ['id', 'ASC'],
      ],
      limit: PAGE,
      raw: true,
    })) as unknown as KeptRow[];
    yield rows.map(({ id, kind, document, savedAt }) => ({ id, kind, document, savedAt: keptTime(savedAt) }));
    if (rows.length < PAGE) return;
    last = rows.at(-1);
  }
}

/** Logs that were put together may have one place twice. Said this way round, the index finds where to go on. */
const behind = ({ place, id }: KeptRow) => ({
  place: { [Op.gte]: place },
  [Op.or]: [{ place: { [Op.gt]: place } }, { id: { [Op.gt]: id } }],
});

/** The whole log of a train, in the order in which it was written. */
export async function listLog(database: Database, trainId: string): Promise<readonly LogRow[]> {
  const rows: LogRow[] = [];
  for await (const page of logPages(database, trainId)) rows.push(...page);
  return rows;
}

/** The text of an entry as it is kept, in the log or put aside; null where there is none. */
export async function findEntry(database: Database, trainId: string, id: string): Promise<string | null> {
  const row = await database.log.findOne({ where: { trainId, id } });
  return row ? row.get().document : findAside(database, 'log_entries', trainId, id);
}

/** Puts an entry that does not read aside. One that reads is a record, and stays. */
export const putEntryAside = (
  { write }: Database,
  trainId: string,
  id: string,
): Promise<'put aside' | 'reads' | 'missing'> =>
  write(async (tables) => {
    const row = await tables.log.findOne({ where: { trainId, id } });
    if (!row) return 'missing';
    const { kind, document } = row.get();
    if (wrongInEntry(kind, document) === null) return 'reads';
    await putAside(tables, 'log_entries', trainId, [id]);
    return 'put aside';
  });

/**
 * Takes an import back: the readings that it brought, and what was said of them since, are put aside, where they can
 * still be had. @returns how many entries that were
 */
export const takeImportBack = ({ write }: Database, trainId: string, name: string): Promise<number> =>
  write(async (tables) => {
    const own = await tables.sql<{ id: string }>(
      `SELECT id FROM log_entries WHERE train_id = ? AND kind = 'reading' AND json_valid(document)
       AND json_extract(document, '$.import') = ?`,
      [trainId, name],
    );
    const taken = new Set(own.map(({ id }) => id));
    if (taken.size === 0) return 0;
    const corrections = await tables.sql<{ id: string; of: string; reading: string }>(
      `SELECT id, json_extract(document, '$.of') AS "of", json_extract(document, '$.reading.id') AS reading
       FROM log_entries WHERE train_id = ? AND kind = 'correction' AND json_valid(document)`,
      [trainId],
    );
    // A correction may itself be corrected: until nothing more hangs on what is taken.
    for (let before = -1; before !== taken.size;) {
      before = taken.size;
      for (const { id, of, reading } of corrections) if (taken.has(of)) taken.add(id).add(reading);
    }
    await putAside(tables, 'log_entries', trainId, [...taken]);
    return taken.size;
  });

/**
 * Adds entries, all or none. What is there already under an id stays as it is: a record is never changed, and a request
 * sent twice adds once.
 */
export async function addToLog(
  { write }: Database,
  trainId: string,
  entries: readonly Pick<LogRow, 'id' | 'kind' | 'document'>[],
): Promise<'kept' | 'missing' | 'full'> {
  const rows = JSON.stringify(entries.map(({ id, kind, document }) => ({ id, kind, document })));
  const savedAt = sqlTime(new Date());
  return write(async ({ sql }) => {
    // Two statements whatever is added: many may be writing, and each statement is a way to another thread.
    const [there] = await sql<{ trains: number; entries: number }>(
      `SELECT (SELECT count(*) FROM trains WHERE id = ? AND deleted_at IS NULL) AS trains,
       (SELECT count(*) FROM log_entries WHERE train_id = ?) AS entries`,
      [trainId, trainId],
    );
    if (!there?.trains) return 'missing';
    if (there.entries + entries.length > MOST.entries) return 'full';
    await sql(
      `INSERT OR IGNORE INTO log_entries (train_id, id, kind, document, saved_at)
       SELECT ?, value ->> 'id', value ->> 'kind', value ->> 'document', ? FROM json_each(?)`,
      [trainId, savedAt, rows],
    );
    return 'kept';
  });
}
