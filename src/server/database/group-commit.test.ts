import { groupCommit } from './group-commit';

/** A table whose writes take a while, and are refused where a row is negative. */
function slowTable() {
  const written: (readonly number[])[] = [];
  const write = async (rows: readonly number[]): Promise<void> => {
    await new Promise((done) => setTimeout(done, 5));
    if (rows.some((row) => row < 0)) throw new Error('refused');
    written.push(rows);
  };
  return { written, add: groupCommit(write, 4) };
}

test('what comes while a write is under way goes together, in its order, in writes that are not too large', async () => {
  const { written, add } = slowTable();
  await Promise.all([[1], [2], [3, 4], [5], [6, 7, 8, 9, 10], [11]].map((rows) => add(rows)));
  expect(written).toEqual([[1], [2, 3, 4, 5], [6, 7, 8, 9, 10], [11]]);
  await add([12]);
  expect(written.at(-1)).toEqual([12]);
});

test('who is at fault is refused, and nobody else', async () => {
  const { written, add } = slowTable();
  const answers = await Promise.allSettled([[1], [2], [3, -3], [4]].map((rows) => add(rows)));
  expect(answers.map(({ status }) => status)).toEqual(['fulfilled', 'fulfilled', 'rejected', 'fulfilled']);
  expect(written.flat()).toEqual([1, 2, 4]);
  await expect(add([-1])).rejects.toThrow('refused');
});
