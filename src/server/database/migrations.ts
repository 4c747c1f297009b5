import { Transaction, type Sequelize } from 'sequelize';
import { Umzug, type RunnableMigration, type UmzugStorage } from 'umzug';

/** Runs one statement of a migration, in the transaction that all of them share. */
type Run = (sql: string) => Promise<unknown>;

interface Context {
  readonly run: Run;
  readonly hasColumn: (table: string, column: string) => Promise<boolean>;
}

const KEEP =
  'INSERT INTO revisions (train_id, version, document, saved_at) VALUES ' +
  '(new.id, new.version, new.document, new.updated_at);';

/**
 * Every change to the tables, oldest first. A landed migration is never edited in what it makes; the next one corrects
 * it. Each can be run again over what an interrupted start of an older version left half done.
 */
const MIGRATIONS: RunnableMigration<Context>[] = [
  {
    name: '001-trains',
    up: ({ context: { run } }) =>
      run(`CREATE TABLE IF NOT EXISTS trains (id VARCHAR(255) PRIMARY KEY, name VARCHAR(255) NOT NULL,
        document TEXT NOT NULL, version INTEGER NOT NULL,
        created_at DATETIME NOT NULL, updated_at DATETIME NOT NULL)`),
  },
  {
    name: '002-marks',
    up: ({ context: { run } }) =>
      run('CREATE TABLE IF NOT EXISTS marks (name VARCHAR(255) PRIMARY KEY, at DATETIME NOT NULL)'),
  },
  {
    name: '003-revisions',
    up: async ({ context }) => {
      await addColumn(context, 'trains', 'deleted_at', 'DATETIME');
      await context.run(`CREATE TABLE IF NOT EXISTS revisions (
        train_id VARCHAR(255) NOT NULL REFERENCES trains (id) ON DELETE CASCADE, version INTEGER NOT NULL,
        document TEXT NOT NULL, name VARCHAR(255), saved_at DATETIME NOT NULL, PRIMARY KEY (train_id, version))`);
      // The database itself keeps every saved state, in the same step as the save: none can be missed and none half
      // written.
      await context.run(`CREATE TRIGGER IF NOT EXISTS keep_first_state AFTER INSERT ON trains BEGIN ${KEEP} END`);
      await context.run(
        `CREATE TRIGGER IF NOT EXISTS keep_saved_state AFTER UPDATE OF version ON trains BEGIN ${KEEP} END`,
      );
      await context.run(
        'INSERT OR IGNORE INTO revisions (train_id, version, document, saved_at) ' +
          'SELECT id, version, document, updated_at FROM trains',
      );
    },
  },
  {
    name: '004-summaries',
    up: async ({ context }) => {
      await addColumn(context, 'trains', 'summary', 'TEXT');
      await addColumn(context, 'trains', 'summary_version', 'INTEGER');
    },
  },
  {
    name: '005-requests',
    // Requests that made a train, by the key their sender gave them: repeated, they are recognised.
    up: ({ context: { run } }) =>
      run(
        'CREATE TABLE IF NOT EXISTS requests (key VARCHAR(255) PRIMARY KEY, ' +
          'train_id VARCHAR(255) NOT NULL, at DATETIME NOT NULL)',
      ),
  },
  {
    name: '006-revisions-by-time',
    // Lists and thins the states of a train without reading their documents.
    up: ({ context: { run } }) =>
      run('CREATE INDEX IF NOT EXISTS revisions_by_time ON revisions (train_id, saved_at, version, name)'),
  },
  {
    name: '007-searches',
    // Searches for tooth counts, kept beside the train that they were made for.
    up: ({ context: { run } }) => run(besideTable('searches')),
  },
  {
    name: '008-scenarios',
    // Motors, loads and rules for shifting.
    up: ({ context: { run } }) => run(besideTable('scenarios')),
  },
  {
    name: '009-log',
    // What was read at the bench, and the pictures of it.
    up: async ({ context: { run } }) => {
      await run(besideTable('log_entries'));
      await run(`CREATE TABLE IF NOT EXISTS pictures (
        train_id VARCHAR(255) NOT NULL REFERENCES trains (id) ON DELETE CASCADE, id VARCHAR(255) NOT NULL,
        type VARCHAR(255) NOT NULL, bytes BLOB NOT NULL, saved_at DATETIME NOT NULL, PRIMARY KEY (train_id, id))`);
    },
  },
  {
    name: '010-practice',
    // Who practises here, what each has answered, and worksheets out of several trains.
    up: async ({ context: { run } }) => {
      await run(
        'CREATE TABLE IF NOT EXISTS people (id VARCHAR(255) PRIMARY KEY, name VARCHAR(255) ' +
          'NOT NULL UNIQUE COLLATE NOCASE, saved_at DATETIME NOT NULL)',
      );
      await run(`CREATE TABLE IF NOT EXISTS practice_answers (
        person_id VARCHAR(255) NOT NULL REFERENCES people (id) ON DELETE CASCADE, id VARCHAR(255) NOT NULL,
        document TEXT NOT NULL, saved_at DATETIME NOT NULL, PRIMARY KEY (person_id, id))`);
      await run(
        'CREATE TABLE IF NOT EXISTS worksheets (id VARCHAR(255) PRIMARY KEY, name VARCHAR(255) ' +
          'NOT NULL, document TEXT NOT NULL, saved_at DATETIME NOT NULL)',
      );
    },
  },
  {
    name: '011-request-content',
    // What a request brought, as a digest: another one under its key is not the same request. None of those from
    // before.
    up: ({ context }) => addColumn(context, 'requests', 'content', 'VARCHAR(64)'),
  },
  {
    name: '012-places',
    // Entries and answers in the order in which they were written, which times do not tell: many come at once, and
    // clocks are set.
    up: async ({ context }) => {
      if (!(await context.hasColumn('log_entries', 'kind')))
        await context.run('ALTER TABLE log_entries RENAME COLUMN name TO kind');
      for (const [table, owner] of [
        ['log_entries', 'train_id'],
        ['practice_answers', 'person_id'],
      ] as const) {
        await addColumn(context, table, 'place', 'INTEGER');
        // SQLite numbers the rows of a table as they come.
        await context.run(`UPDATE ${table} SET place = rowid WHERE place IS NULL`);
        await context.run(`CREATE INDEX IF NOT EXISTS ${table}_in_order ON ${table} (${owner}, place)`);
        await context.run(`CREATE TRIGGER IF NOT EXISTS ${table}_places AFTER INSERT ON ${table}
          WHEN new.place IS NULL BEGIN
          UPDATE ${table} SET place = (SELECT coalesce(max(place), 0) + 1 FROM ${table} WHERE ${owner} = new.${owner})
            WHERE rowid = new.rowid; END`);
      }
    },
  },
  {
    name: '013-restoring',
    // What a bundle that is coming in has brought so far; and what did not read and was put aside.
    up: async ({ context: { run } }) => {
      await run(`CREATE TABLE IF NOT EXISTS restoring (restore VARCHAR(64) NOT NULL, at DATETIME NOT NULL,
        kind VARCHAR(64) NOT NULL,
        owner VARCHAR(255) NOT NULL, id VARCHAR(255) NOT NULL, PRIMARY KEY (restore, kind, owner, id)) WITHOUT ROWID`);
      await run(`CREATE TABLE IF NOT EXISTS put_aside (kind VARCHAR(64) NOT NULL, owner VARCHAR(255) NOT NULL,
        id VARCHAR(255) NOT NULL,
        document TEXT NOT NULL, at DATETIME NOT NULL, PRIMARY KEY (kind, owner, id))`);
    },
  },
];

