import { Op, type WhereOptions } from 'sequelize';
import { shrink, type Database, type RevisionRow } from '../database';
import { readChanges, whyUnreadable } from '../heavy';
import { keptTime } from '../kept-row';
import { KEPT_WHOLE_MS, statesToThin, type SavedState } from './thinning';

/** A kept state of a train, without its document. */
export interface StoredRevision {
  readonly version: number;
  readonly savedAt: string;
  readonly name: string | null;
  /** What it changed against the state before it, in a line; null where that is not known. */
  readonly changed: string | null;
}

/** Of so many states, the newest, it is said what they changed. */
const MOST_TOLD = 60;
/** As long as their documents have no more characters together. */
const MOST_CHARACTERS = 20_000_000;

/** The kept states of a train, the newest first. */
export async function listRevisions(
  database: Database,
  trainId: string,
  signal?: AbortSignal,
): Promise<StoredRevision[]> {
  const [states, documents] = await Promise.all([
    statesOf(database, { trainId }),
    documentsOf(database, trainId, MOST_TOLD + 1),
  ]);
  const changes = documents.length > 1 ? await readChanges(documents, signal) : [];
  return states.map(({ version, savedAt, name }, i) => ({
    version,
    savedAt: keptTime(savedAt),
    name,
    changed: changes[i] ?? null,
  }));
}

/** The newest documents, as many as may be looked at together. */
async function documentsOf({ revisions }: Database, trainId: string, limit: number): Promise<string[]> {
  const rows = await revisions.findAll({
    where: { trainId },
    attributes: ['document'],
    order: NEWEST_FIRST,
    limit,
  });
  let characters = 0;
  return rows.map((row) => row.get().document).filter((document) => (characters += document.length) <= MOST_CHARACTERS);
}

const NEWEST_FIRST: [string, string][] = [
  ['savedAt', 'DESC'],
  ['version', 'DESC'],
];

/** The newest first; without their documents. */
async function statesOf(
  { revisions }: Database,
  where: WhereOptions<RevisionRow>,
  limit?: number,
): Promise<SavedState[]> {
  const rows = await revisions.findAll({
    where,
    attributes: ['version', 'savedAt', 'name'],
    order: NEWEST_FIRST,
    limit,
  });
  return rows.map((row) => row.get());
}

/** The text of a state as it is kept, whether it reads or not; null when that state is not kept. */
export const findStateText = async (
  { revisions }: Database,
  trainId: string,
  version: number,
): Promise<string | null> => (await revisions.findOne({ where: { trainId, version } }))?.get().document ?? null;

/**
 * The document as it was at a version, and why it does not read where it does not; null when that state is not kept.
 */
export async function findRevision(
  database: Database,
  trainId: string,
  version: number,
  signal?: AbortSignal,
): Promise<{ readonly document: string; readonly unreadable: string | null } | null> {
  const document = await findStateText(database, trainId, version);
  return document === null ? null : { document, unreadable: await whyUnreadable(document, signal) };
}

/** Names a state, which is then kept for good; null takes the name away. False when the state is not kept. */
export async function nameRevision(
  { write }: Database,
  trainId: string,
  version: number,
  name: string | null,
): Promise<boolean> {
  const [changed] = await write(({ revisions }) => revisions.update({ name }, { where: { trainId, version } }));
  return changed === 1;
}

/** Lets go of the states that need not be kept any more (see thinning.ts). */
export async function thinRevisions(database: Database, trainId: string, now: Date): Promise<number> {
  // Of what is younger all is kept, so that only the newest of it matters: a train that is saved often costs no more
  // than another.
  const [old, [newest]] = await Promise.all([
    statesOf(database, { trainId, savedAt: { [Op.lt]: new Date(now.getTime() - KEPT_WHOLE_MS) } }),
    statesOf(database, { trainId }, 1),
  ]);
  const states = [...(newest && newest.version !== old[0]?.version ? [newest] : []), ...old];
  const spare = statesToThin(states, now);
  if (spare.length === 0) return 0;
  const gone = await database.write(({ revisions }) => revisions.destroy({ where: { trainId, version: spare } }));
  await shrink(database);
  return gone;
}
