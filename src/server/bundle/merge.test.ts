import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brought, bundled, planned } from '@/testing/bundled';
import { demoTrain } from '@/testing/demo-train';
import { withFirstTeeth } from '@/testing/edited';
import { save, shelved } from '@/testing/kept';
import { openDatabase, type Database } from '../database';
import { stopWorkers } from '../heavy';
import { addAnswers, addPerson, listAnswers, listPeople } from '../practice/people';
import { addToLog, listLog } from '../trains/log';
import { removeTrain } from '../trains/repository';
import type { RestoreChoice } from '.';

let folder: string;
let here: Database;
let there: Database;

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'tin-wheel-merge-'));
  [here, there] = [await openDatabase(join(folder, 'here.sqlite')), await openDatabase(join(folder, 'there.sqlite'))];
});
afterEach(async () => {
  await Promise.all([here.close(), there.close()]);
  rmSync(folder, { recursive: true });
});
afterAll(stopWorkers);

const bring = async (from: Database, to: Database, choice: RestoreChoice) => brought(to, await bundled(from), choice);

const log = (database: Database, train: string, ...ids: string[]) =>
  addToLog(
    database,
    train,
    ids.map((id) => ({
      id,
      kind: 'reading' as const,
      document: JSON.stringify({ id, kind: 'turns', position: 'wind', member: 'drum', turns: 2, inputTurns: 24 }),
    })),
  );

const logged = async (database: Database, train: string) => (await listLog(database, train)).map(({ id }) => id).sort();

test('a bundle goes in while five clients save, and none of their saves is lost', async () => {
  const winch = demoTrain('sluice-winch');
  const source = await Promise.all(Array.from({ length: 6 }, () => shelved(there, winch)));
  for (const id of source) await log(there, id, ...Array.from({ length: 300 }, (_, i) => `r${i}`));
  const own = await Promise.all(Array.from({ length: 5 }, () => shelved(here, winch)));
  let going = true;
  const saved = own.map(async (id) => {
    let version = 1;
    for (; going; version++) {
      const { outcome } = await save(here, id, version, withFirstTeeth(winch, 12 + (version % 40)));
      if (outcome !== 'saved') throw new Error(outcome);
    }
    return version;
  });
  const path = await bundled(there);
  for (let i = 0; i < 8; i++) expect((await brought(here, path, 'both')).added).toHaveLength(source.length);
  going = false;
  const versions = await Promise.all(saved);
  for (const [i, id] of own.entries()) {
    const row = await here.trains.findByPk(id);
    expect(row!.get().version).toBe(versions[i]);
  }
  expect(await here.trains.count()).toBe(own.length + 8 * source.length);
  // Eight bundles between saves take as long as the disk takes to make sure of them.
}, 180_000);

test('a train in the bin is told as such and comes back when it is to be replaced', async () => {
  const id = await shelved(here, demoTrain('sluice-winch'));
  const path = await bundled(here);
  await removeTrain(here, id, 1);
  expect((await planned(here, path)).trains[0]!.there).toMatchObject({ inBin: true });
  expect(await brought(here, path, 'replace')).toMatchObject({ replaced: ['Sluice winch'] });
  expect(await here.trains.count({ where: { id } })).toBe(1);
  expect((await planned(here, path)).trains[0]!.there).toMatchObject({ inBin: false, same: true });
});

test('a log that has grown on both sides keeps both sides’ entries, whatever becomes of the train', async () => {
  const id = await shelved(here, demoTrain('sluice-winch'));
  await log(here, id, 'both');
  await bring(here, there, 'skip');
  await log(here, id, 'mine');
  await log(there, id, 'theirs');
  const path = await bundled(there);
  expect((await planned(here, path)).trains[0]!.there).toMatchObject({ same: false, newEntries: 1 });
  expect(await brought(here, path, 'skip')).toMatchObject({ merged: ['Sluice winch'], skipped: [] });
  expect(await logged(here, id)).toEqual(['both', 'mine', 'theirs']);
  expect(await brought(here, path, 'skip')).toMatchObject({ merged: [], skipped: ['Sluice winch'] });
  await bring(here, there, 'replace');
  expect(await logged(there, id)).toEqual(['both', 'mine', 'theirs']);
  await log(there, id, 'later');
  await bring(here, there, 'replace');
  expect(await logged(there, id)).toEqual(['both', 'later', 'mine', 'theirs']);
});

test('whose name is taken keeps their answers under a name that is told, once', async () => {
  const answer = (id: string) => [
    {
      id,
      document: JSON.stringify({
        at: '2026-11-26T08:00:00.000Z',
        train: 'Winch',
        skill: 'ratio',
        right: true,
        slip: null,
      }),
    },
  ];
  await addPerson(here, { id: 'p1', name: 'Ansel' });
  await addAnswers(here, 'p1', answer('a1'));
  await addPerson(there, { id: 'p2', name: 'ansel' });
  await addAnswers(there, 'p2', answer('b1'));
  expect((await bring(there, here, 'skip')).renamed).toEqual([{ from: 'ansel', to: 'ansel (restored)' }]);
  expect((await listPeople(here)).map(({ name }) => name)).toEqual(['Ansel', 'ansel (restored)']);
  expect(await listAnswers(here, 'p2')).toHaveLength(1);
  expect(await listAnswers(here, 'p1')).toHaveLength(1);
  expect((await bring(there, here, 'skip')).renamed).toEqual([]);
  expect(await listPeople(here)).toHaveLength(2);
});
