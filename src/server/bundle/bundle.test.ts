import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { strToU8, unzipSync, zipSync } from 'fflate';
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
import { checkBundle, gatherBundle, planRestore, restoreBundle, zipped } from '.';
import { sha256, type Files } from './zip';

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

const DOT = Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8BQDwAEhQGAhKmMIQAAAABJRU5ErkJggg==', 'base64'); // prettier-ignore

/** A train with everything that can stand beside one. */
async function furnished(): Promise<string> {
  const winch = demoTrain('sluice-winch');
  const id = await shelved(here, winch);
  await save(here, id, 1, withFirstTeeth(winch, 14));
  await save(here, id, 2, withFirstTeeth(winch, 16));
  await nameRevision(here, id, 2, 'As built');
  const search = { format: 'tin-wheel/search', version: 1, target: '9.87', stages: 2, teeth: { min: 12, max: 60 } };
  await keepBeside(here, here.searches, id, { id: 'a', name: 'Slow drum', document: JSON.stringify(search) });
  const scenario = { format: 'tin-wheel/scenario', version: 1, motor: { kind: 'hand', torqueNm: 2, rpm: 40 }, load: {}, order: ['wind'] }; // prettier-ignore
  await keepBeside(here, here.scenarios, id, { id: 'b', name: 'By hand', document: JSON.stringify(scenario) });
  const reading = {
    id: 'r1',
    kind: 'turns',
    position: 'wind',
    member: 'drum',
    turns: 2,
    inputTurns: 24,
    picture: 'ab',
  };
  await addToLog(here, id, [{ id: 'r1', kind: 'reading', document: JSON.stringify({ ...reading, picture: undefined }) }]); // prettier-ignore
  await here.pictures.create({ trainId: id, id: 'ab', type: 'image/png', bytes: DOT, savedAt: new Date() });
  await addPerson(here, { id: 'p1', name: 'Ansel' });
  const answer = { at: '2026-11-26T08:00:00.000Z', train: 'Winch', skill: 'ratio', right: true, slip: null };
  await addAnswers(here, 'p1', [{ id: 'a1', document: JSON.stringify(answer) }]);
  const sheet = { format: 'tin-wheel/worksheet', version: 1, name: 'One', trains: [{ train: winch }], questions: [{ train: 0, skill: 'ratio', seed: 1 }] }; // prettier-ignore
  await keepWorksheet(here, { id: 'w1', name: 'One', document: JSON.stringify(sheet) });
  return id;
}

async function bundled(database: Database, ids: readonly string[] | 'everything'): Promise<Uint8Array> {
  const gathered = await gatherBundle(database, ids);
  if (!gathered.ok) throw new Error(gathered.message);
  return zipped(gathered.files);
}

function checked(bytes: Uint8Array) {
  const bundle = checkBundle(bytes);
  if (!bundle.ok) throw new Error(bundle.message);
  return bundle;
}

test('everything goes into one file and comes out of it elsewhere: bundled again it is the same byte for byte', async () => {
  await furnished();
  await add(here, demoTrain('mud-tram'));
  const bytes = await bundled(here, 'everything');
  const plan = await planRestore(there, checked(bytes));
  expect(plan).toMatchObject({ worksheets: 1, people: 1 });
  expect(plan.trains.find(({ name }) => name === 'Sluice winch')).toMatchObject({ revisions: 3, readings: 1, pictures: 1, beside: 2, there: null }); // prettier-ignore
  await restoreBundle(there, checked(bytes), () => 'skip');
  expect(Buffer.from(await bundled(there, 'everything')).equals(Buffer.from(bytes))).toBe(true);
});

test('one train alone brings neither people nor worksheets; one that is not there is named', async () => {
  const id = await furnished();
  const { manifest } = checked(await bundled(here, [id]));
  expect([manifest.trains.length, manifest.people.length, manifest.worksheets.length]).toEqual([1, 0, 0]);
  expect(await gatherBundle(here, [id, 'no such'])).toEqual({ ok: false, message: 'There is no train “no such” on the shelf.' }); // prettier-ignore
});

