import { sqlTime, type Tables } from './database';

/** The tables whose rows are put aside where they do not read, by whose they are. */
const OWNERS = {
  log_entries: 'train_id',
  practice_answers: 'person_id',
  searches: 'train_id',
  scenarios: 'train_id',
} as const;
type Kind = keyof typeof OWNERS;

/** Puts rows aside, as many as there are in two statements: they are kept, and had as they are, but listed no more. */
export async function putAside({ sql }: Tables, kind: Kind, owner: string, ids: readonly string[]): Promise<void> {
  const its = `FROM ${kind} WHERE ${OWNERS[kind]} = ? AND id IN (SELECT value FROM json_each(?))`;
  const all = JSON.stringify(ids);
  await sql(`INSERT OR REPLACE INTO put_aside (kind, owner, id, document, at) SELECT ?, ?, id, document, ? ${its}`, [
    kind,
    owner,
    sqlTime(new Date()),
    owner,
    all,
  ]);
  await sql(`DELETE ${its}`, [owner, all]);
}

/** The text of a row that was put aside; null where there is none. */
export async function findAside(
  { sql }: Pick<Tables, 'sql'>,
  kind: Kind,
  owner: string,
  id: string,
): Promise<string | null> {
  const [row] = await sql<{ document: unknown }>(
    'SELECT document FROM put_aside WHERE kind = ? AND owner = ? AND id = ?',
    [kind, owner, id],
  );
  return row ? String(row.document) : null;
}
