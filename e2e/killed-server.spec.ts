import { readFileSync, rmSync } from 'node:fs';
import sqlite3 from 'sqlite3';
import { expect, test } from './journey';
import { OwnServer } from './own-server';

const FILE = 'test-results/killed/data.sqlite';
const server = new OwnServer(3219, FILE);
const BASE = server.address;
/** `npm run check:kills` has forty. */
const ROUNDS = 4;
const TRAINS = 3;

interface Kept {
  readonly id: string;
  readonly version: number;
  readonly train: { name: string; gears: { teeth: number }[] };
}

const read = async (id: string): Promise<Kept> => (await (await fetch(`${BASE}/api/trains/${id}`)).json()) as Kept;

const send = (address: string, method: string, body: unknown): Promise<Response> =>
  fetch(BASE + address, { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });

/** What SQLite itself says of the file. */
const integrity = (): Promise<string> =>
  new Promise((done, fail) => {
    const database = new sqlite3.Database(FILE, sqlite3.OPEN_READONLY, (error) => {
      if (error) return fail(error);
      database.get('PRAGMA integrity_check', (failed: Error | null, row: { integrity_check: string }) =>
        database.close(() => (failed ? fail(failed) : done(row.integrity_check))),
      );
    });
  });

test('a server that is killed in a burst of saves, four times, loses and breaks nothing acknowledged', async () => {
  test.setTimeout(300_000);
  rmSync('test-results/killed', { recursive: true, force: true });
  const document = JSON.parse(readFileSync('demo/trains/pan-rake.train.json', 'utf8')) as Kept['train'];
  server.start();
  try {
    await server.answers();
    const ids = await Promise.all(
      Array.from(
        { length: TRAINS },
        async (_, i) =>
          ((await (await send('/api/trains', 'POST', { ...document, name: `Rake ${i}` })).json()) as Kept).id,
      ),
    );
    let acknowledged = 0;
    for (let round = 0; round < ROUNDS; round++) {
      // Every save writes its version into a tooth count, so that a state says which save it is.
      const last = new Map<string, number>();
      const burst = async ({ id, version, train }: Kept) => {
        for (;;) {
          train = { ...train, gears: train.gears.map((gear, i) => (i === 0 ? { ...gear, teeth: version + 1 } : gear)) };
          const response = await send(`/api/trains/${id}`, 'PUT', { version, train }).catch(() => null);
          const saved = response?.ok ? await response.json().catch(() => null) : null;
          if (!saved) return;
          version = (saved as Kept).version;
          last.set(id, version);
          acknowledged++;
        }
      };
      const bursts = (await Promise.all(ids.map(read))).map(burst);
      // However slow the machine is, something is acknowledged before the end comes, in the midst of what follows.
      await expect.poll(() => last.size, { intervals: [10] }).toBeGreaterThan(0);
      await new Promise((done) => setTimeout(done, 90 * round));
      await server.end();
      await Promise.all(bursts);

      expect(await integrity()).toBe('ok');
      server.start();
      await server.answers();
      for (const id of ids) {
        const { version, train } = await read(id);
        const least = last.get(id) ?? version;
        // The save under way when the server died may have been taken too; nothing that was acknowledged may be
        // missing.
        expect(version - least).toBeGreaterThanOrEqual(0);
        expect(version - least).toBeLessThanOrEqual(1);
        if (version > 1) expect(train.gears[0]!.teeth).toBe(version);
        const { revisions } = (await (await fetch(`${BASE}/api/trains/${id}/revisions`)).json()) as {
          revisions: { version: number }[];
        };
        expect(revisions[0]!.version).toBe(version);
      }
    }
    expect(acknowledged).toBeGreaterThanOrEqual(ROUNDS);
  } finally {
    await server.end();
  }
});
