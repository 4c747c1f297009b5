import { contentKey, Results } from './results';

/** Work that ends when it is told to, and says whether it was ended. */
function slowWork() {
  let finish: (value: string) => void = () => undefined;
  const ended: AbortSignal[] = [];
  let runs = 0;
  const work = (ends: AbortSignal) => {
    runs++;
    ended.push(ends);
    return new Promise<string>((done, fail) => {
      finish = done;
      ends.addEventListener('abort', () => fail(new Error('ended')));
    });
  };
  return {
    work,
    finish: (value: string) => finish(value),
    runs: () => runs,
    wasEnded: () => ended.some(({ aborted }) => aborted),
  };
}

describe('results by content', () => {
  test('what several ask for is worked out once, and then known', async () => {
    const results = new Results<string>(10);
    const { work, finish, runs } = slowWork();
    const both = [results.of('k', work), results.of('k', work)];
    finish('done');
    expect(await Promise.all(both)).toEqual(['done', 'done']);
    expect(await results.of('k', work)).toBe('done');
    expect(runs()).toBe(1);
  });

  test('one who leaves does not end it for the others; the last does', async () => {
    const results = new Results<string>(10);
    const { work, finish, wasEnded } = slowWork();
    const [first, second] = [new AbortController(), new AbortController()];
    const left = results.of('k', work, first.signal);
    const stays = results.of('k', work, second.signal);
    first.abort();
    await expect(left).rejects.toThrow('Nobody waits');
    expect(wasEnded()).toBe(false);
    finish('done');
    expect(await stays).toBe('done');

    const other = slowWork();
    const alone = results.of('other', other.work, second.signal);
    second.abort();
    await expect(alone).rejects.toThrow('Nobody waits');
    expect(other.wasEnded()).toBe(true);
    // Whoever comes now starts it anew instead of joining what was ended.
    const again = results.of('other', other.work);
    other.finish('anew');
    expect(await again).toBe('anew');
  });

  test('what failed is not kept, and only so many are', async () => {
    const results = new Results<string>(2);
    await expect(results.of('bad', () => Promise.reject(new Error('no')))).rejects.toThrow('no');
    expect(results.has('bad')).toBe(false);
    for (const key of ['a', 'b', 'c']) await results.of(key, () => Promise.resolve(key));
    expect([results.get('a'), results.get('b'), results.get('c')]).toEqual([undefined, 'b', 'c']);
  });

  test('texts that differ have different keys, wherever they are parted', () => {
    expect(contentKey('ab', 'c')).not.toBe(contentKey('a', 'bc'));
    expect(contentKey('ab', 'c')).toBe(contentKey('ab', 'c'));
  });
});
