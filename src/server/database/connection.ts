import { mkdirSync } from 'node:fs';
import { dirname, resolve } from 'node:path';
import { Sequelize } from 'sequelize';
import sqlite3 from 'sqlite3';
import { defineTrain, type TrainModel } from './train-model';
import { defineRevision, type RevisionModel } from './revision-model';
import { prepareForUpgrade } from './before-upgrade';
import { migrate } from './migrations';
import { StartupError, startupError } from './startup-error';

/** The open database: the connection and its models. */
export interface Database {
  readonly sequelize: Sequelize;
  readonly trains: TrainModel;
  readonly revisions: RevisionModel;
  readonly file: string;
}

/** Where the data lives: TINWHEEL_DB, else data/tinwheel.sqlite under the working folder. */
export const databaseFile = (): string => resolve(/* turbopackIgnore: true */ process.env.TINWHEEL_DB ?? 'data/tinwheel.sqlite');

/**
 * Opens (and creates) a database file, in WAL mode with foreign keys on, and brings it up to date; a copy is kept from before an upgrade.
 * @throws StartupError when it cannot be used; then nothing was written to it.
 */
export async function openDatabase(file: string): Promise<Database> {
  try {
    mkdirSync(dirname(file), { recursive: true });
  } catch (error) {
    throw new StartupError(`The folder ${dirname(file)} cannot be made (${(error as NodeJS.ErrnoException).code}). Name another place in TINWHEEL_DB, or make it by hand.`);
  }
  try {
    await prepareForUpgrade(file);
    return await connect(file);
  } catch (error) {
    throw startupError(error, file);
  }
}

async function connect(file: string): Promise<Database> {
  const sequelize = new Sequelize({ dialect: 'sqlite', dialectModule: sqlite3, storage: file, logging: false });
  try {
    await sequelize.query('PRAGMA busy_timeout = 5000');
    await sequelize.query('PRAGMA journal_mode = WAL');
    await sequelize.query('PRAGMA synchronous = FULL');
    await sequelize.query('PRAGMA foreign_keys = ON');
    await migrate(sequelize);
  } catch (error) {
    await sequelize.close();
    throw error;
  }
  return { sequelize, trains: defineTrain(sequelize), revisions: defineRevision(sequelize), file };
}
