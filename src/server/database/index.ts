import { exampleFolder } from '../examples/read';
import { databaseFile, openDatabase, type Database } from './connection';
import { seedDemoTrains } from './seed';
import { StartupError, startupError } from './startup-error';

export { refuseNewer } from './before-upgrade';
export { databaseFile, openDatabase, type Database } from './connection';
export { sqliteCode, StartupError } from './startup-error';
export { seedDemoTrains } from './seed';
export { shrink } from './shrink';
export type { BesideModel } from './beside-model';
export type { PeopleModel } from './practice-models';
export type { RevisionRow } from './revision-model';
export { sqlTime, type Tables } from './tables';
export { firstRow, type TrainRow } from './train-model';

const holder = globalThis as { tinWheelDatabase?: Promise<Database> };

/**
 * The server's one database, opened, migrated and seeded at first use.
 * @throws StartupError where it cannot be used, or is no longer the file on the disk
 */
export async function database(): Promise<Database> {
  holder.tinWheelDatabase ??= start().catch((error: unknown) => {
    holder.tinWheelDatabase = undefined;
    throw error;
  });
  const opened = await holder.tinWheelDatabase;
  if (!opened.isInPlace())
    throw new StartupError(
      `${opened.file} was moved away or replaced while the server had it open. Nothing more is saved to ` +
        'it: stop the server, see that the right file is there, and start it again.',
    );
  return opened;
}

/** The database, or in words why it cannot be used. */
export async function databaseOrReason(): Promise<{ readonly database: Database } | { readonly reason: string }> {
  try {
    return { database: await database() };
  } catch (error) {
    if (error instanceof StartupError) return { reason: error.message };
    throw error;
  }
}

async function start(): Promise<Database> {
  const file = databaseFile();
  const opened = await openDatabase(file);
  try {
    await seedDemoTrains(opened, exampleFolder());
    return opened;
  } catch (error) {
    await opened.close();
    throw startupError(error, file);
  }
}
