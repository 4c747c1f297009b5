import { statSync } from 'node:fs';
import { serialiseTrain, setTeeth, type Train } from '@/core/train';
import { DEMO, freshShelf } from '@/testing/fresh-shelf';
import { readable, save } from '@/testing/kept';
import type { Database } from '../database';
import { listExamples, restoreExample } from './examples';
import { removeTrain } from './repository';
import { findRevision, listRevisions, nameRevision, thinRevisions } from './revisions';
import { statesToThin } from './thinning';

const shelf = freshShelf();
let database: Database;
beforeEach(() => {
  database = shelf();
});

async function saveTeeth(teeth: number): Promise<Train> {
  const { train, version } = await readable(database, 'sluice-winch');
  const edit = setTeeth(train, train.gears[0]!.id, teeth);
  if (!edit.ok) throw new Error(edit.message);
  expect((await save(database, 'sluice-winch', version, edit.train)).outcome).toBe('saved');
  return edit.train;
}

describe('revisions', () => {
  test('every saved state is kept and can be read again', async () => {
    const saved = [await saveTeeth(21), await saveTeeth(23)];
    const kept = await listRevisions(database, 'sluice-winch');
    expect(kept.map(({ version }) => version)).toEqual([3, 2, 1]);
    expect(await findRevision(database, 'sluice-winch', 2)).toEqual({
      document: serialiseTrain(saved[0]!),
      unreadable: null,
    });
    expect(await findRevision(database, 'sluice-winch', 3)).toEqual({
      document: serialiseTrain(saved[1]!),
      unreadable: null,
    });
    expect(await findRevision(database, 'sluice-winch', 9)).toBeNull();
  });

  test('a save that is refused leaves no state', async () => {
    const { train } = await readable(database, 'sluice-winch');
    expect((await save(database, 'sluice-winch', 7, train)).outcome).toBe('stale');
    expect((await save(database, 'sluice-winch', 1, { ...train, name: '' })).outcome).toBe('refused');
    expect(await listRevisions(database, 'sluice-winch')).toHaveLength(1);
  });

  test('thinning lets old states go, not the named, the first or the newest', async () => {
    for (const teeth of [20, 21, 22, 23, 24]) await saveTeeth(teeth);
    expect(await nameRevision(database, 'sluice-winch', 3, 'before the flood')).toBe(true);
    expect(await nameRevision(database, 'sluice-winch', 99, 'never')).toBe(false);
    expect(await thinRevisions(database, 'sluice-winch', new Date())).toBe(0);
    const monthsLater = new Date(Date.now() + 90 * 86_400_000);
    expect(await thinRevisions(database, 'sluice-winch', monthsLater)).toBe(3);
    expect(await listRevisions(database, 'sluice-winch')).toMatchObject([
      { version: 6 },
      { version: 3, name: 'before the flood' },
      { version: 1 },
    ]);
  });
});

describe('thinning a train that was saved often', () => {
  const now = new Date('2026-06-15T12:00:00Z');
  /** States of the winch saved so many milliseconds ago, each with a document of its own. */
  const saved = (ages: readonly number[], document = '{}') =>
    database.write(({ revisions }) =>
      revisions.bulkCreate(
        ages.map((age, i) => ({
          trainId: 'sluice-winch',
          version: ages.length + 1 - i,
          document,
          name: null,
          savedAt: new Date(now.getTime() - age),
        })),
      ),
    );

  test('looks only at what is old, with the same outcome', async () => {
    await database.write(({ revisions }) => revisions.destroy({ where: { trainId: 'sluice-winch' } }));
    const minutes = (count: number, from: number, every: number) =>
      Array.from({ length: count }, (_, i) => (from + i * every) * 60_000);
    await saved([...minutes(40, 0, 1), ...minutes(60, 50, 3), ...minutes(50, 300, 90)]);
    const before = (await listRevisions(database, 'sluice-winch')).map((state) => ({
      ...state,
      savedAt: new Date(state.savedAt),
    }));
    const spare = new Set(statesToThin(before, now));
    expect(spare.size).toBeGreaterThan(20);
    expect(await thinRevisions(database, 'sluice-winch', now)).toBe(spare.size);
    expect((await listRevisions(database, 'sluice-winch')).map(({ version }) => version)).toEqual(
      before.flatMap(({ version }) => (spare.has(version) ? [] : [version])),
    );
  });

  test('the file is shorter afterwards', async () => {
    await database.write(({ revisions }) => revisions.destroy({ where: { trainId: 'sluice-winch' } }));
    await saved(
      Array.from({ length: 400 }, (_, i) => i * 60_000 + 30 * 86_400_000),
      'x'.repeat(20_000),
    );
    const size = async () => {
      await database.alone(({ sql }) => sql('PRAGMA wal_checkpoint(TRUNCATE)'));
      return statSync(database.file).size;
    };
    const before = await size();
    expect(before).toBeGreaterThan(8_000_000);
    await thinRevisions(database, 'sluice-winch', now);
    expect(await size()).toBeLessThan(before / 4);
  });
});

