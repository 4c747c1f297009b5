import sqlite3 from 'sqlite3';
import { close, open, run, type Value } from '../database/plain-file';

/** A row that is to come into a table of the database, as its columns have it. */
export type StagedRow = Readonly<Record<string, Value>>;

/**
 * The tables that a bundle brings rows for. Of what goes with a train or a person the first column says whose it is.
 */
export const COLUMNS = {
  trains: ['id', 'name', 'document', 'version', 'created_at', 'updated_at', 'copy_name', 'copy_document'],
  revisions: ['train_id', 'version', 'document', 'name', 'saved_at'],
  searches: ['train_id', 'id', 'name', 'document', 'saved_at'],
  scenarios: ['train_id', 'id', 'name', 'document', 'saved_at'],
  log_entries: ['train_id', 'id', 'kind', 'document', 'saved_at'],
  pictures: ['train_id', 'id', 'type', 'bytes', 'saved_at'],
  worksheets: ['id', 'name', 'document', 'saved_at'],
  people: ['id', 'name', 'saved_at'],
  practice_answers: ['person_id', 'id', 'document', 'saved_at'],
} as const satisfies Record<string, readonly string[]>;

export type StagedTable = keyof typeof COLUMNS;

/** Rows that go into the database in one transaction: more would keep those waiting who save meanwhile. */
const PART = { bytes: 2_000_000, rows: 500 };
/** Rows in one statement. */
const TOGETHER = 50;

/**
 * What a bundle brings, checked and on the disk as a SQLite file of its own: from there it goes into the database
 * without passing through the server's memory. Each row has the number of the part that it goes in with; the table
 * `parts` says what each is about.
 */
export class StagingFile {
  private part = 0;
  private left = { bytes: 0, rows: 0 };
  private filling = '';
  private waiting: { readonly table: StagedTable; readonly rows: Value[][] } | null = null;

  private constructor(private readonly database: sqlite3.Database) {}

  static async create(path: string): Promise<StagingFile> {
    const database = await open(path, sqlite3.OPEN_READWRITE | sqlite3.OPEN_CREATE);
    // It is read once, and thrown away with a crash.
    for (const pragma of ['journal_mode = OFF', 'synchronous = OFF', 'locking_mode = EXCLUSIVE'])
      await run(database, `PRAGMA ${pragma}`);
    for (const [table, columns] of Object.entries(COLUMNS))
      await run(database, `CREATE TABLE ${table} (part INTEGER NOT NULL, ${columns.join(', ')})`);
    await run(database, 'CREATE TABLE parts (part INTEGER PRIMARY KEY, kind TEXT NOT NULL, owner TEXT NOT NULL)');
    await run(database, 'BEGIN');
    return new StagingFile(database);
  }

  async add(table: StagedTable, owner: string, row: StagedRow): Promise<void> {
    const values = COLUMNS[table].map((column) => row[column] ?? null);
    await this.count(table, owner, values);
    if (this.waiting && (this.waiting.table !== table || this.waiting.rows.length >= TOGETHER)) await this.flush();
    this.waiting ??= { table, rows: [] };
    this.waiting.rows.push([this.part, ...values]);
  }

  /** Everything is there: it can be read now. */
  async finish(): Promise<void> {
    await this.flush();
    for (const table of Object.keys(COLUMNS)) await run(this.database, `CREATE INDEX ${table}_part ON ${table} (part)`);
    await run(this.database, 'COMMIT');
    await close(this.database);
  }

  async giveUp(): Promise<void> {
    await close(this.database);
  }

  /** Begins a part where this one is full, or is about something else. */
  private async count(table: StagedTable, owner: string, values: readonly Value[]): Promise<void> {
    const size = values.reduce<number>((sum, value) => sum + (typeof value === 'number' ? 8 : (value?.length ?? 0)), 0);
    const about = `${table} ${owner}`;
    if (this.filling !== about || this.left.rows === 0 || this.left.bytes < size) {
      this.part++;
      this.filling = about;
      this.left = { ...PART };
      await run(this.database, 'INSERT INTO parts (part, kind, owner) VALUES (?, ?, ?)', [this.part, table, owner]);
    }
    this.left = { bytes: this.left.bytes - size, rows: this.left.rows - 1 };
  }

  private async flush(): Promise<void> {
    if (!this.waiting) return;
    const { table, rows } = this.waiting;
    this.waiting = null;
    const marks = `(${['part', ...COLUMNS[table]].map(() => '?').join(', ')})`;
    await run(
      this.database,
      `INSERT INTO ${table} (part, ${COLUMNS[table].join(', ')}) VALUES ${rows.map(() => marks).join(', ')}`,
      rows.flat(),
    );
  }
}
