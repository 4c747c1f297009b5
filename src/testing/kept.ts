import type { Database } from '@/server/database';
import { findTrain, isReadable, type StoredTrain } from '@/server/trains/repository';

/** A train that must be kept and must read. */
export async function readable(database: Database, id: string): Promise<StoredTrain> {
  const found = await findTrain(database, id);
  if (!found || !isReadable(found)) throw new Error(`${id}: ${found ? found.unreadable : 'not on the shelf'}`);
  return found;
}