describe('thinning', () => {
  const now = new Date('2026-06-15T12:00:00Z');
  const states = (count: number, everyMs: number, from = 0) =>
    Array.from({ length: count }, (_, i) => ({
      version: count - i,
      savedAt: new Date(now.getTime() - from - i * everyMs),
      name: null,
    }));
  const left = (all: ReturnType<typeof states>) => all.length - statesToThin(all, now).length;

  test('keeps everything of the last hour', () => expect(left(states(60, 59_000))).toBe(60));

  test('keeps one state for ten minutes of the day, for an hour of two weeks, for a day beyond', () => {
    expect(left(states(6 * 60, 60_000, 2 * 3_600_000))).toBeLessThanOrEqual(6 * 6 + 2);
    expect(left(states(6 * 60, 60_000, 2 * 3_600_000))).toBeGreaterThanOrEqual(6 * 6);
    expect(left(states(48, 1_800_000, 3 * 86_400_000))).toBeLessThanOrEqual(26);
    expect(left(states(24 * 10, 3_600_000, 30 * 86_400_000))).toBeLessThanOrEqual(12);
  });

  test('of a slot the newest stays; thinning again changes nothing', () => {
    const all = states(600, 60_000, 2 * 3_600_000);
    const gone = new Set(statesToThin(all, now));
    const kept = all.filter(({ version }) => !gone.has(version));
    expect(statesToThin(kept, now)).toEqual([]);
    expect(gone.has(600)).toBe(false);
    expect(gone.has(1)).toBe(false);
  });
});

describe('examples', () => {
  const stateOf = async (id: string) => (await listExamples(database, DEMO)).find((one) => one.id === id)!.state;

  test('say whether they are as they were, and become so again without losing what they were', async () => {
    expect(await stateOf('sluice-winch')).toBe('as it was');
    await saveTeeth(31);
    expect(await stateOf('sluice-winch')).toBe('changed');
    expect((await restoreExample(database, DEMO, 'sluice-winch')).outcome).toBe('saved');
    expect(await stateOf('sluice-winch')).toBe('as it was');
    const before = await findRevision(database, 'sluice-winch', 2);
    expect((JSON.parse(before!.document) as Train).gears[0]!.teeth).toBe(31);
  });

  test('come back from the deleted, and from nothing', async () => {
    await removeTrain(database, 'sluice-winch', (await database.trains.findByPk('sluice-winch'))!.get().version);
    expect(await stateOf('sluice-winch')).toBe('not on the shelf');
    await restoreExample(database, DEMO, 'sluice-winch');
    expect(await stateOf('sluice-winch')).toBe('as it was');
    await database.write(({ trains }) => trains.destroy({ where: { id: 'sluice-winch' }, force: true }));
    await restoreExample(database, DEMO, 'sluice-winch');
    expect((await readable(database, 'sluice-winch')).version).toBe(1);
    expect((await restoreExample(database, DEMO, 'nowhere')).outcome).toBe('missing');
  });
});
