import { existsSync, renameSync, rmSync } from 'node:fs';
import sqlite3 from 'sqlite3';
import { refuseNewer, StartupError } from '../database';
import { all, close, open, run } from '../database/plain-file';

/** Something that keeps a copy from being taken or put back, in a sentence. */
export class SafeError extends Error {}

/**
 * Copies the whole database as it is at this moment into one file, while servers go on saving: SQLite writes the copy
 * out of one read transaction. It is whole or not there.
 * @throws SafeError
 */
export async function backup(file: string, destination: string): Promise<void> {
  if (!existsSync(file)) throw new SafeError(`There is no database ${file}.`);
  if (existsSync(destination))
    throw new SafeError(`${destination} is there already: name another file, or move that one away.`);
  const part = `${destination}.part`;
  rmSync(part, { force: true });
  const database = await open(file, sqlite3.OPEN_READONLY);
  try {
    await run(database, 'PRAGMA busy_timeout = 10000');
    await run(database, 'VACUUM INTO ?', [part]);
    await wholeOrThrow(part);
    renameSync(part, destination);
  } catch (error) {
    rmSync(part, { force: true });
    throw error instanceof SafeError
      ? error
      : new SafeError(`The copy could not be written: ${(error as Error).message}.`);
  } finally {
    await close(database);
  }
}

/**
 * Refuses a file that is no sound database of this application. @throws SafeError, StartupError of one that a newer
 * version made
 */
export async function wholeOrThrow(file: string): Promise<void> {
  const database = await open(file, sqlite3.OPEN_READONLY).catch(() => null);
  if (!database) throw new SafeError(`${file} cannot be opened.`);
  try {
    const [check] = await all<{ integrity_check: string }>(database, 'PRAGMA integrity_check').catch(() => []);
    if (check?.integrity_check !== 'ok') throw new SafeError(`${file} is not a sound database.`);
    const tables = await all<{ name: string }>(database, "SELECT name FROM sqlite_master WHERE type = 'table'");
    if (!['trains', 'migrations'].every((name) => tables.some((table) => table.name === name)))
      throw new SafeError(`${file} is not a database of Tin Wheel.`);
    const applied = await all<{ name: string }>(database, 'SELECT name FROM migrations');
    refuseNewer(
      file,
      applied.map(({ name }) => name),
    );
  } finally {
    await close(database);
  }
}

/** What a failure says to whoever asked; null where it is none that is foreseen. */
export const safeMessage = (error: unknown): string | null =>
  error instanceof SafeError || error instanceof StartupError ? error.message : null;
