import { runs } from '@/testing/runs';
import { buildSync } from 'esbuild';
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sqlite3 from 'sqlite3';
import { stopWorkers } from '../heavy';
import { listShelf } from '../trains/shelf';
import { addToLog, listLog } from '../trains/log';
import { listRevisions } from '../trains/revisions';
import { openDatabase, seedDemoTrains, StartupError } from '.';

const ROOT = join(__dirname, '../../..');
const DEMO = join(ROOT, 'demo');
let folder: string;
let file: string;

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'tin-wheel-'));
  file = join(folder, 'test.sqlite');
});
afterEach(() => rmSync(folder, { recursive: true }));
afterAll(stopWorkers);

/** Runs statements on the file with nothing of the application between. */
function plainly(...statements: string[]): Promise<void> {
  return new Promise((done, fail) => {
    const database = new sqlite3.Database(file, (opened) => {
      if (opened) return fail(opened);
      database.exec(statements.join(';'), (error) => database.close(() => (error ? fail(error) : done())));
    });
  });
}

/** What has to hold of any start: all demo trains, each with its first state. */
async function expectWhole(): Promise<void> {
  const database = await openDatabase(file);
  await seedDemoTrains(database, DEMO);
  const { rows } = await listShelf(database);
  expect(rows).toHaveLength(JSON.parse(readFileSync(join(DEMO, 'shelf.json'), 'utf8')).length);
  expect(rows.every((row) => !('unreadable' in row))).toBe(true);
  for (const { id } of rows) expect(await listRevisions(database, id)).toHaveLength(1);
  await database.close();
}

const refusal = async (): Promise<StartupError> => {
  const error: unknown = await openDatabase(file).then(
    () => null,
    (reason: unknown) => reason,
  );
  expect(error).toBeInstanceOf(StartupError);
  return error as StartupError;
};

describe('a file that cannot be used is said in one line, and nothing is written to it', () => {
  test.each<[string, () => Promise<void> | void, RegExp]>([
    [
      'made by a newer version',
      async () =>
        plainly(
          'CREATE TABLE migrations (name VARCHAR(255) PRIMARY KEY)',
          "INSERT INTO migrations VALUES ('001-trains'), ('099-later')",
        ),
      /newer version of Tin Wheel \(it has 099-later\)\. Start that version/,
    ],
    [
      'no database',
      () =>
        writeFileSync(file, 'a shopping list, long enough to be looked at as a header of a database file'.repeat(20)),
      /is no database, or it is damaged\. Put a copy in its place/,
    ],
    [
      'cut off',
      async () => {
        const database = await openDatabase(file);
        await seedDemoTrains(database, DEMO);
        await database.alone(({ sql }) => sql('PRAGMA wal_checkpoint(TRUNCATE)'));
        await database.close();
        const whole = readFileSync(file);
        writeFileSync(file, Buffer.concat([whole.subarray(0, 100), Buffer.alloc(whole.length - 100, 7)]));
      },
      /damaged/,
    ],
    ['a folder', () => void mkdirSync(file), /cannot be opened|cannot be read/],
  ])('%s', async (_, make, says) => {
    await make();
    // SQLite's own side files may come with looking at a file; they hold nothing.
    const files = () => readdirSync(folder).filter((name) => !/-(wal|shm)$/.test(name));
    const before = files();
    const bytes = () => {
      try {
        return readFileSync(file).toString('base64');
      } catch {
        return null;
      }
    };
    const was = bytes();
    const { message } = await refusal();
    expect(message).toMatch(says);
    expect(message).not.toContain('\n');
    expect(bytes()).toBe(was);
    expect(files()).toEqual(before);
  });

  test('in a folder that cannot be made', async () => {
    writeFileSync(file, '');
    file = join(file, 'below', 'test.sqlite');
    expect((await refusal()).message).toMatch(/cannot be made .*Name another place in TINWHEEL_DB/);
  });
});

/** A file as a version long ago left it, with one train. */
const OLD = [
  'CREATE TABLE migrations (name VARCHAR(255) NOT NULL PRIMARY KEY)',
  "INSERT INTO migrations VALUES ('001-trains'), ('002-marks')",
  'CREATE TABLE trains (id VARCHAR(255) PRIMARY KEY, name VARCHAR(255) NOT NULL, document TEXT NOT NULL, ' +
    'version INTEGER NOT NULL, created_at DATETIME NOT NULL, updated_at DATETIME NOT NULL)',
  'CREATE TABLE marks (name VARCHAR(255) PRIMARY KEY, at DATETIME NOT NULL)',
  `INSERT INTO trains VALUES ('stirrer', 'Stirrer', ` +
    `'${readFileSync(join(DEMO, 'trains/stirrer.train.json'), 'utf8').replaceAll("'", "''")}', 4, '2026-01-01 ` +
    `00:00:00.000 +00:00', '2026-01-02 00:00:00.000 +00:00')`,
];

