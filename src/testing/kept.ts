import type { Train } from '@/core/train';
import type { Database } from '@/server/database';
import { checkDocument } from '@/server/heavy';
import { addTrain, findTrain, saveTrain, type KeptTrain, type Saved } from '@/server/trains/repository';

/** A train that must be kept and must read. */
export async function readable(database: Database, id: string): Promise<KeptTrain & { readonly train: Train }> {
  const found = await findTrain(database, id);
  if (!found || found.unreadable !== null) throw new Error(`${id}: ${found ? found.unreadable : 'not on the shelf'}`);
  return { ...found, train: JSON.parse(found.document) as Train };
}

/** Saves a value as a request would: checked first. */
export const save = (database: Database, id: string, version: number, value: unknown): Promise<Saved> =>
  saveTrain(database, id, version, checkDocument(value));

/** Adds a value as a request would: checked first. */
export const add = (database: Database, value: unknown, key?: string): Promise<Saved> =>
  addTrain(database, checkDocument(value), key);

/** Adds a value, and gives back under which id it stands on the shelf. */
export async function shelved(database: Database, value: unknown, key?: string): Promise<string> {
  const added = await add(database, value, key);
  if (added.outcome !== 'saved') throw new Error(added.outcome);
  return added.stored.id;
}