test('what is there is never overwritten unasked: skipped, kept in both states, or replaced', async () => {
  const id = await furnished();
  const bytes = await bundled(here, [id]);
  await save(here, id, 3, withFirstTeeth(demoTrain('sluice-winch'), 20));
  const before = (await here.trains.findOne({ where: { id } }))!.get().document;
  expect((await planRestore(here, checked(bytes))).trains[0]!.there).toMatchObject({
    name: 'Sluice winch',
    same: false,
  });
  expect(await restoreBundle(here, checked(bytes), () => 'skip')).toMatchObject({
    added: [],
    replaced: [],
    skipped: ['Sluice winch'],
  });
  expect((await here.trains.findOne({ where: { id } }))!.get().document).toBe(before);
  expect(await restoreBundle(here, checked(bytes), () => 'both')).toMatchObject({
    added: ['Sluice winch (restored)'],
    replaced: [],
    skipped: [],
  });
  expect(await here.trains.count()).toBe(2);
  expect(await here.log.count()).toBe(2);
  expect((await here.trains.findOne({ where: { id } }))!.get().document).toBe(before);
  expect(await restoreBundle(here, checked(bytes), () => 'replace')).toMatchObject({ replaced: ['Sluice winch'] });
  expect((await here.trains.findOne({ where: { id } }))!.get()).toMatchObject({ version: 3 });
  expect(Buffer.from(await bundled(here, [id])).equals(Buffer.from(bytes))).toBe(true);
});

/** A bundle as it is, with some of its files changed and their sums made right again. */
function tampered(bytes: Uint8Array, change: (files: Record<string, Uint8Array>) => void, sums = true): Uint8Array {
  const files: Record<string, Uint8Array> = unzipSync(bytes);
  change(files);
  if (sums) {
    const manifest = JSON.parse(Buffer.from(files['manifest.json']!).toString()) as { files: Record<string, unknown> };
    manifest.files = Object.fromEntries(Object.entries(files).filter(([path]) => path !== 'manifest.json').map(([path, own]) => [path, { bytes: own.length, sha256: sha256(own) }])); // prettier-ignore
    files['manifest.json'] = strToU8(JSON.stringify(manifest));
  }
  return zipSync(files);
}

const manifestWith = (files: Files, change: object): Uint8Array =>
  strToU8(JSON.stringify({ ...(JSON.parse(Buffer.from(files['manifest.json']!).toString()) as object), ...change }));

test('hostile and damaged files are refused with a sentence, and nothing of them is taken', async () => {
  const id = await furnished();
  const good = await bundled(here, 'everything');
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
    [tampered(good, (files) => (files[`trains/${id}/pictures/ab.png`] = strToU8('<svg/>'))), /not the picture it says it is/],
    [tampered(good, (files) => (files[`trains/${id}/log.json`] = strToU8('[{"id":"x","kind":"reading","savedAt":"2026-11-26T08:00:00.000Z","document":{}}]'))), /log\.json, entry 1/],
    [tampered(good, (files) => (files['people/p1.json'] = strToU8('[{}]'))), /no list of answers/],
    [tampered(good, (files) => (files['worksheets/w1.json'] = strToU8('{}'))), /worksheets\/w1\.json: /],
    [tampered(good, (files) => (files[`trains/${id}/searches/a.json`] = strToU8('7'))), /searches\/a\.json does not read/],
    [tampered(good, (files) => (files['manifest.json'] = manifestWith(files, { version: 2 }))), /later version/],
    [tampered(good, (files) => (files['manifest.json'] = manifestWith(files, { formats: { 'tin-wheel/train': 2 } }))), /documents of a later version/],
    [tampered(good, (files) => (files['manifest.json'] = manifestWith(files, { format: 'other' }))), /not a bundle/],
    [tampered(good, (files) => (files['manifest.json'] = strToU8('{'))  , false), /manifest\.json is not JSON/],
  ]; // prettier-ignore
  for (const [bytes, says] of refusals) expect(checkBundle(bytes)).toMatchObject({ ok: false, message: expect.stringMatching(says) as string }); // prettier-ignore
});

test('a bundle goes in whole or not at all', async () => {
  await furnished();
  await add(here, demoTrain('mud-tram'));
  const bundle = checked(await bundled(here, 'everything'));
  const [first, second] = bundle.manifest.trains;
  // The second of two trains cannot be put in; the first is not left behind.
  const broken = { ...bundle, manifest: { ...bundle.manifest, trains: [first!, { ...second!, id: first!.id }] } };
  await expect(restoreBundle(there, broken, () => { throw new Error('no answer'); })).rejects.toThrow('no answer'); // prettier-ignore
  expect(await there.trains.count()).toBe(0);
  expect(await there.revisions.count()).toBe(0);
});
