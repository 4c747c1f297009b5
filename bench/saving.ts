import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sqlite3 from 'sqlite3';
import { BASE, median, withApplication } from './application';

const CLIENTS = 20;
const SAVES = 30;
/** The Bench saves this long after the last change, so nobody saves more often. */
const PAUSE_MS = 400;
const SHELF = 500;
const OFTEN = 5_000;

interface Kept {
  readonly id: string;
  readonly version: number;
  readonly train: { name: string; gears: { teeth: number }[] };
}

const send = async (address: string, method: string, body: unknown): Promise<Kept> => {
  const response = await fetch(BASE + address, {
    method,
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  if (!response.ok) throw new Error(`${method} ${address}: ${response.status}`);
  return (await response.json()) as Kept;
};

const p99 = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[Math.floor(values.length * 0.99)]!;

/** What the disk and SQLite take by themselves for one save: a row, committed to the disk. */
async function bareInserts(text: string, count: number): Promise<number[]> {
  const folder = mkdtempSync(join(tmpdir(), 'tin-wheel-bare-'));
  const database = await new Promise<sqlite3.Database>((done, fail) => {
    const opened: sqlite3.Database = new sqlite3.Database(join(folder, 'bare.sqlite'), (error) =>
      error ? fail(error) : done(opened),
    );
  });
  const run = (sql: string, values: unknown[] = []) =>
    new Promise<void>((done, fail) => database.run(sql, values, (error) => (error ? fail(error) : done())));
  await run('PRAGMA journal_mode = WAL');
  await run('PRAGMA synchronous = FULL');
  await run('CREATE TABLE kept (id INTEGER PRIMARY KEY, document TEXT NOT NULL)');
  const times: number[] = [];
  for (let i = 0; i < count; i++) {
    const start = performance.now();
    await run('INSERT INTO kept (document) VALUES (?)', [text]);
    times.push(performance.now() - start);
  }
  await new Promise<void>((done) => database.close(() => done()));
  rmSync(folder, { recursive: true });
  return times;
}

/** One train saved again and again, as fast as it is acknowledged: the last saves take no longer than the first. */
async function saveOften(document: Kept['train']): Promise<void> {
  const { id } = await send('/api/trains', 'POST', { ...document, name: 'Saved often' });
  const times: number[] = [];
  for (let version = 1; version <= OFTEN; version++) {
    const train = {
      ...document,
      gears: document.gears.map((gear, i) => (i === 0 ? { ...gear, teeth: 10 + (version % 50) } : gear)),
    };
    const start = performance.now();
    await send(`/api/trains/${id}`, 'PUT', { version, train });
    times.push(performance.now() - start);
  }
  const [first, last] = [times.slice(100, 1_100), times.slice(-1_000)];
  console.log(
    `${OFTEN} saves of one train: median of the first thousand ${median(first).toFixed(1)} ` +
      `ms, of the last ${median(last).toFixed(1)} ms ` +
      `(${(median(last) / median(first)).toFixed(2)} of it), p99 ${p99(times).toFixed(1)} ms`,
  );
}

/** Twenty people saving different trains at once, none lost; then a long shelf, from the click to what is seen. */
export const benchSaving = (): Promise<void> =>
  withApplication(async (browser) => {
    console.log('\n== saving and the shelf, production build');
    const text = readFileSync('demo/trains/harvester.train.json', 'utf8');
    const document = JSON.parse(text) as Kept['train'];
    const bare = await bareInserts(text, 200);
    console.log(
      `a bare insert of the same ${(text.length / 1000).toFixed(1)} kB, in write-ahead mode with full ` +
        `synchronisation: median ${median(bare).toFixed(1)} ms, p99 ${p99(bare).toFixed(1)} ms`,
    );
    const kept = await Promise.all(
      Array.from({ length: CLIENTS }, (_, i) => send('/api/trains', 'POST', { ...document, name: `Harvester ${i}` })),
    );
    const times: number[] = [];
    await Promise.all(
      kept.map(async ({ id }, client) => {
        await new Promise((done) => setTimeout(done, (PAUSE_MS * client) / CLIENTS));
        for (let save = 1; save <= SAVES; save++) {
          const train = {
            ...document,
            gears: document.gears.map((gear, i) => (i === 0 ? { ...gear, teeth: 10 + save } : gear)),
          };
          const start = performance.now();
          await send(`/api/trains/${id}`, 'PUT', { version: save, train });
          times.push(performance.now() - start);
          await new Promise((done) => setTimeout(done, PAUSE_MS));
        }
      }),
    );
    const ends = await Promise.all(
      kept.map(async ({ id }) => (await (await fetch(`${BASE}/api/trains/${id}`)).json()) as Kept),
    );
    const lost = ends.filter(
      ({ version, train }) => version !== SAVES + 1 || train.gears[0]!.teeth !== 10 + SAVES,
    ).length;
    console.log(
      `${CLIENTS} clients, ${SAVES} saves each: median acknowledgement ${median(times).toFixed(1)} ms ` +
        `(limit 40; ${(median(times) / median(bare)).toFixed(1)} bare inserts), p99 ${p99(times).toFixed(1)} ` +
        `ms (limit 150; ${(p99(times) / p99(bare)).toFixed(1)} bare inserts), worst ` +
        `${Math.max(...times).toFixed(1)} ms; trains with a save lost: ${lost} (limit 0)`,
    );
    await saveOften(document);

    const rake = JSON.parse(readFileSync('demo/trains/pan-rake.train.json', 'utf8')) as Kept['train'];
    for (let i = 0; i < SHELF; i++) await send('/api/trains', 'POST', { ...rake, name: `Rake ${i}` });
    for (const visit of ['first of this server', 'next', 'third']) {
      // A browser of its own each time: nothing is in its cache.
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
      await context.addCookies([{ name: 'visited', value: 'yes', url: BASE }]);
      const page = await context.newPage();
      const start = performance.now();
      await page.goto(BASE);
      await page.getByText(`Rake ${SHELF - 1}`, { exact: true }).waitFor();
      console.log(
        `Shelf of ${SHELF + CLIENTS + 10} trains, ${visit} visit, until listed: ` +
          `${(performance.now() - start).toFixed(0)} ms (limit 1000)`,
      );
      await context.close();
    }
  });
