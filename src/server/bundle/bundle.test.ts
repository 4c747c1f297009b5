import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { brought, bundled, planned } from '@/testing/bundled';
import { demoTrain } from '@/testing/demo-train';
import { withFirstTeeth } from '@/testing/edited';
import { add, save, shelved } from '@/testing/kept';
import { openDatabase, type Database } from '../database';
import { stopWorkers } from '../heavy';
import { addAnswers, addPerson } from '../practice/people';
import { keepWorksheet } from '../practice/worksheets';
import { addToLog } from '../trains/log';
import { keepBeside } from '../trains/beside';
import { nameRevision } from '../trains/revisions';
import { sumOf } from './zip-writer';

let folder: string;
let here: Database;
let there: Database;

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'tin-wheel-bundle-'));
  [here, there] = [await openDatabase(join(folder, 'here.sqlite')), await openDatabase(join(folder, 'there.sqlite'))];
});
afterEach(async () => {
  await Promise.all([here.close(), there.close()]);
  rmSync(folder, { recursive: true });
});
afterAll(stopWorkers);

const DOT = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8BQDwAEhQGAhKmMIQAAAABJRU5ErkJggg==',
  'base64',
);

/** A train with everything that can stand beside one. */
async function furnished(): Promise<string> {
  const winch = demoTrain('sluice-winch');
  const id = await shelved(here, winch);
  await save(here, id, 1, withFirstTeeth(winch, 14));
  await save(here, id, 2, withFirstTeeth(winch, 16));
  await nameRevision(here, id, 2, 'As built');
  const search = { format: 'tin-wheel/search', version: 1, target: '9.87', stages: 2, teeth: { min: 12, max: 60 } };
  await keepBeside(here, 'searches', id, { id: 'a', name: 'Slow drum', document: JSON.stringify(search) });
  const scenario = {
    format: 'tin-wheel/scenario',
    version: 1,
    motor: { kind: 'hand', torqueNm: 2, rpm: 40 },
    load: {},
    order: ['wind'],
  };
  await keepBeside(here, 'scenarios', id, { id: 'b', name: 'By hand', document: JSON.stringify(scenario) });
  const reading = {
    id: 'r1',
    kind: 'turns',
    position: 'wind',
    member: 'drum',
    turns: 2,
    inputTurns: 24,
    picture: 'ab',
  };
  await addToLog(here, id, [
    { id: 'r1', kind: 'reading', document: JSON.stringify({ ...reading, picture: undefined }) },
  ]);
  await here.write(({ pictures }) =>
    pictures.create({ trainId: id, id: 'ab', type: 'image/png', bytes: DOT, savedAt: new Date() }),
  );
  await addPerson(here, { id: 'p1', name: 'Ansel' });
  const answer = { at: '2026-11-26T08:00:00.000Z', train: 'Winch', skill: 'ratio', right: true, slip: null };
  await addAnswers(here, 'p1', [{ id: 'a1', document: JSON.stringify(answer) }]);
  const sheet = {
    format: 'tin-wheel/worksheet',
    version: 1,
    name: 'One',
    trains: [{ train: winch }],
    questions: [{ train: 0, skill: 'ratio', seed: 1 }],
  };
  await keepWorksheet(here, { id: 'w1', name: 'One', document: JSON.stringify(sheet) });
  return id;
}

test('everything goes into one file and comes out elsewhere: bundled again it is the same byte for byte', async () => {
  await furnished();
  await add(here, demoTrain('mud-tram'));
  const path = await bundled(here);
  const plan = await planned(there, path);
  expect(plan).toMatchObject({ worksheets: 1, people: 1 });
  expect(plan.trains.find(({ name }) => name === 'Sluice winch')).toMatchObject({
    revisions: 3,
    readings: 1,
    pictures: 1,
    beside: 2,
    unreadable: 0,
    there: null,
  });
  await brought(there, path, 'skip');
  expect(readFileSync(await bundled(there)).equals(readFileSync(path))).toBe(true);
});

