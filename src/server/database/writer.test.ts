import { Writer } from './writer';

/** A connection that keeps what is committed, and takes a while to. */
function slowConnection() {
  const committed: (readonly number[])[] = [];
  let rows: number[] = [];
  const run = async (sql: string): Promise<void> => {
    if (sql === 'COMMIT') {
      await new Promise((done) => setTimeout(done, 5));
      committed.push(rows);
    }
    rows = [];
  };
  const put = async (...added: readonly number[]): Promise<number> => {
    await Promise.resolve();
    if (added.some((row) => row < 0)) throw new Error('refused');
    rows.push(...added);
    return added.length;
  };
  return { committed, put, writer: new Writer({ run }) };
}

test('what comes while a transaction is under way goes together, in its order', async () => {
  const { committed, put, writer } = slowConnection();
  const counts = await Promise.all([[1], [2], [3, 4], [5]].map((rows) => writer.write(() => put(...rows))));
  expect(counts).toEqual([1, 1, 2, 1]);
  expect(committed).toEqual([[1], [2, 3, 4, 5]]);
  await writer.write(() => put(6));
  expect(committed.at(-1)).toEqual([6]);
});

test('who is at fault is refused, and nobody else', async () => {
  const { committed, put, writer } = slowConnection();
  const answers = await Promise.allSettled([[1], [2], [3, -3], [4]].map((rows) => writer.write(() => put(...rows))));
  expect(answers.map(({ status }) => status)).toEqual(['fulfilled', 'fulfilled', 'rejected', 'fulfilled']);
  expect(committed.flat()).toEqual([1, 2, 4]);
  await expect(writer.write(() => put(-1))).rejects.toThrow('refused');
});

test('what cannot be in a transaction has its turn between two', async () => {
  const { committed, put, writer } = slowConnection();
  const seen: number[] = [];
  const first = [writer.write(() => put(1)), writer.write(() => put(2))];
  const alone = writer.alone(() => Promise.resolve(seen.push(committed.length)));
  await Promise.all([...first, alone, writer.write(() => put(3))]);
  expect(seen).toEqual([2]);
  expect(committed).toEqual([[1], [2], [3]]);
  await expect(writer.alone(() => Promise.reject(new Error('no')))).rejects.toThrow('no');
  expect(await writer.write(() => put(4))).toBe(1);
});
