import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import { brought, bundled, planned } from '@/testing/bundled';
import { demoTrain } from '@/testing/demo-train';
import { shelved } from '@/testing/kept';
import { openDatabase, type Database } from '../database';
import { stopWorkers } from '../heavy';
import { addAnswers, addPerson, listPeople } from '../practice/people';
import { addToLog, listLog } from '../trains/log';
import { findDocument } from '../trains/repository';
import { listShelf } from '../trains/shelf';
import { writeBundle } from './gather';
import { BUNDLE_LIMITS } from './limits';

let folder: string;
let here: Database;
let there: Database;

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'tin-wheel-as-they-are-'));
  [here, there] = [await openDatabase(join(folder, 'here.sqlite')), await openDatabase(join(folder, 'there.sqlite'))];
});
afterEach(async () => {
  await Promise.all([here.close(), there.close()]);
  rmSync(folder, { recursive: true });
});
afterAll(stopWorkers);

const damage = (statement: string, ...values: unknown[]) => here.write(({ sql }) => sql(statement, values));

const entry = (id: string, note = '') => ({
  id,
  kind: 'reading' as const,
  document: JSON.stringify({ id, kind: 'turns', position: 'wind', member: 'drum', turns: 2, inputTurns: 24, note }),
});

/** The rows of a table without what each database numbers for itself. */
const rowsOf = (database: Database, columns: string, table: string) =>
  database.sql(`SELECT ${columns} FROM ${table} ORDER BY 1, 2`);

const TABLES = [
  ['id, name, document, version, updated_at', 'trains'],
  ['train_id, version, document, name, saved_at', 'revisions'],
  ['train_id, id, name, document, saved_at', 'searches'],
  ['train_id, id, name, document, saved_at', 'scenarios'],
  ['train_id, id, kind, document, saved_at', 'log_entries'],
  ['train_id, id, type, bytes, saved_at', 'pictures'],
  ['id, name, saved_at', 'people'],
  ['person_id, id, document, saved_at', 'practice_answers'],
  ['id, name, document, saved_at', 'worksheets'],
] as const;

test('what does not read is taken along as it is, and comes back so: rows of every table, and times', async () => {
  const id = await shelved(here, demoTrain('sluice-winch'));
  const whole = await shelved(here, demoTrain('stirrer'));
  await addToLog(here, id, [entry('r1'), entry('r2'), entry('r3')]);
  await addPerson(here, { id: 'p1', name: 'Ansel' });
  const answer = { at: '2026-11-26T08:00:00.000Z', train: 'Winch', skill: 'ratio', right: true, slip: null };
  await addAnswers(here, 'p1', [{ id: 'a1', document: JSON.stringify(answer) }]);
  await damage('UPDATE trains SET document = ?, name = ? WHERE id = ?', '{"cut off', 'A\u0000name', id);
  await damage('UPDATE revisions SET document = ? WHERE train_id = ?', 'no JSON', whole);
  for (const table of ['searches', 'scenarios'])
    await damage(`INSERT INTO ${table} VALUES (?, 'a', 'Odd', '"a text"', 'soon')`, id);
  await damage("UPDATE log_entries SET document = '{}' WHERE id = 'r1'");
  await damage("UPDATE log_entries SET kind = 'guess' WHERE id = 'r2'");
  await damage("UPDATE log_entries SET document = ? WHERE id = 'r3'", '\u0000]');
  await damage("INSERT INTO pictures VALUES (?, 'odd', 'text/html', ?, '2026-11-26')", id, Buffer.from('<script>'));
  await damage(
    'INSERT INTO practice_answers (person_id, id, document, saved_at) VALUES ' +
      "('p1', 'a2', '7', '2026-11-26 08:00:00.000 +00:00')",
  );
  await damage("INSERT INTO worksheets VALUES ('w1', 'Odd', '{}', '2026-11-26 08:00:00.000 +00:00')");
  await damage("UPDATE pictures SET saved_at = 'unknown'");
  for (const table of ['searches', 'scenarios']) await damage(`UPDATE ${table} SET saved_at = 'unknown'`);
  const path = await bundled(here);
  const { trains } = await planned(there, path);
  expect(trains.find((one) => one.id === id)).toMatchObject({ name: 'A\u0000name', unreadable: 7 });
  await brought(there, path, 'skip');
  for (const [columns, table] of TABLES)
    expect([table, await rowsOf(there, columns, table)]).toEqual([table, await rowsOf(here, columns, table)]);
  expect(readFileSync(await bundled(there)).equals(readFileSync(path))).toBe(true);
  // The shelf lists it as what does not read.
  expect((await listShelf(there)).rows.find((one) => one.id === id)).toMatchObject({ unreadable: expect.any(String) });
});

