import { mkdirSync } from 'node:fs';
import { dirname, resolve } from 'node:path';
import { Sequelize } from 'sequelize';
import sqlite3 from 'sqlite3';
import { defineTrain, type TrainModel } from './train-model';
import { defineRevision, type RevisionModel } from './revision-model';
import { migrate } from './migrations';

/** The open database: the connection and its models. */
export interface Database {
  readonly sequelize: Sequelize;
  readonly trains: TrainModel;
  readonly revisions: RevisionModel;
  readonly file: string;
}

/** Where the data lives: TINWHEEL_DB, else data/tinwheel.sqlite under the working folder. */
export const databaseFile = (): string => resolve(/* turbopackIgnore: true */ process.env.TINWHEEL_DB ?? 'data/tinwheel.sqlite');

/** Opens (and creates) a database file, in WAL mode with foreign keys on, and brings it up to date. */
export async function openDatabase(file: string): Promise<Database> {
  mkdirSync(dirname(file), { recursive: true });
  const sequelize = new Sequelize({ dialect: 'sqlite', dialectModule: sqlite3, storage: file, logging: false });
  await sequelize.query('PRAGMA journal_mode = WAL');
  await sequelize.query('PRAGMA synchronous = NORMAL');
  await sequelize.query('PRAGMA foreign_keys = ON');
  await sequelize.query('PRAGMA busy_timeout = 5000');
  await migrate(sequelize);
  return { sequelize, trains: defineTrain(sequelize), revisions: defineRevision(sequelize), file };
}
