/**
 * Who has a file open: prints one line for each process (its number and command), read from /proc where there is one.
 * Exit 0 when nobody has.
 */
import { readdirSync, readFileSync, readlinkSync, realpathSync } from 'node:fs';
import sqlite3 from 'sqlite3';

const [, , file] = process.argv;
const real = realpathSync(file);

const holders = [];
try {
  for (const pid of readdirSync('/proc').filter((name) => /^\d+$/.test(name) && name !== String(process.pid))) {
    try {
      const open = readdirSync(`/proc/${pid}/fd`).some((fd) => readlinkSync(`/proc/${pid}/fd/${fd}`) === real);
      if (open) holders.push(`${pid}: ${readFileSync(`/proc/${pid}/cmdline`, 'utf8').replaceAll('\0', ' ').trim()}`);
    } catch {
      // A process that ended meanwhile, or one that is not ours to look into.
    }
  }
} catch {
  // No /proc here: the lock below says it without a name.
}

/** A connection in write-ahead mode holds a lock as long as it is open; leaving that mode takes them all. */
const locked = await new Promise((done) => {
  const database = new sqlite3.Database(real, sqlite3.OPEN_READWRITE, (opened) => {
    if (opened) return done(false);
    database.configure('busyTimeout', 0);
    database.get('PRAGMA journal_mode = DELETE', (error) => database.close(() => done(error?.code === 'SQLITE_BUSY')));
  });
});

for (const holder of holders) console.log(holder);
if (locked && holders.length === 0) console.log('a process that cannot be named here');
process.exit(holders.length > 0 || locked ? 1 : 0);
