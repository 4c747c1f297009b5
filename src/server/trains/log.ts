import type { Database } from '../database';
import { keptTime } from '../kept-row';

/** An entry of a train's log as it is kept. */
export interface LogRow {
  readonly id: string;
  readonly kind: LogKind;
  readonly document: string;
  readonly savedAt: string;
}

export const LOG_KINDS = ['reading', 'correction', 'run'] as const;
export type LogKind = (typeof LOG_KINDS)[number];

/** Entries of one train. */
const MOST_ENTRIES = 50_000;
/** Entries are put in so many at a time. */
const BATCH = 500;

/** The log of a train, in the order in which it was written. */
export async function listLog({ reading: { log } }: Database, trainId: string): Promise<readonly LogRow[]> {
  const rows = (await log.findAll({
    where: { trainId },
    order: [
      ['place', 'ASC'],
      ['id', 'ASC'],
    ],
    raw: true,
  })) as unknown as { id: string; kind: LogKind; document: string; savedAt: string | Date }[];
  return rows.map(({ id, kind, document, savedAt }) => ({ id, kind, document, savedAt: keptTime(savedAt) }));
}

/** The text of an entry as it is kept; null where there is none. */
export const findEntry = async ({ reading: { log } }: Database, trainId: string, id: string): Promise<string | null> =>
  (await log.findOne({ where: { trainId, id } }))?.get().document ?? null;

/** Adds entries, all or none. What is there already under an id stays as it is: a record is never changed, and a request sent twice adds once. */
export async function addToLog(
  { sequelize, trains, log }: Database,
  trainId: string,
  entries: readonly Pick<LogRow, 'id' | 'kind' | 'document'>[],
): Promise<'kept' | 'missing' | 'full'> {
  if ((await trains.count({ where: { id: trainId } })) === 0) return 'missing';
  if ((await log.count({ where: { trainId } })) + entries.length > MOST_ENTRIES) return 'full';
  const savedAt = new Date();
  const rows = entries.map(({ id, kind, document }) => ({ trainId, id, kind, document, savedAt }));
  await sequelize.transaction(async (transaction) => {
    for (let at = 0; at < rows.length; at += BATCH)
      await log.bulkCreate(rows.slice(at, at + BATCH), { ignoreDuplicates: true, transaction });
  });
  return 'kept';
}