describe('upgrades', () => {
  test('keep what is there, and a copy from before; the five newest copies stay', async () => {
    for (let i = 0; i < 6; i++)
      writeFileSync(join(folder, `test-before-000-old-2025010${i}-000000.sqlite`), 'an older copy');
    await plainly(...OLD);
    const database = await openDatabase(file);
    expect((await listShelf(database)).rows).toMatchObject([{ id: 'stirrer', version: 4, positions: 2 }]);
    expect(await listRevisions(database, 'stirrer')).toMatchObject([{ version: 4 }]);
    await database.close();
    const copies = readdirSync(folder).filter((name) => name.includes('-before-'));
    expect(copies).toHaveLength(5);
    const [copy] = copies.filter((name) => name.startsWith('test-before-003-revisions-'));
    file = join(folder, copy!);
    await plainly('SELECT document FROM trains');
    expect(
      await openDatabase(file).then(async (opened) => {
        const { rows } = await listShelf(opened);
        await opened.close();
        return rows;
      }),
    ).toHaveLength(1);
  });

  test('number the entries of logs that were ordered by invented times, as they were written', async () => {
    await (await openDatabase(file)).close();
    const entry = (id: string, at: string) =>
      'INSERT INTO log_entries (train_id, id, name, document, saved_at) ' +
      `VALUES ('t', '${id}', 'reading', '{}', '${at}')`;
    await plainly(
      ...['log_entries', 'practice_answers'].flatMap((table) => [
        `DROP TRIGGER ${table}_places`,
        `DROP INDEX ${table}_in_order`,
        `ALTER TABLE ${table} DROP COLUMN place`,
      ]),
      'ALTER TABLE log_entries RENAME COLUMN kind TO name',
      "DELETE FROM migrations WHERE name = '012-places'",
      "INSERT INTO trains (id, name, document, version, created_at, updated_at) VALUES ('t', 't', '{}', 1, 'x', 'x')",
      entry('z', '2026-01-01 00:00:00.001 +00:00'),
      entry('b', '2026-01-01 00:00:00.900 +00:00'),
      entry('a', '2026-01-01 00:00:00.500 +00:00'),
    );
    const database = await openDatabase(file);
    await addToLog(database, 't', [{ id: 'c', kind: 'run', document: '{}' }]);
    const log = await listLog(database, 't');
    expect(log.map(({ id, kind }) => [id, kind])).toEqual([
      ['z', 'reading'],
      ['b', 'reading'],
      ['a', 'reading'],
      ['c', 'run'],
    ]);
    await database.close();
  });

  test('go on from what a start that was killed half way left behind', async () => {
    await plainly(
      ...OLD,
      'ALTER TABLE trains ADD COLUMN deleted_at DATETIME',
      'CREATE TABLE revisions (train_id VARCHAR(255) NOT NULL REFERENCES trains (id) ON DELETE ' +
        'CASCADE, version INTEGER NOT NULL, document TEXT NOT NULL, name VARCHAR(255), saved_at ' +
        'DATETIME NOT NULL, PRIMARY KEY (train_id, version))',
    );
    const database = await openDatabase(file);
    expect(await listRevisions(database, 'stirrer')).toMatchObject([{ version: 4 }]);
    await database.close();
  });
});

test('two servers that start at once on one file: one seeds, both work', async () => {
  const both = await Promise.all([openDatabase(file), openDatabase(file)]);
  await Promise.all(both.map((database) => seedDemoTrains(database, DEMO)));
  const [first, second] = await Promise.all(both.map((database) => listShelf(database)));
  expect(first).toEqual(second);
  await Promise.all(both.map(({ close }) => close()));
  await expectWhole();
});

/** Starts as a program of its own, which may be killed some way through; tells how long it ran. */
function starter(): (killAfter: number | null) => Promise<number> {
  const program = join(folder, 'start.cjs');
  const external = ['sqlite3', 'sequelize', 'umzug'];
  buildSync({
    entryPoints: [join(ROOT, 'src/testing/start-database.ts')],
    bundle: true,
    platform: 'node',
    outfile: program,
    alias: { '@': join(ROOT, 'src') },
    external,
    logLevel: 'error',
  });
  return (killAfter) =>
    new Promise((done) => {
      const began = Date.now();
      const child = spawn(process.execPath, [program, file, DEMO], {
        stdio: 'ignore',
        env: { ...process.env, NODE_PATH: join(ROOT, 'node_modules') },
      });
      const timer = killAfter === null ? undefined : setTimeout(() => child.kill('SIGKILL'), killAfter);
      child.on('exit', () => {
        clearTimeout(timer);
        done(Date.now() - began);
      });
    });
}

const clear = () => ['', '-wal', '-shm'].forEach((suffix) => rmSync(file + suffix, { force: true }));
// Eighteen of each in `npm run check:random`, forty with people saving in `npm run check:kills`.
const KILLS = runs(18);

test('kills during a first start leave a database that starts', async () => {
  const start = starter();
  // How long an undisturbed start takes here says when to kill: all the way through it.
  const whole = await start(null);
  for (let i = 0; i < KILLS; i++) {
    if (i % 3 === 0) clear();
    await start(Math.round((whole * (i + 1)) / (KILLS + 1)));
  }
  await expectWhole();
}, 120_000);

test('kills during an upgrade lose nothing and leave a database that starts', async () => {
  const start = starter();
  await plainly(...OLD);
  const whole = await start(null);
  for (let i = 0; i < KILLS; i++) {
    if (i % 3 === 0) {
      clear();
      await plainly(...OLD);
    }
    await start(Math.round((whole * (i + 1)) / (KILLS + 1)));
    const database = await openDatabase(file);
    expect((await listShelf(database)).rows.find(({ id }) => id === 'stirrer')).toMatchObject({
      version: 4,
      positions: 2,
    });
    expect(await listRevisions(database, 'stirrer')).toMatchObject([{ version: 4 }]);
    await database.close();
  }
}, 120_000);