test('one train alone brings neither people nor worksheets; one that is not there is named', async () => {
  const id = await furnished();
  const { trains, people, worksheets } = await planned(there, await bundled(here, [id]));
  expect([trains.length, people, worksheets]).toEqual([1, 0, 0]);
  await expect(bundled(here, [id, 'no such'])).rejects.toThrow(/^There is no train “no such” on the shelf\.$/);
});

test('what is there is never overwritten unasked: skipped, kept in both states, or replaced', async () => {
  const id = await furnished();
  const path = await bundled(here, [id]);
  await save(here, id, 3, withFirstTeeth(demoTrain('sluice-winch'), 20));
  const document = async () => (await here.trains.findOne({ where: { id } }))!.get().document;
  const before = await document();
  expect((await planned(here, path)).trains[0]!.there).toMatchObject({ name: 'Sluice winch', same: false });
  expect(await brought(here, path, 'skip')).toMatchObject({ added: [], replaced: [], skipped: ['Sluice winch'] });
  expect(await document()).toBe(before);
  expect(await brought(here, path, 'both')).toMatchObject({
    added: ['Sluice winch (restored)'],
    replaced: [],
    skipped: [],
  });
  expect(await here.trains.count()).toBe(2);
  expect(await here.log.count()).toBe(2);
  expect(await document()).toBe(before);
  const copy = (await here.trains.findOne({ where: { name: 'Sluice winch (restored)' } }))!.get();
  expect(JSON.parse(copy.document)).toMatchObject({ name: 'Sluice winch (restored)' });
  const states = await here.revisions.findAll({ where: { trainId: copy.id }, order: [['version', 'ASC']] });
  expect(states.map((row) => row.get().version)).toEqual([1, 2, 3]);
  expect(states.at(-1)!.get().document).toBe(copy.document);
  expect(await brought(here, path, 'replace')).toMatchObject({ replaced: ['Sluice winch'] });
  expect((await here.trains.findOne({ where: { id } }))!.get()).toMatchObject({ version: 3 });
  expect(readFileSync(await bundled(here, [id])).equals(readFileSync(path))).toBe(true);
});

/** A bundle as it is, with some of its files changed and their sums made right again. */
function tampered(bytes: Uint8Array, change: (files: Record<string, Uint8Array>) => void, sums = true): Uint8Array {
  const files: Record<string, Uint8Array> = unzipSync(bytes);
  change(files);
  if (sums) {
    const manifest = JSON.parse(Buffer.from(files['manifest.json']!).toString()) as { files: Record<string, unknown> };
    manifest.files = Object.fromEntries(
      Object.entries(files)
        .filter(([path]) => path !== 'manifest.json')
        .map(([path, own]) => [path, sumOf(own)]),
    );
    files['manifest.json'] = strToU8(JSON.stringify(manifest));
  }
  return zipSync(files);
}

const manifestWith = (files: Readonly<Record<string, Uint8Array>>, change: object): Uint8Array =>
  strToU8(JSON.stringify({ ...(JSON.parse(Buffer.from(files['manifest.json']!).toString()) as object), ...change }));

