import { existsSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import sqlite3 from 'sqlite3';
import { KNOWN_MIGRATIONS } from './migrations';
import { all, close, open, run } from './plain-file';
import { sqliteCode, StartupError } from './startup-error';

/** So many copies from before upgrades are kept. */
const KEPT_COPIES = 5;

/**
 * Looks at a database file without writing to it, and takes a copy beside it when this version is going to change its
 * tables.
 * @throws StartupError when a newer version has made it. SQLite's own errors pass through.
 */
export async function prepareForUpgrade(file: string, now: Date = new Date()): Promise<void> {
  if (!existsSync(file) || statSync(file).size === 0) return;
  const database = await open(file, sqlite3.OPEN_READONLY);
  try {
    const applied = await appliedMigrations(database);
    refuseNewer(file, applied);
    const pending = KNOWN_MIGRATIONS.filter((name) => !applied.includes(name));
    if (applied.length === 0 || pending.length === 0) return;
    // To the millisecond, and by which process: servers may start together, and again within a second.
    const stamp = `${now
      .toISOString()
      .replace(/[-:.Z]/g, '')
      .replace('T', '-')}-${process.pid}`;
    const copy = join(dirname(file), `${copyPrefix(file)}${pending[0]}-${stamp}.sqlite`);
    // Under its own name only when it is whole: this start may be killed in the middle.
    await run(database, 'VACUUM INTO ?', [`${copy}${PART}`]);
    renameSync(`${copy}${PART}`, copy);
    forgetOldCopies(file);
  } finally {
    await close(database);
  }
}

/** @throws StartupError where a file has been changed in a way that this version does not know. */
export function refuseNewer(file: string, applied: readonly string[]): void {
  const unknown = applied.filter((name) => !KNOWN_MIGRATIONS.includes(name));
  if (unknown.length > 0)
    throw new StartupError(
      `${file} was made by a newer version of Tin Wheel (it has ${unknown[0]}). ` +
        'Start that version, or put an older copy in its place.',
    );
}

const copyPrefix = (file: string): string => `${basename(file).replace(/\.sqlite$/, '')}-before-`;

const PART = '.part';
/** A copy that is still in parts after so long was given up. */
const GIVEN_UP_MS = 3_600_000;

function forgetOldCopies(file: string): void {
  const own = readdirSync(dirname(file)).filter((name) => name.startsWith(copyPrefix(file)));
  const age = (name: string) => statSync(join(dirname(file), name)).mtimeMs;
  for (const name of own.filter((one) => one.endsWith(PART) && Date.now() - age(one) > GIVEN_UP_MS))
    rmSync(join(dirname(file), name));
  const copies = own.filter((name) => name.endsWith('.sqlite'));
  for (const name of copies.sort((a, b) => age(b) - age(a)).slice(KEPT_COPIES)) rmSync(join(dirname(file), name));
}

/** None where there is no table of migrations: the file is new, or was left empty by an interrupted start. */
async function appliedMigrations(database: sqlite3.Database): Promise<string[]> {
  try {
    return (await all<{ name: string }>(database, 'SELECT name FROM migrations')).map(({ name }) => name);
  } catch (error) {
    if (sqliteCode(error) === 'SQLITE_ERROR') return [];
    throw error;
  }
}
