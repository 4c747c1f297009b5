import { copyFileSync, existsSync, mkdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { dirname } from 'node:path';
import sqlite3 from 'sqlite3';
import { all, close, open, run } from '../database/plain-file';
import { SafeError, wholeOrThrow } from './backup';

/**
 * Puts a copy in the place of the database. What was there is kept beside it, and its name is given back; null where
 * nothing was there. A server has to be stopped first: that is looked at, for a file that is changed under a server is
 * lost.
 * @throws SafeError
 */
export async function restore(source: string, file: string, now: Date = new Date()): Promise<string | null> {
  if (!existsSync(source)) throw new SafeError(`There is no file ${source}.`);
  // What a server wrote last stands there until it ends; without it the copy would be an older state than it seems.
  if (existsSync(`${source}-wal`) && statSync(`${source}-wal`).size > 0)
    throw new SafeError(
      `${source} has a write-ahead log beside it, ${source}-wal: a server has it open, or ended in the middle. ` +
        'Take a copy with bin/tinwheel backup, or start a server on it once and stop it.',
    );
  await wholeOrThrow(source);
  mkdirSync(dirname(file), { recursive: true });
  const part = `${file}.restoring`;
  copyFileSync(source, part);
  let aside: string | null = null;
  try {
    if (existsSync(file)) {
      await aloneOrThrow(file);
      aside = `${file.replace(/\.sqlite$/, '')}-before-restore-${now
        .toISOString()
        .replace(/[-:.Z]/g, '')
        .replace('T', '-')}.sqlite`;
      renameSync(file, aside);
    }
    // What belongs to the file that was there must not be taken for this one's.
    for (const rest of ['-wal', '-shm']) rmSync(`${file}${rest}`, { force: true });
    renameSync(part, file);
    return aside;
  } catch (error) {
    rmSync(part, { force: true });
    throw error;
  }
}

/**
 * Refuses while another program has the database open: only one that is alone can leave the write-ahead log, which also
 * brings everything into the one file.
 */
async function aloneOrThrow(file: string): Promise<void> {
  const database = await open(file, sqlite3.OPEN_READWRITE);
  try {
    await run(database, 'PRAGMA busy_timeout = 500');
    const [mode] = await all<{ journal_mode: string }>(database, 'PRAGMA journal_mode = DELETE');
    if (mode?.journal_mode !== 'delete') throw new Error('busy');
  } catch {
    throw new SafeError(`A server has ${file} open: stop it first.`);
  } finally {
    await close(database);
  }
}