test('hostile and damaged files are refused with a sentence, and nothing of them is taken', async () => {
  const id = await furnished();
  const good = readFileSync(await bundled(here));
  const train = `trains/${id}/train.json`;
  const refusals: readonly (readonly [Uint8Array, RegExp])[] = [
    [strToU8('no zip at all'), /not a zip/],
    [good.slice(0, good.length / 2), /not a zip|damaged/],
    [zipSync({ 'a.txt': strToU8('x') }), /no manifest/],
    [zipSync({ '../../etc/passwd': strToU8('x'), 'manifest.json': strToU8('{}') }), /leads out of the bundle/],
    [zipSync({ '/etc/passwd': strToU8('x') }), /leads out of the bundle/],
    [zipSync({ 'a\\..\\b': strToU8('x') }), /leads out of the bundle/],
    [zipSync({ 'C:evil': strToU8('x') }), /leads out of the bundle/],
    // A bomb: it unpacks to far more than it may, and is refused by what its directory says.
    [zipSync({ 'manifest.json': new Uint8Array(30_000_000) }), /more than 25 MB/],
    [tampered(good, (files) => (files['extra.txt'] = strToU8('x')), false), /not named in the manifest/],
    [tampered(good, (files) => delete files[train], false), /is named in the manifest and is not there/],
    [tampered(good, (files) => (files[train] = strToU8('{}')), false), /not as it was when the bundle was made/],
    [tampered(good, (files) => (files[train] = strToU8('{}'))), /train\.json: /],
    [
      tampered(good, (files) => (files[`trains/${id}/pictures/ab.png`] = strToU8('<svg/>'))),
      /not the picture it says it is/,
    ],
    [
      tampered(
        good,
        (files) =>
          (files[`trains/${id}/log.json`] = strToU8(
            '[{"id":"x","kind":"reading","savedAt":"2026-11-26T08:00:00.000Z","document":{}}]',
          )),
      ),
      /log\.json, entry 1/,
    ],
    [tampered(good, (files) => (files['people/p1.json'] = strToU8('[{}]'))), /no list of answers/],
    [tampered(good, (files) => (files['worksheets/w1.json'] = strToU8('{}'))), /worksheets\/w1\.json: /],
    [
      tampered(good, (files) => (files[`trains/${id}/searches/a.json`] = strToU8('7'))),
      /searches\/a\.json: It is no document/,
    ],
    [tampered(good, (files) => (files['manifest.json'] = manifestWith(files, { version: 3 }))), /later version/],
    [
      tampered(good, (files) => (files['manifest.json'] = manifestWith(files, { formats: { 'tin-wheel/train': 2 } }))),
      /documents of a later version/,
    ],
    [tampered(good, (files) => (files['manifest.json'] = manifestWith(files, { format: 'other' }))), /not a bundle/],
    [tampered(good, (files) => (files['manifest.json'] = strToU8('{')), false), /manifest\.json is not JSON/],
  ];
  const folderBefore = readdirSync(folder);
  for (const [bytes, says] of refusals) {
    const path = join(folder, 'hostile.zip');
    writeFileSync(path, bytes);
    await expect(planned(there, path)).rejects.toThrow(says);
    rmSync(path);
  }
  // Nothing is left of them.
  expect(readdirSync(folder)).toEqual(folderBefore);
});

const trainsIn = (files: Record<string, Uint8Array>) =>
  (JSON.parse(Buffer.from(files['manifest.json']!).toString()) as { trains: Record<string, unknown>[] }).trains;

