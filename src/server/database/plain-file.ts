import sqlite3 from 'sqlite3';

/** What SQLite keeps in a column. */
export type Value = string | number | Buffer | null;

/** Opens a SQLite file without the application's tables. */
export const open = (file: string, mode: number): Promise<sqlite3.Database> =>
  new Promise((done, fail) => {
    const database = new sqlite3.Database(file, mode, (error) => (error ? fail(error) : done(database)));
  });

export const run = (database: sqlite3.Database, statement: string, values: readonly Value[] = []): Promise<void> =>
  new Promise((done, fail) => database.run(statement, [...values], (error) => (error ? fail(error) : done())));

export const all = <Row>(
  database: sqlite3.Database,
  statement: string,
  values: readonly Value[] = [],
): Promise<Row[]> =>
  new Promise((done, fail) =>
    database.all<Row>(statement, [...values], (error, rows) => (error ? fail(error) : done(rows))),
  );

export const close = (database: sqlite3.Database): Promise<void> => new Promise((done) => database.close(() => done()));
