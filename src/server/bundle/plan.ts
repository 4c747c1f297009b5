import sqlite3 from 'sqlite3';
import { all, close, open } from '../database/plain-file';
import type { Staged } from './stage';

/** What a bundle would bring, and what stands in its place. */
export interface Plan extends Omit<Staged, 'trains'> {
  readonly trains: readonly (Staged['trains'][number] & { readonly there: There | null })[];
}

/** The train that stands where one of the bundle would. */
export interface There {
  readonly name: string;
  /** Its document is the same, and its log has all that the bundle has. */
  readonly same: boolean;
  /** It was taken off the shelf, and can still be put back. */
  readonly inBin: boolean;
  /** Entries of the bundle's log that are not in its log yet. */
  readonly newEntries: number;
}

/** Shows what will come before anything does. @param database the file of the database */
export async function planRestore(database: string, staged: Staged, stagingFile: string): Promise<Plan> {
  const connection = await open(database, sqlite3.OPEN_READONLY);
  try {
    await all(connection, 'PRAGMA busy_timeout = 5000');
    await all(connection, 'ATTACH ? AS staged', [stagingFile]);
    const found = await all<{ id: string; name: string; same: number; in_bin: number; new_entries: number }>(
      connection,
      `SELECT here.id, here.name, here.document = coming.document AS same, here.deleted_at IS NOT NULL AS in_bin,
        (SELECT count(*) FROM staged.log_entries AS entry WHERE entry.train_id = here.id
          AND NOT EXISTS (SELECT 1 FROM main.log_entries AS own WHERE own.train_id = here.id
            AND own.id = entry.id)) AS new_entries
        FROM staged.trains AS coming JOIN main.trains AS here ON here.id = coming.id
        WHERE NOT EXISTS (SELECT 1 FROM main.restoring WHERE kind = 'trains' AND owner = here.id)`,
    );
    const there = new Map(found.map((row) => [row.id, row]));
    const standing = (id: string): There | null => {
      const row = there.get(id);
      if (!row) return null;
      const { name, new_entries: newEntries } = row;
      return { name, same: row.same === 1 && newEntries === 0, inBin: row.in_bin === 1, newEntries };
    };
    return { ...staged, trains: staged.trains.map((train) => ({ ...train, there: standing(train.id) })) };
  } finally {
    await close(connection);
  }
}
