/** Why the database cannot be used, in one line that says what to do. Nothing was written to it. */
export class StartupError extends Error {
  override readonly name = 'StartupError';
}

const REASONS: Record<string, (file: string) => string> = {
  SQLITE_NOTADB: (file) =>
    `${file} is no database, or it is damaged. Put a copy in its place, or move it away to start with an empty shelf.`,
  SQLITE_CORRUPT: (file) =>
    `${file} is damaged. Put a copy in its place, or move it away to start with an empty shelf.`,
  SQLITE_CANTOPEN: (file) => `${file} cannot be opened. Check that its folder is there and may be written to.`,
  SQLITE_PERM: (file) => `${file} may not be opened by this user. Give it the right to read and write there.`,
  SQLITE_READONLY: (file) =>
    `${file} cannot be written to. Give this user the right to write there, and to its folder.`,
  SQLITE_IOERR: (file) => `${file} cannot be read from its disk. Check the disk, then start again.`,
  SQLITE_FULL: (file) => `There is no room on the disk of ${file}. Make some, then start again.`,
  SQLITE_BUSY: (file) => `${file} is held by another program. Wait for it or stop it; Tin Wheel goes on trying.`,
};

/** The code that SQLite gives for what went wrong; null when it was not SQLite. */
export function sqliteCode(error: unknown): string | null {
  const { original, parent, code } = error as { original?: unknown; parent?: unknown; code?: unknown };
  if (typeof code === 'string' && code.startsWith('SQLITE_')) return code;
  const inner = original ?? parent;
  return inner && inner !== error ? sqliteCode(inner) : null;
}

/** What SQLite says, as the reason why this file cannot be used; other errors as they are. */
export function startupError(error: unknown, file: string): unknown {
  const reason = REASONS[sqliteCode(error) ?? ''];
  return reason ? new StartupError(reason(file)) : error;
}