/** A table of documents beside trains, which go when their train goes. */
function besideTable(name: string): string {
  return `CREATE TABLE IF NOT EXISTS ${name} (
        train_id VARCHAR(255) NOT NULL REFERENCES trains (id) ON DELETE CASCADE, id VARCHAR(255) NOT NULL,
    name VARCHAR(255) NOT NULL, document TEXT NOT NULL, saved_at DATETIME NOT NULL, PRIMARY KEY (train_id, id))`;
}

/** The names of all migrations that this version knows. */
export const KNOWN_MIGRATIONS: readonly string[] = MIGRATIONS.map(({ name }) => name);

async function addColumn({ run, hasColumn }: Context, table: string, column: string, type: string): Promise<void> {
  if (!(await hasColumn(table, column))) await run(`ALTER TABLE ${table} ADD COLUMN ${column} ${type}`);
}

/**
 * Runs what has not been run on this file yet: all of it, or nothing. Only one server does; another waits and finds it
 * done.
 */
export async function migrate(sequelize: Sequelize): Promise<void> {
  await sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, async (transaction) => {
    const rows = async (sql: string) => (await sequelize.query(sql, { transaction }))[0] as { name: string }[];
    const run: Run = (sql) => sequelize.query(sql, { transaction });
    const context: Context = {
      run,
      hasColumn: async (table, column) =>
        (await rows(`PRAGMA table_info(${table})`)).some(({ name }) => name === column),
    };
    await run('CREATE TABLE IF NOT EXISTS migrations (name VARCHAR(255) NOT NULL PRIMARY KEY)');
    const storage: UmzugStorage<Context> = {
      executed: async () => (await rows('SELECT name FROM migrations ORDER BY name')).map(({ name }) => name),
      logMigration: async ({ name }) =>
        void (await sequelize.query('INSERT INTO migrations (name) VALUES (?)', { replacements: [name], transaction })),
      unlogMigration: async ({ name }) =>
        void (await sequelize.query('DELETE FROM migrations WHERE name = ?', { replacements: [name], transaction })),
    };
    await new Umzug({ migrations: MIGRATIONS, context, storage, logger: undefined }).up();
  });
}
