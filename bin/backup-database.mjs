/** Copies a SQLite database, with what its write-ahead log still holds, into a new file. */
import sqlite3 from 'sqlite3';

const [, , from, to] = process.argv;
const database = new sqlite3.Database(from);
database.run('VACUUM INTO ?', [to], (error) => {
  if (error) {
    console.error(`The database ${from} could not be copied: ${error.message}. Nothing was changed.`);
    process.exit(1);
  }
  database.close();
});
