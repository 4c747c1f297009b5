import type { TrainSummary } from '@/core/gear-chart';
import type { ShelfEntry } from '@/wire';
import type { Database, TrainRow } from '../database';
import { summariseDocument } from '../heavy';
import { keptTime } from '../kept-row';
import { findTrain, type StoredTrain } from './repository';
import { required } from '@/core/required';

/** A part of the list; all of it where nothing is said. */
export interface ShelfSlice {
  readonly from?: number;
  readonly count?: number;
}

type ListedRow = Pick<TrainRow, 'id' | 'name' | 'version' | 'updatedAt' | 'summary' | 'summaryVersion'>;

/**
 * The trains by name, or a page of them, and how many there are. What a train does is worked out once for each version;
 * listing writes nothing.
 */
export async function listShelf(
  database: Database,
  { from = 0, count = Infinity }: ShelfSlice = {},
): Promise<{ readonly rows: readonly ShelfEntry[]; readonly total: number }> {
  const { rows, count: total } = await database.trains.findAndCountAll({
    attributes: ['id', 'name', 'version', 'updatedAt', 'summary', 'summaryVersion'],
    order: [
      ['name', 'ASC'],
      ['id', 'ASC'],
    ],
    ...(from > 0 || count < Infinity ? { offset: from, limit: Number.isFinite(count) ? count : -1 } : {}),
  });
  const listed: ShelfEntry[] = [];
  // So many at a time: who asks for something else of the workers meanwhile is not behind all of them.
  for (let at = 0; at < rows.length; at += AT_ONCE)
    listed.push(...(await Promise.all(rows.slice(at, at + AT_ONCE).map((row) => entryOf(database, row.get())))));
  return { total, rows: listed };
}

const AT_ONCE = 20;

async function entryOf(database: Database, row: ListedRow): Promise<ShelfEntry> {
  const { id, name, version, updatedAt, summary, summaryVersion } = row;
  const known = summaryVersion === version ? readSummary(summary) : null;
  return {
    id,
    name,
    version,
    updatedAt: keptTime(updatedAt),
    ...(known ?? (await summaryOf(database, id, version))),
  };
}

/** Summaries that are not kept with their trains, by train and version; the oldest goes when there are too many. */
const worked = new Map<string, TrainSummary | { readonly unreadable: string }>();
const MAX_WORKED = 2000;

async function summaryOf(
  database: Database,
  id: string,
  version: number,
): Promise<TrainSummary | { readonly unreadable: string }> {
  const key = `${database.file} ${id} ${version}`;
  const found = worked.get(key);
  if (found) return found;
  const kept = await findTrain(database, id);
  if (!kept) return { unreadable: 'It was taken off the shelf just now.' };
  const summary =
    kept.unreadable === null
      ? (JSON.parse(await summariseDocument(kept.document)) as TrainSummary)
      : { unreadable: kept.unreadable };
  if (worked.size >= MAX_WORKED) worked.delete(required(worked.keys().next().value));
  worked.set(key, summary);
  return summary;
}

/** A train is summarised when it was not saved for so long: who goes on changing it looks at no shelf. */
const STANDS_STILL_MS = 2_000;
const due = new Map<string, ReturnType<typeof setTimeout>>();

/** Has a train summarised soon; a later save takes its place. */
export function scheduleSummary(database: Database, stored: StoredTrain): void {
  const key = `${database.file} ${stored.id}`;
  clearTimeout(due.get(key));
  const timer = setTimeout(() => {
    due.delete(key);
    // The list does without: it works out what is missing.
    keepSummary(database, stored).catch((error: unknown) => console.error(error));
  }, STANDS_STILL_MS);
  due.set(key, timer.unref());
}

/** Drops what was to be summarised: the shelf works out what is missing when it is listed. */
export function dropDueSummaries(): void {
  for (const timer of due.values()) clearTimeout(timer);
  due.clear();
}

/**
 * Keeps what a train does beside it, so that listing need not work it out; only for the version given, and no change of
 * the train.
 */
export async function keepSummary({ write }: Database, { id, version, document }: StoredTrain): Promise<void> {
  const summary = await summariseDocument(document);
  await write(({ trains }) =>
    trains.update({ summary, summaryVersion: version }, { where: { id, version }, silent: true }),
  );
}

/** A kept summary; null when it is missing or damaged. */
function readSummary(text: string | null): TrainSummary | null {
  try {
    return text === null ? null : (JSON.parse(text) as TrainSummary);
  } catch {
    return null;
  }
}
