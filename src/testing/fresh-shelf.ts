import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openDatabase, seedDemoTrains, type Database } from '@/server/database';
import { stopWorkers } from '@/server/heavy';

/** Where the trains of the saltworks are. */
export const DEMO = join(__dirname, '../../demo');

/**
 * Gives every test of a file a real database file of its own with the demo trains on the shelf; `shelf()` is the one of
 * the test that runs.
 */
export function freshShelf(): () => Database {
  let folder: string;
  let database: Database;
  beforeEach(async () => {
    folder = mkdtempSync(join(tmpdir(), 'tin-wheel-'));
    database = await openDatabase(join(folder, 'test.sqlite'));
    await seedDemoTrains(database, DEMO);
  });
  afterEach(async () => {
    await database.close();
    rmSync(folder, { recursive: true });
  });
  afterAll(stopWorkers);
  return () => database;
}
