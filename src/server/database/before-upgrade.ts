import { existsSync, readdirSync, rmSync, statSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import sqlite3 from 'sqlite3';
import { KNOWN_MIGRATIONS } from './migrations';
import { sqliteCode, StartupError } from './startup-error';

/** So many copies from before upgrades are kept. */
const KEPT_COPIES = 5;

/**
 * Looks at a database file without writing to it, and takes a copy beside it when this version is going to change its tables.
 * @throws StartupError when a newer version has made it. SQLite's own errors pass through.
 */
export async function prepareForUpgrade(file: string, now: Date = new Date()): Promise<void> {
  if (!existsSync(file) || statSync(file).size === 0) return;
  const database = await openReadOnly(file);
  try {
    const applied = await appliedMigrations(database);
    const unknown = applied.filter((name) => !KNOWN_MIGRATIONS.includes(name));
    if (unknown.length > 0) throw new StartupError(`${file} was made by a newer version of Tin Wheel (it has ${unknown[0]}). Start that version, or put an older copy in its place.`);
    const pending = KNOWN_MIGRATIONS.filter((name) => !applied.includes(name));
    if (applied.length === 0 || pending.length === 0) return;
    // To the millisecond, and by which process: servers may start together, and again within a second.
    const stamp = `${now.toISOString().replace(/[-:.Z]/g, '').replace('T', '-')}-${process.pid}`;
    await run(database, 'VACUUM INTO ?', [join(dirname(file), `${copyPrefix(file)}${pending[0]}-${stamp}.sqlite`)]);
    forgetOldCopies(file);
  } finally {
    await new Promise<void>((done) => database.close(() => done()));
  }
}

const copyPrefix = (file: string): string => `${basename(file).replace(/\.sqlite$/, '')}-before-`;

function forgetOldCopies(file: string): void {
  const copies = readdirSync(dirname(file)).filter((name) => name.startsWith(copyPrefix(file)) && name.endsWith('.sqlite'));
  const age = (name: string) => statSync(join(dirname(file), name)).mtimeMs;
  for (const name of copies.sort((a, b) => age(b) - age(a)).slice(KEPT_COPIES)) rmSync(join(dirname(file), name));
}

const openReadOnly = (file: string): Promise<sqlite3.Database> =>
  new Promise((done, fail) => {
    const database = new sqlite3.Database(file, sqlite3.OPEN_READONLY, (error) => (error ? fail(error) : done(database)));
  });

const run = (database: sqlite3.Database, sql: string, values: readonly string[]): Promise<void> =>
  new Promise((done, fail) => database.run(sql, values, (error) => (error ? fail(error) : done())));

/** None where there is no table of migrations: the file is new, or was left empty by an interrupted start. */
const appliedMigrations = (database: sqlite3.Database): Promise<string[]> =>
  new Promise((done, fail) =>
    database.all<{ name: string }>('SELECT name FROM migrations', (error, rows) => {
      if (!error) done(rows.map(({ name }) => name));
      else if (sqliteCode(error) === 'SQLITE_ERROR') done([]);
      else fail(error);
    }),
  );
