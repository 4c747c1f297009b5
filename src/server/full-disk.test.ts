import { freshShelf } from '@/testing/fresh-shelf';
import { readable, save } from '@/testing/kept';
import { guarded, savedResponse } from './http';
import { listRevisions } from './trains/revisions';
import { listShelf } from './trains/shelf';

const shelf = freshShelf();

/** Lets the file grow no more, as a full disk does. */
async function fill(): Promise<void> {
  await shelf().alone(async ({ sql }) => {
    const [row] = await sql<{ page_count: number }>('PRAGMA page_count');
    await sql(`PRAGMA max_page_count = ${row!.page_count}`);
  });
}

test('on a full disk reading goes on, and a save says that nothing was saved, which is so', async () => {
  const { train } = await readable(shelf(), 'stirrer');
  const large = { ...train, notes: 'salt '.repeat(3900) };
  await fill();
  const log = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  const refused = await guarded(async () => savedResponse(await save(shelf(), 'stirrer', 1, large)));
  log.mockRestore();
  expect(refused.status).toBe(507);
  expect(await refused.json()).toMatchObject({
    error: { code: 'full', message: expect.stringContaining('nothing was saved') },
  });

  expect((await readable(shelf(), 'stirrer')).train).toEqual(train);
  expect(await listRevisions(shelf(), 'stirrer')).toHaveLength(1);
  expect((await listShelf(shelf())).total).toBeGreaterThan(5);

  await shelf().alone(({ sql }) => sql('PRAGMA max_page_count = 1000000'));
  const saved = await guarded(async () => savedResponse(await save(shelf(), 'stirrer', 1, large)));
  expect([saved.status, (await readable(shelf(), 'stirrer')).train.notes]).toEqual([200, large.notes]);
});
