import { mkdtemp, readdir, rm, stat } from 'node:fs/promises';
import { dirname, join } from 'node:path';

const PREFIX = '.bundle-';

/**
 * A folder for what is on its way between a bundle and the database, on the database's disk; it goes when the work is
 * done.
 */
export async function inTemporaryFolder<T>(database: string, work: (folder: string) => Promise<T>): Promise<T> {
  const folder = await mkdtemp(join(dirname(database), PREFIX));
  try {
    return await work(folder);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** No bundle is on its way for so long. */
const LEFT_MS = 3_600_000;

/** Removes what a server that was killed has left. */
export async function clearLeftFolders(database: string, now: Date): Promise<void> {
  const place = dirname(database);
  for (const name of await readdir(place)) {
    const folder = join(place, name);
    if (name.startsWith(PREFIX) && now.getTime() - (await stat(folder)).mtimeMs > LEFT_MS)
      await rm(folder, { recursive: true, force: true });
  }
}