test('what the API refuses a bundle does not bring: names, ids, counts, and what is in it twice', async () => {
  await furnished();
  const good = readFileSync(await bundled(here));
  const withTrain = (change: object) => (files: Record<string, Uint8Array>) =>
    (files['manifest.json'] = manifestWith(files, {
      trains: trainsIn(files).map((train) => ({ ...train, ...change })),
    }));
  const twice = (key: string) => (files: Record<string, Uint8Array>) => {
    const [train] = trainsIn(files);
    const rows = train![key] as object[];
    files['manifest.json'] = manifestWith(files, { trains: [{ ...train, [key]: [...rows, rows[0]] }] });
  };
  const log = Object.keys(unzipSync(good)).find((path) => path.endsWith('log.json'))!;
  const doubled = (files: Record<string, Uint8Array>, path: string) => {
    const rows = JSON.parse(Buffer.from(files[path]!).toString()) as object[];
    files[path] = strToU8(JSON.stringify([...rows, ...rows]));
  };
  const refusals: readonly (readonly [Uint8Array, RegExp])[] = [
    [tampered(good, withTrain({ id: '../x' })), /manifest\.json/],
    [tampered(good, withTrain({ id: 'a'.repeat(65) })), /manifest\.json/],
    [tampered(good, withTrain({ version: 0 })), /manifest\.json/],
    [tampered(good, withTrain({ version: 1e15 })), /manifest\.json/],
    [tampered(good, withTrain({ version: 2 })), /later state than its newest/],
    [tampered(good, withTrain({ updatedAt: 'soon' })), /manifest\.json/],
    [
      tampered(
        good,
        (files) => (files['manifest.json'] = manifestWith(files, { trains: [...trainsIn(files), ...trainsIn(files)] })),
      ),
      /twice/,
    ],
    ...['revisions', 'searches', 'scenarios', 'pictures'].map((key) => [tampered(good, twice(key)), /twice/] as const),
    [tampered(good, (files) => doubled(files, log)), /“r1” is in it twice/],
    [tampered(good, (files) => doubled(files, 'people/p1.json')), /“a1” is in it twice/],
    [
      tampered(
        good,
        (files) =>
          (files['manifest.json'] = manifestWith(files, {
            people: [{ id: 'p1', name: ' ', savedAt: '2026-11-26T08:00:00.000Z' }],
          })),
      ),
      /manifest\.json/,
    ],
    [
      tampered(
        good,
        (files) =>
          (files['manifest.json'] = manifestWith(files, {
            worksheets: [{ id: 'w1', name: 'x'.repeat(121), savedAt: '2026-11-26T08:00:00.000Z' }],
          })),
      ),
      /manifest\.json/,
    ],
    [tampered(good, (files) => (files['trains/extra.json'] = strToU8('{}'))), /belongs to nothing in this bundle/],
  ];
  for (const [bytes, says] of refusals) {
    writeFileSync(join(folder, 'bad.zip'), bytes);
    await expect(planned(there, join(folder, 'bad.zip'))).rejects.toThrow(says);
  }
});

test('a bundle goes in whole or not at all: what was put in before it fails is taken back', async () => {
  const id = await furnished();
  await add(here, demoTrain('mud-tram'));
  const path = await bundled(here);
  const states = async () =>
    Promise.all(
      ['trains', 'revisions', 'searches', 'log_entries', 'pictures', 'people', 'practice_answers', 'restoring'].map(
        async (table) => (await there.sql<{ count: number }>(`SELECT count(*) AS count FROM ${table}`))[0]!.count,
      ),
    );
  const before = await states();
  // The last step: there is no room for one more worksheet.
  await there.write(({ sql }) =>
    sql(
      'INSERT INTO worksheets (id, name, document, saved_at) WITH RECURSIVE n (i) AS (SELECT 1 UNION ALL SELECT ' +
        "i + 1 FROM n WHERE i < 500) SELECT 'w-' || i, 'w', '{}', '2026-11-26' FROM n",
    ),
  );
  await expect(brought(there, path, 'skip')).rejects.toThrow(/more than 500 worksheets/);
  expect(await states()).toEqual(before);
  await there.write(({ worksheets }) => worksheets.destroy({ where: {} }));
  expect((await brought(there, path, 'skip')).added).toHaveLength(2);
  // Into a log that is there: entries that were put in are taken back too, and those from before stay.
  await addToLog(there, id, [{ id: 'own', kind: 'reading', document: '{}' }]);
  await there.write(({ sql }) => sql("DELETE FROM log_entries WHERE id = 'r1'"));
  await there.write(({ sql }) =>
    sql(
      'INSERT INTO log_entries (train_id, id, kind, document, saved_at) WITH RECURSIVE n (i) AS (SELECT 1 UNION ' +
        `ALL SELECT i + 1 FROM n WHERE i < 49999) SELECT ?, 'n' || i, 'reading', '{}', '2026-11-26' FROM n`,
      [id],
    ),
  );
  await expect(brought(there, path, 'replace')).rejects.toThrow(/more than 50000 log entries/);
  expect(await there.log.count({ where: { trainId: id } })).toBe(50_000);
  expect(await there.sql('SELECT * FROM restoring')).toEqual([]);
});
