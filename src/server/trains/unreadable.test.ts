import { MAX_TRAIN_BYTES, serialiseTrain, type Train } from '@/core/train';
import { demoTrain } from '@/testing/demo-train';
import { DEMO, freshShelf } from '@/testing/fresh-shelf';
import { add, readable, save } from '@/testing/kept';
import type { Database } from '../database';
import { listExamples, restoreExample } from './examples';
import { findDocument, findTrain, putBackTrain, removeTrain } from './repository';
import { findRevision } from './revisions';
import { keepSummary, listShelf } from './shelf';

const shelf = freshShelf();
let database: Database;
beforeEach(() => {
  database = shelf();
});

/** As bad luck would: the document itself is damaged, behind the application's back. */
const damage = async (id: string, document: string) =>
  database.write(({ sql }) =>
    sql('UPDATE trains SET document = ?, summary = NULL, summary_version = NULL WHERE id = ?', [document, id]),
  );

const DAMAGED: [string, string][] = [
  ['cut off', serialiseTrain(demoTrain('sluice-winch')).slice(0, 400)],
  ['empty', ''],
  ['of a later version', serialiseTrain(demoTrain('sluice-winch')).replace('"version": 1', '"version": 2')],
  [
    'with a part that is gone',
    serialiseTrain(demoTrain('sluice-winch')).replace('"input": "crank"', '"input": "gone"'),
  ],
];

describe.each(DAMAGED)('a document %s', (_, document) => {
  beforeEach(async () => damage('sluice-winch', document));

  test('breaks no list: it is listed by name, with why it does not read, and the others as ever', async () => {
    const { rows } = await listShelf(database);
    expect(rows.find(({ id }) => id === 'sluice-winch')).toMatchObject({
      name: 'Sluice winch',
      version: 1,
      unreadable: expect.stringMatching(/./),
    });
    expect(rows.filter((row) => !('unreadable' in row))).toHaveLength(rows.length - 1);
    expect((await listExamples(database, DEMO)).find(({ id }) => id === 'sluice-winch')!.state).toBe('changed');
  });

  test('can be had as it is, put aside and put back, and replaced by naming its version', async () => {
    expect(await findTrain(database, 'sluice-winch')).toMatchObject({
      name: 'Sluice winch',
      unreadable: expect.any(String),
    });
    expect(await findDocument(database, 'sluice-winch')).toEqual({ name: 'Sluice winch', document });
    expect(await removeTrain(database, 'sluice-winch', 1)).toBe('removed');
    expect(await putBackTrain(database, 'sluice-winch')).toMatchObject({ unreadable: expect.any(String) });
    const good = demoTrain('stirrer');
    expect((await save(database, 'sluice-winch', 7, good)).outcome).toBe('stale');
    expect((await save(database, 'sluice-winch', 1, good)).outcome).toBe('saved');
    expect((await readable(database, 'sluice-winch')).train).toEqual(good);
  });

  test('restoring the example replaces it, on the shelf or taken off it', async () => {
    await restoreExample(database, DEMO, 'sluice-winch');
    expect((await readable(database, 'sluice-winch')).train).toEqual(demoTrain('sluice-winch'));
    await damage('sluice-winch', document);
    await removeTrain(database, 'sluice-winch', (await database.trains.findByPk('sluice-winch'))!.get().version);
    await restoreExample(database, DEMO, 'sluice-winch');
    expect((await readable(database, 'sluice-winch')).train).toEqual(demoTrain('sluice-winch'));
  });
});

test('a saved revision that does not read says so', async () => {
  await database.write(({ sql }) => sql("UPDATE revisions SET document = '{' WHERE train_id = 'sluice-winch'"));
  expect(await findRevision(database, 'sluice-winch', 1)).toMatchObject({
    unreadable: expect.stringContaining('not JSON'),
  });
});

test('listing writes nothing, even where it has to work something out; a damaged summary is made anew', async () => {
  await database.write(({ sql }) => sql("UPDATE trains SET summary = 'nonsense' WHERE id = 'stirrer'"));
  await database.write(({ sql }) =>
    sql("UPDATE trains SET summary = NULL, summary_version = NULL WHERE id = 'crawler'"),
  );
  const changes = async () => database.sql('SELECT summary, updated_at FROM trains ORDER BY id');
  const before = await changes();
  const { rows } = await listShelf(database);
  expect(rows.find(({ id }) => id === 'stirrer')).toMatchObject({ positions: 2 });
  expect(await changes()).toEqual(before);
  await keepSummary(database, await readable(database, 'crawler'));
  expect(await changes()).not.toEqual(before);
  expect((await listShelf(database)).rows).toEqual(rows);
});

describe('one limit, measured on what is kept', () => {
  /**
   * Near the format's own limits everywhere: short as it is sent, longer as it is kept, with a line for every entry.
   */
  function great(setAside: number): Train {
    const id = (kind: string, i: number) => `${kind}${i} `.padEnd(64, 'x');
    const couplers = Array.from({ length: 64 }, (_, i) => id('k', i));
    return {
      ...demoTrain('stirrer'),
      members: [
        ...demoTrain('stirrer').members,
        ...Array.from({ length: 390 }, (_, i) => ({ id: id('m', i), name: 'n'.repeat(120) })),
      ],
      gears: [
        ...demoTrain('stirrer').gears,
        ...Array.from({ length: 790 }, (_, i) => ({
          id: id('g', i),
          member: id('m', i % 390),
          teeth: 20,
          type: 'external' as const,
        })),
      ],
      couplers: couplers.map((coupler, i) => ({
        id: coupler,
        name: 'c'.repeat(120),
        type: 'clutch',
        joins: ['sun', id('m', i)],
      })),
      selectors: Array.from({ length: 64 }, (_, i) => ({
        id: id('s', i),
        name: 's',
        spans: couplers.map((coupler) => ({ coupler, from: 0, to: 1 })),
      })),
      positions: Array.from({ length: 128 }, (_, i) => ({ id: id('p', i), name: 'p', engaged: couplers })),
      setAside: Array.from({ length: setAside }, (_, i) => ({
        finding: `f${i}`.padEnd(1000, 'x'),
        note: 'n'.repeat(500),
      })),
    };
  }

  test('a document that the shelf could not read again is refused, and nothing is written', async () => {
    const train = great(400);
    expect(JSON.stringify(train).length).toBeLessThan(MAX_TRAIN_BYTES);
    expect(serialiseTrain(train).length).toBeGreaterThan(MAX_TRAIN_BYTES);
    const count = (await listShelf(database)).rows.length;
    const added = await add(database, train);
    expect(added).toMatchObject({
      outcome: 'refused',
      problems: [{ message: expect.stringContaining('MB as it is kept; at most 2 MB are') }],
    });
    expect((await save(database, 'stirrer', 1, train)).outcome).toBe('refused');
    expect((await listShelf(database)).rows.length).toBe(count);
  });

  test('what is accepted can be read back', async () => {
    const train = { ...great(330), notes: 'é\u2028"\\ and so on' };
    expect(serialiseTrain(train).length).toBeGreaterThan(0.9 * MAX_TRAIN_BYTES);
    const added = await add(database, train);
    if (added.outcome !== 'saved') throw new Error(added.outcome);
    expect((await readable(database, added.stored.id)).train).toEqual(train);
  });
});
