import { copyFileSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { demoTrain } from '@/testing/demo-train';
import { withFirstTeeth } from '@/testing/edited';
import { add, readable, save, shelved } from '@/testing/kept';
import { stopWorkers } from '../heavy';
import { firstRow, openDatabase, seedDemoTrains, type Database } from '../database';
import { findTrain, forgetDeleted, putBackTrain, removeTrain } from './repository';
import { listRevisions } from './revisions';
import { listShelf } from './shelf';

const DEMO = join(__dirname, '../../../demo');
let folder: string;
let database: Database;

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'tin-wheel-'));
  database = await openDatabase(join(folder, 'data', 'test.sqlite'));
});
afterAll(stopWorkers);
afterEach(async () => {
  await database.close();
  rmSync(folder, { recursive: true });
});

const addedRow = async () => (await database.trains.findByPk(await shelved(database, demoTrain('stirrer'))))!;

describe('the shelf in a real database file', () => {
  test('is seeded once: what is deleted stays deleted', async () => {
    await seedDemoTrains(database, DEMO);
    const { rows: seeded } = await listShelf(database);
    expect(seeded.map(({ name }) => name)).toContain('Sluice winch');
    await database.write(({ trains }) => trains.destroy({ where: {} }));
    await seedDemoTrains(database, DEMO);
    expect((await listShelf(database)).rows).toEqual([]);
  });

  test('a seed file that does not hold leaves nothing half written', async () => {
    const demo = join(folder, 'demo');
    mkdirSync(join(demo, 'trains'), { recursive: true });
    copyFileSync(join(DEMO, 'trains/sluice-winch.train.json'), join(demo, 'trains/good.train.json'));
    writeFileSync(join(demo, 'trains/bad.train.json'), '{"format": "tin-wheel/train"}');
    writeFileSync(join(demo, 'shelf.json'), '["good", "bad"]');
    await expect(seedDemoTrains(database, demo)).rejects.toThrow('demo/trains/bad.train.json: version');
    expect((await listShelf(database)).rows).toEqual([]);
  });

  test('keeps a save across closing and opening the file', async () => {
    await seedDemoTrains(database, DEMO);
    const { train, version } = await readable(database, 'sluice-winch');
    await save(database, 'sluice-winch', version, withFirstTeeth(train, 21));
    await database.close();
    database = await openDatabase(database.file);
    const kept = await readable(database, 'sluice-winch');
    expect(kept.version).toBe(version + 1);
    expect(kept.train.gears[0]!.teeth).toBe(21);
  });

  test('takes a train off the shelf and puts it back with its revisions', async () => {
    await seedDemoTrains(database, DEMO);
    const { train, version } = await readable(database, 'sluice-winch');
    await save(database, 'sluice-winch', version, withFirstTeeth(train, 21));
    expect(await removeTrain(database, 'sluice-winch', version)).toBe('stale');
    expect(await removeTrain(database, 'sluice-winch', version + 1)).toBe('removed');
    expect(await findTrain(database, 'sluice-winch')).toBeNull();
    expect((await listShelf(database)).rows.map(({ id }) => id)).not.toContain('sluice-winch');
    expect(await removeTrain(database, 'sluice-winch', version + 1)).toBe('missing');
    expect((await save(database, 'sluice-winch', version + 1, train)).outcome).toBe('missing');
    expect(await putBackTrain(database, 'sluice-winch')).toMatchObject({ unreadable: null });
    expect((await readable(database, 'sluice-winch')).train.gears[0]!.teeth).toBe(21);
    expect(await listRevisions(database, 'sluice-winch')).toHaveLength(2);
  });

  test('what was deleted a month ago is forgotten with its revisions, what was deleted today is not', async () => {
    await seedDemoTrains(database, DEMO);
    await removeTrain(database, 'sluice-winch', (await database.trains.findByPk('sluice-winch'))!.get().version);
    expect(await forgetDeleted(database, new Date())).toBe(0);
    const later = new Date(Date.now() + 31 * 86_400_000);
    expect(await forgetDeleted(database, later)).toBe(1);
    expect(await putBackTrain(database, 'sluice-winch')).toBeNull();
    expect(await listRevisions(database, 'sluice-winch')).toEqual([]);
    expect(await listRevisions(database, 'pan-rake')).toHaveLength(1);
  });

  test('the shelf says of every version what it is', async () => {
    await seedDemoTrains(database, DEMO);
    const rake = async () => (await listShelf(database)).rows.find(({ id }) => id === 'pan-rake')!;
    const before = await rake();
    expect(before).toMatchObject({ version: 1, positions: 7, spread: '64/13' });
    expect(await rake()).toEqual(before);
    const { train } = await readable(database, 'pan-rake');
    await save(database, 'pan-rake', 1, { ...train, positions: train.positions.slice(0, 2) });
    expect(await rake()).toMatchObject({ version: 2, positions: 2 });
    // Working out a summary is no change of the train.
    expect(await listRevisions(database, 'pan-rake')).toHaveLength(2);
  });

  test('the same key with another document is refused, an empty key is none, the deleted is made anew', async () => {
    const id = await shelved(database, demoTrain('stirrer'), 'key-9');
    expect((await add(database, demoTrain('crawler'), 'key-9')).outcome).toBe('other request');
    const two = [await shelved(database, demoTrain('stirrer'), ''), await shelved(database, demoTrain('crawler'), '')];
    expect(new Set([...two, id]).size).toBe(3);
    await removeTrain(database, id, 1);
    const again = await Promise.all([1, 2, 3].map(() => shelved(database, demoTrain('stirrer'), 'key-9')));
    expect(new Set(again).size).toBe(1);
    expect(again[0]).not.toBe(id);
    expect(await database.trains.count({ where: { id: again[0] } })).toBe(1);
    expect((await add(database, demoTrain('crawler'), 'key-9')).outcome).toBe('other request');
  });

  test('a request to add a train that is repeated with its key adds nothing', async () => {
    await seedDemoTrains(database, DEMO);
    const { train } = await readable(database, 'stirrer');
    const count = (await listShelf(database)).total;
    const answers = await Promise.all([1, 2, 3].map(() => add(database, train, 'one press')));
    const ids = answers.map((answer) => (answer.outcome === 'saved' ? answer.stored.id : answer.outcome));
    expect(new Set(ids).size).toBe(1);
    expect((await listShelf(database)).total).toBe(count + 1);
    await add(database, train, 'another press');
    await add(database, train);
    expect((await listShelf(database)).total).toBe(count + 3);
  });

  test('the list comes in pages that together are the whole', async () => {
    await seedDemoTrains(database, DEMO);
    const { rows, total } = await listShelf(database);
    const pages = await Promise.all([0, 5, 10, 15, 20].map((from) => listShelf(database, { from, count: 5 })));
    expect(pages.flatMap((page) => page.rows)).toEqual(rows);
    expect(new Set(pages.map((page) => page.total))).toEqual(new Set([total]));
  });

  test('a shelf of more trains than may wait for the workers is listed whole', async () => {
    const { document } = (await addedRow()).get();
    const rows = Array.from({ length: 520 }, (_, i) => firstRow(`many-${i}`, { name: `Many ${i}`, document }));
    await database.write(({ trains }) => trains.bulkCreate(rows));
    const { rows: listed } = await listShelf(database);
    expect(listed.filter((row) => 'unreadable' in row)).toEqual([]);
    expect(listed).toHaveLength(521);
  });

  test('reading does not wait for what is being written', async () => {
    await seedDemoTrains(database, DEMO);
    const order: string[] = [];
    const long = database
      .write(({ sql }) =>
        sql(
          'WITH RECURSIVE n (i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 3000000) SELECT count(*) FROM n',
        ),
      )
      .then(() => order.push('written'));
    await findTrain(database, 'sluice-winch').then(() => order.push('read'));
    await long;
    expect(order).toEqual(['read', 'written']);
  });

  test('of saves that started from one version exactly one is taken', async () => {
    await seedDemoTrains(database, DEMO);
    const { train, version } = await readable(database, 'sluice-winch');
    const results = await Promise.all(
      [20, 30, 40, 50].map((teeth) => save(database, 'sluice-winch', version, withFirstTeeth(train, teeth))),
    );
    expect(results.filter(({ outcome }) => outcome === 'saved')).toHaveLength(1);
    expect(results.filter(({ outcome }) => outcome === 'stale')).toHaveLength(3);
    const kept = await readable(database, 'sluice-winch');
    const won = results.find(({ outcome }) => outcome === 'saved');
    expect(won?.outcome === 'saved' && won.stored.document).toEqual(kept.document);
    expect(kept.version).toBe(version + 1);
  });

  test('a document that does not hold changes nothing, and a missing train is said', async () => {
    await seedDemoTrains(database, DEMO);
    const { train, version } = await readable(database, 'sluice-winch');
    const bad = { ...train, gears: train.gears.map((gear) => ({ ...gear, teeth: 0 })) };
    expect((await save(database, 'sluice-winch', version, bad)).outcome).toBe('refused');
    expect((await readable(database, 'sluice-winch')).version).toBe(version);
    expect((await save(database, 'nowhere', 1, train)).outcome).toBe('missing');
    expect((await add(database, null)).outcome).toBe('refused');
  });
});
