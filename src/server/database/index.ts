import { databaseFile, openDatabase, type Database } from './connection';
import { exampleFolder } from '../examples/read';
import { seedDemoTrains } from './seed';

export { openDatabase, type Database } from './connection';
export { seedDemoTrains } from './seed';
export { firstRow } from './train-model';

const holder = globalThis as { tinWheelDatabase?: Promise<Database> };

/** The server's one database, opened, migrated and seeded at first use. */
export function database(): Promise<Database> {
  holder.tinWheelDatabase ??= start().catch((error: unknown) => {
    holder.tinWheelDatabase = undefined;
    throw error;
  });
  return holder.tinWheelDatabase;
}

async function start(): Promise<Database> {
  const opened = await openDatabase(databaseFile());
  await seedDemoTrains(opened, exampleFolder());
  return opened;
}
