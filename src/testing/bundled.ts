import { refusalText } from '@/core/result';
import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import {
  ARCHIVE_JOBS,
  inTemporaryFolder,
  restoreBundle,
  type RestoreChoice,
  type Plan,
  type Restored,
} from '@/server/bundle';
import type { Database } from '@/server/database';

let count = 0;

/** Writes a bundle beside a database's file, and tells where. */
export async function bundled(
  database: Database,
  ids: readonly string[] | 'everything' = 'everything',
): Promise<string> {
  const path = join(dirname(database.file), `${++count}.bundle.zip`);
  const gathered = await ARCHIVE_JOBS.bundle(database.file, ids, path);
  if (!gathered.ok) throw new Error(`${refusalText(gathered)}${existsSync(path) ? ' A file was left.' : ''}`);
  return path;
}

/** Has a bundle read and, if it reads, does something with what it would bring and where that is. */
const withStaged = <T>(
  database: Database,
  path: string,
  work: (plan: Plan, stagingFile: string) => Promise<T>,
): Promise<T> =>
  inTemporaryFolder(database.file, async (folder) => {
    const stagingFile = join(folder, 'staged.sqlite');
    const plan = await ARCHIVE_JOBS.unbundle(database.file, path, stagingFile);
    if (!plan.ok) throw new Error(refusalText(plan));
    return work(plan.value, stagingFile);
  });

/** What a bundle would bring. @throws with what is wrong with it */
export const planned = (database: Database, path: string): Promise<Plan> =>
  withStaged(database, path, (plan) => Promise.resolve(plan));

/** Brings a bundle. @throws with what is wrong with it */
export const brought = (
  database: Database,
  path: string,
  choose: RestoreChoice | ((id: string) => RestoreChoice),
): Promise<Restored> =>
  withStaged(database, path, (_, stagingFile) =>
    restoreBundle(database, stagingFile, typeof choose === 'string' ? () => choose : choose),
  );
