import type { Database } from './connection';

/** Pages given back at a time, so that no save waits long behind a large clearing. */
const PAGES = 500;

/**
 * Gives the room that is free in the file back to the disk; the file itself is shorter after SQLite's next checkpoint.
 */
export async function shrink({ alone }: Database): Promise<void> {
  for (let free = await freePages(); free > 0;) {
    await alone(({ sql }) => sql(`PRAGMA incremental_vacuum(${PAGES})`));
    const left = await freePages();
    if (left >= free) return;
    free = left;
  }

  async function freePages(): Promise<number> {
    const [row] = await alone(({ sql }) => sql<{ freelist_count: number }>('PRAGMA freelist_count'));
    return row?.freelist_count ?? 0;
  }
}
