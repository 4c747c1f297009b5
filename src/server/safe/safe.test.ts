import { copyFileSync, existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sqlite3 from 'sqlite3';
import { demoTrain } from '@/testing/demo-train';
import { withFirstTeeth } from '@/testing/edited';
import { add, save, shelved } from '@/testing/kept';
import { openDatabase } from '../database';
import { stopWorkers } from '../heavy';
import { all, close, open } from '../database/plain-file';
import { backup } from './backup';
import { restore } from './restore';

let folder: string;
const at = (name: string) => join(folder, name);

beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'tin-wheel-safe-'))));
afterEach(() => rmSync(folder, { recursive: true }));
afterAll(stopWorkers);

test('a copy taken while ten clients save is whole, and put back it is the shelf again', async () => {
  const database = await openDatabase(at('data.sqlite'));
  const winch = demoTrain('sluice-winch');
  const ids = await Promise.all(Array.from({ length: 10 }, () => shelved(database, winch)));
  let going = true;
  const clients = ids.map(async (id) => {
    for (let version = 1; going; version++)
      await save(database, id, version, withFirstTeeth(winch, 12 + (version % 40)));
  });
  await new Promise((done) => setTimeout(done, 300));
  await backup(at('data.sqlite'), at('copy.sqlite'));
  going = false;
  await Promise.all(clients);
  const last = new Map((await database.trains.findAll()).map((row) => [row.get().id, row.get().version]));
  await database.close();

  const aside = await restore(at('copy.sqlite'), at('data.sqlite'));
  expect(aside && existsSync(aside)).toBe(true);
  const again = await openDatabase(at('data.sqlite'));
  const rows = (await again.trains.findAll()).map((row) => row.get());
  expect(rows.map(({ id }) => id).sort()).toEqual([...ids].sort());
  let saved = 0;
  for (const { id, version, document } of rows) {
    saved += version - 1;
    expect(version).toBeLessThanOrEqual(last.get(id)!);
    // Every state up to the newest is there, and the newest is what stands on the shelf.
    const states = (await again.revisions.findAll({ where: { trainId: id }, order: [['version', 'ASC']] })).map((row) =>
      row.get(),
    );
    expect(states.map((one) => one.version)).toEqual(Array.from({ length: version }, (_, i) => i + 1));
    expect(states.at(-1)!.document).toBe(document);
  }
  expect(saved).toBeGreaterThan(0);
  await again.close();
});

test('a copy never takes the place of a file, and is whole or not there', async () => {
  const database = await openDatabase(at('data.sqlite'));
  await add(database, demoTrain('mud-tram'));
  writeFileSync(at('mine.sqlite'), 'mine');
  await expect(backup(at('data.sqlite'), at('mine.sqlite'))).rejects.toThrow('is there already');
  await expect(backup(at('none.sqlite'), at('copy.sqlite'))).rejects.toThrow('There is no database');
  await expect(backup(at('data.sqlite'), at('no/such/folder.sqlite'))).rejects.toThrow('could not be written');
  expect(readdirSync(folder).filter((name) => name.includes('copy') || name.includes('.part'))).toEqual([]);
  await database.close();
});

test('nothing is put back under a running server, nor anything that is no sound copy', async () => {
  const database = await openDatabase(at('data.sqlite'));
  await add(database, demoTrain('mud-tram'));
  await backup(at('data.sqlite'), at('copy.sqlite'));
  await expect(restore(at('copy.sqlite'), at('data.sqlite'))).rejects.toThrow('stop it first');
  expect(await database.trains.count()).toBe(1);
  await database.close();
  writeFileSync(at('rubbish.sqlite'), 'rubbish'.repeat(2000));
  await expect(restore(at('rubbish.sqlite'), at('data.sqlite'))).rejects.toThrow('is not a sound database');
  const other = await open(at('other.sqlite'), sqlite3.OPEN_READWRITE | sqlite3.OPEN_CREATE);
  await all(other, 'CREATE TABLE things (id INTEGER)');
  await close(other);
  await expect(restore(at('other.sqlite'), at('data.sqlite'))).rejects.toThrow('is not a database of Tin Wheel');
  await expect(restore(at('none.sqlite'), at('data.sqlite'))).rejects.toThrow('There is no file');
  const still = await openDatabase(at('data.sqlite'));
  expect(await still.trains.count()).toBe(1);
  await still.close();
});

test('a copy with a write-ahead log beside it, or of a newer version, is refused and nothing is touched', async () => {
  const database = await openDatabase(at('data.sqlite'));
  await add(database, demoTrain('mud-tram'));
  await backup(at('data.sqlite'), at('copy.sqlite'));
  copyFileSync(at('data.sqlite'), at('half.sqlite'));
  copyFileSync(at('data.sqlite-wal'), at('half.sqlite-wal'));
  await database.close();
  await expect(restore(at('half.sqlite'), at('data.sqlite'))).rejects.toThrow('write-ahead log');
  const newer = await open(at('copy.sqlite'), sqlite3.OPEN_READWRITE);
  await all(newer, "INSERT INTO migrations (name) VALUES ('999-later')");
  await close(newer);
  await expect(restore(at('copy.sqlite'), at('data.sqlite'))).rejects.toThrow('newer version');
  expect(readdirSync(folder).filter((name) => /restor/.test(name))).toEqual([]);
  const still = await openDatabase(at('data.sqlite'));
  expect(await still.trains.count()).toBe(1);
  await still.close();
});
