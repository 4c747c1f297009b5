import type { Database } from '../database';
import { whyUnreadable } from '../heavy';
import { thinnedOut } from './thinning';

/** A kept state of a train, without its document. */
export interface Revision {
  readonly version: number;
  readonly savedAt: string;
  readonly name: string | null;
}

/** The kept states of a train, the newest first. */
export async function listRevisions({ revisions }: Database, trainId: string): Promise<Revision[]> {
  const rows = await revisions.findAll({ where: { trainId }, attributes: ['version', 'savedAt', 'name'], order: [['version', 'DESC']] });
  return rows.map((row) => {
    const { version, savedAt, name } = row.get();
    return { version, savedAt: savedAt.toISOString(), name };
  });
}

/** The document as it was at a version, and why it does not read where it does not; null when that state is not kept. */
export async function findRevision({ revisions }: Database, trainId: string, version: number, signal?: AbortSignal): Promise<{ readonly document: string; readonly unreadable: string | null } | null> {
  const row = await revisions.findOne({ where: { trainId, version } });
  if (!row) return null;
  const { document } = row.get();
  return { document, unreadable: await whyUnreadable(document, signal) };
}

/** Names a state, which is then kept for good; null takes the name away. False when the state is not kept. */
export async function nameRevision({ revisions }: Database, trainId: string, version: number, name: string | null): Promise<boolean> {
  const [changed] = await revisions.update({ name }, { where: { trainId, version } });
  return changed === 1;
}

/** Lets go of the states that need not be kept any more (see thinning.ts). */
export async function thinRevisions(database: Database, trainId: string, now: Date): Promise<number> {
  const states = (await listRevisions(database, trainId)).map(({ version, savedAt, name }) => ({ version, savedAt: new Date(savedAt), name }));
  const spare = thinnedOut(states, now);
  return spare.length === 0 ? 0 : database.revisions.destroy({ where: { trainId, version: spare } });
}