test('ids and names that the API takes come back, whatever characters they have', async () => {
  const names = ['a/b', '../up', '“quoted” \\ ', 'p1.2', '?', 'ä'.repeat(64)];
  for (const [i, id] of names.entries()) await addPerson(here, { id, name: `${i} ${id}`.slice(0, 60).trim() });
  const train = await shelved(here, { ...demoTrain('stirrer'), name: 'Stirrer\u0000 and ?' });
  await addToLog(
    here,
    train,
    names.map((id) => entry(id)),
  );
  for (const id of names)
    await addAnswers(here, id, [
      {
        id,
        document: JSON.stringify({
          at: '2026-11-26T08:00:00.000Z',
          train: '',
          skill: 'ratio',
          right: true,
          slip: null,
        }),
      },
    ]);
  await brought(there, await bundled(here), 'skip');
  expect(await listPeople(there)).toEqual(await listPeople(here));
  expect((await listLog(there, train)).map(({ id }) => id)).toEqual(names);
  expect((await findDocument(there, train))?.name).toBe('Stirrer\u0000 and ?');
  for (const id of names) expect(await there.answers.count({ where: { personId: id, id } })).toBe(1);
  // Once more, in each way: never an error, and nothing twice.
  for (const choice of ['skip', 'both', 'replace'] as const) await brought(there, await bundled(here), choice);
  expect(await there.trains.count()).toBe(2);
});

test('a log of more than a file may have is in several, and comes back in its order', async () => {
  const train = await shelved(here, demoTrain('stirrer'));
  const long = 'salt '.repeat(390);
  const ids = Array.from({ length: 1000 }, (_, i) => `r${i}`);
  await addToLog(
    here,
    train,
    ids.map((id) => entry(id, long)),
  );
  const path = join(folder, 'pieces.zip');
  await writeBundle(here.file, 'everything', path, { ...BUNDLE_LIMITS, file: 1_000_000 });
  const logs = Object.keys(unzipSync(readFileSync(path), { filter: ({ name }) => name.includes('log') }));
  expect(logs.length).toBeGreaterThan(1);
  await brought(there, path, 'skip');
  expect((await listLog(there, train)).map(({ id }) => id)).toEqual(ids);
});

test('what is more than a bundle can hold is said before there is one, with what is largest', async () => {
  const train = await shelved(here, demoTrain('stirrer'));
  await shelved(here, demoTrain('sluice-winch'));
  const path = join(folder, 'small.zip');
  await addToLog(
    here,
    train,
    Array.from({ length: 500 }, (_, i) => entry(`r${i}`, `${Math.random()}`.repeat(40))),
  );
  const limits = { ...BUNDLE_LIMITS, zip: 60_000, all: 200_000 };
  await expect(writeBundle(here.file, 'everything', path, limits)).rejects.toThrow(
    /^This is more than one bundle can hold, which is 0 MB\. Take fewer trains into one; the largest are “Stirrer planetary” /,
  );
  await expect(writeBundle(here.file, [train], path, limits)).rejects.toThrow(/The train is “Stirrer planetary”/);
  expect(() => readFileSync(path)).toThrow();
});
