import { mkdirSync, statSync } from 'node:fs';
import { dirname, resolve } from 'node:path';
import { Sequelize } from 'sequelize';
import sqlite3 from 'sqlite3';
import { prepareForUpgrade } from './before-upgrade';
import { migrate } from './migrations';
import { sqliteCode, StartupError, startupError } from './startup-error';
import { tablesOf, type Tables } from './tables';
import { Writer } from './writer';

/** The open database: its tables as they are read, and the one way to write to them. */
export interface Database extends Tables {
  /**
   * Does a work in a transaction, see Writer; what it answers is told when it is on the disk. The tables it gets can be
   * written.
   */
  readonly write: <T>(work: (tables: Tables) => Promise<T>) => Promise<T>;
  /** Does what SQLite does not do in a transaction, on the connection for writing. */
  readonly alone: <T>(work: (tables: Tables) => Promise<T>) => Promise<T>;
  readonly file: string;
  /** Whether the file that is open is still the one that stands under its name. */
  readonly isInPlace: () => boolean;
  readonly close: () => Promise<void>;
}

/** Where the data lives: TINWHEEL_DB, else data/tinwheel.sqlite under the working folder. */
export const databaseFile = (): string =>
  resolve(/* turbopackIgnore: true */ process.env.TINWHEEL_DB ?? 'data/tinwheel.sqlite');

/**
 * Opens (and creates) a database file, in WAL mode with foreign keys on, and brings it up to date; a copy is kept from
 * before an upgrade.
 * @throws StartupError when it cannot be used; then nothing was written to it.
 */
export async function openDatabase(file: string): Promise<Database> {
  try {
    mkdirSync(dirname(file), { recursive: true });
  } catch (error) {
    throw new StartupError(
      `The folder ${dirname(file)} cannot be made ` +
        `(${(error as NodeJS.ErrnoException).code}). Name another place in TINWHEEL_DB, or ` +
        'make it by hand.',
    );
  }
  try {
    await prepareForUpgrade(file);
    return await connect(file);
  } catch (error) {
    throw startupError(error, file);
  }
}

async function connect(file: string): Promise<Database> {
  const [sequelize, reader] = [connection(file), connection(file)];
  try {
    await sequelize.query('PRAGMA busy_timeout = 5000');
    // Of a new file, before anything is in it.
    await sequelize.query('PRAGMA auto_vacuum = INCREMENTAL');
    await sequelize.query('PRAGMA journal_mode = WAL');
    await sequelize.query('PRAGMA synchronous = FULL');
    await sequelize.query('PRAGMA foreign_keys = ON');
    await migrate(sequelize);
    await canShrink(sequelize);
    await reader.query('PRAGMA busy_timeout = 5000');
    await reader.query('PRAGMA query_only = ON');
  } catch (error) {
    await Promise.all([sequelize.close(), reader.close()]);
    throw error;
  }
  const writing = tablesOf(sequelize);
  const writer = new Writer({ run: (statement) => sequelize.query(statement) });
  return {
    // A connection of its own, which never waits for what is being written.
    ...tablesOf(reader),
    write: (work) => writer.write(() => work(writing)),
    alone: (work) => writer.alone(() => work(writing)),
    file,
    isInPlace: staysInPlace(file),
    close: async () => {
      // What was begun is written before.
      await writer.alone(() => Promise.resolve());
      await Promise.all([sequelize.close(), reader.close()]);
    },
  };
}

/**
 * A file that is moved away or replaced stays open and takes what is saved, which nobody finds again: its number on
 * the disk tells.
 */
function staysInPlace(file: string): () => boolean {
  const { dev, ino } = statSync(file);
  return () => {
    const now = statSync(file, { throwIfNoEntry: false });
    return now?.dev === dev && now.ino === ino;
  };
}

/** A file from before it could shrink is written anew, once; where another server has it open, at a later start. */
async function canShrink(sequelize: Sequelize): Promise<void> {
  const [[{ auto_vacuum: kind }]] = (await sequelize.query('PRAGMA auto_vacuum')) as unknown as [
    [{ auto_vacuum: number }],
  ];
  if (kind !== 0) return;
  await sequelize.query('PRAGMA auto_vacuum = INCREMENTAL');
  await sequelize.query('VACUUM').catch((error: unknown) => {
    if (sqliteCode(error) !== 'SQLITE_BUSY') throw error;
  });
}

const connection = (file: string): Sequelize =>
  new Sequelize({ dialect: 'sqlite', dialectModule: sqlite3, storage: file, logging: false });
