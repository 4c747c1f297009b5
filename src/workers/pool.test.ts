import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { later, threadPool as pool, threads, threadsAlive, type ThreadJobs as Jobs } from '@/testing/thread-pool';
import { JobRunner } from './job-runner';
import { Lane, type Pool } from './pool';

/** What nobody keeps is gone afterwards, and whoever wanted to hear of it has. */
async function collectGarbage(): Promise<void> {
  setFlagsFromString('--expose-gc');
  const collect = runInNewContext('gc') as () => void;
  for (let round = 0; round < 5; round++) {
    collect();
    await later(20);
  }
}

test('a job gives its result, tells how far it is, and its thread is used again', async () => {
  const lane = pool(1).lane();
  const told: number[] = [];
  const first = await lane.run('count', 3, (done) => told.push(done));
  expect(await lane.run('count', 2)).toMatchObject({ value: { counted: 2 } });
  expect(first).toMatchObject({ value: { counted: 3 } });
  expect(told).toEqual([1, 2, 3]);
  expect(threads).toHaveLength(1);
});

test('a thread that waited while memory was cleared up is used again, and answers', async () => {
  const own = pool(1);
  await own.lane().run('count', 1);
  await collectGarbage();
  expect(await own.lane().run('count', 2)).toMatchObject({ value: { counted: 2 } });
  expect(threads).toHaveLength(1);
});

test('the latest request of a lane wins, even over a job that never ends', async () => {
  const lane = pool(1).lane();
  const never = lane.run('forever', null);
  await later(200);
  const counted = lane.run('count', 1);
  expect(await never).toEqual({ superseded: true });
  expect(await counted).toMatchObject({ value: { counted: 1 } });
});

test('what is given up in the moment it was asked is begun by no thread', async () => {
  const own = pool(1);
  await own.lane().run('count', 1);
  const lane = own.lane();
  const never = lane.run('forever', null);
  lane.giveUp();
  // The thread that is idle is free for this one: with the other before it, it would never come.
  const counted = await own.lane().run('count', 2);
  expect(counted).toMatchObject({ value: { counted: 2 } });
  expect(await never).toEqual({ superseded: true });
  expect(threads).toHaveLength(1);
});

test('what is given up ends, tells nothing more, and leaves no thread behind', async () => {
  const lane = pool(1).lane();
  const told: number[] = [];
  const counted = lane.run('count', 1_000_000, (done) => told.push(done));
  while (told.length < 5) await later(10);
  lane.giveUp();
  expect(await counted).toEqual({ superseded: true });
  const { length } = told;
  await later(100);
  // On a busy machine a thread takes a while to end; one that never does runs into the time limit of the test.
  while (threadsAlive() > 0) await later(10);
  expect(told).toHaveLength(length);
  expect(threadsAlive()).toBe(0);
});

test('news that arrive after the value are not told', async () => {
  // The port that brings news is not the one that brings the value: here the value is first.
  const late = {
    run: (_name: string, to: number, _signal: AbortSignal, tell: (done: number, total: number) => void) => {
      setTimeout(() => tell(1, to), 5);
      return Promise.resolve({ counted: to, threadId: 0 });
    },
  } as unknown as Pool<Jobs>;
  const runner = new JobRunner<Jobs, 'count'>(new Lane(late), 'count');
  await runner.begin(2);
  await later(50);
  expect(runner.state()).toMatchObject({ kind: 'done', value: { counted: 2 } });
});

test('errors come back as errors, and the thread goes on', async () => {
  const lane = pool(1).lane();
  await expect(lane.run('fail', 'no such gear')).rejects.toThrow('no such gear');
  expect(await lane.run('count', 1)).toMatchObject({ value: { counted: 1 } });
});

test('a worker that vanishes is told, and another does what is asked next', async () => {
  const lane = pool(1).lane();
  await expect(lane.run('vanish', null)).rejects.toThrow('stopped unexpectedly');
  expect(await lane.run('count', 2)).toMatchObject({ value: { counted: 2 } });
});

test('more askers than threads wait their turn, and one that gives up waiting holds nobody up', async () => {
  const one = pool(1);
  const [a, b, c, d] = [one.lane(), one.lane(), one.lane(), one.lane()];
  // Far shorter than what makes the pool get another thread ready, on a busy machine too.
  const running = a.run('count', 40);
  const [gone, next, last] = [b.run('count', 1), c.run('count', 2), d.run('count', 3)];
  b.giveUp();
  expect(await gone).toEqual({ superseded: true });
  expect(await running).toMatchObject({ value: { counted: 40 } });
  expect(await Promise.all([next, last])).toMatchObject([{ value: { counted: 2 } }, { value: { counted: 3 } }]);
  expect(threads).toHaveLength(1);
});

test('whoever waits behind a job that is given up comes next', async () => {
  const one = pool(1);
  const [a, b] = [one.lane(), one.lane()];
  const never = a.run('forever', null);
  const counted = b.run('count', 1);
  await later(100);
  a.giveUp();
  expect(await never).toEqual({ superseded: true });
  expect(await counted).toMatchObject({ value: { counted: 1 } });
});

test('a worker that was got ready does the first job', async () => {
  const one = pool(2);
  one.warm();
  one.warm();
  expect(threads).toHaveLength(1);
  expect(await one.lane().run('count', 2)).toMatchObject({ value: { counted: 2 } });
  expect(threads).toHaveLength(1);
});

describe('a job as the page sees it', () => {
  /** A runner, and every state that it said, without what was told on the way. */
  function runner<K extends keyof Jobs>(name: K) {
    const own = new JobRunner<Jobs, K>(pool(1).lane(), name);
    const kinds: string[] = [];
    own.subscribe(() => kinds.at(-1) !== own.state().kind && kinds.push(own.state().kind));
    return { own, kinds };
  }

  test('runs, and is done', async () => {
    const { own, kinds } = runner('count');
    expect(own.state()).toEqual({ kind: 'idle' });
    await own.begin(3);
    expect(kinds).toEqual(['running', 'done']);
    expect(own.state()).toMatchObject({ kind: 'done', value: { counted: 3 } });
  });

  test('what is begun later supersedes it: the first never says that it is done', async () => {
    const { own, kinds } = runner('count');
    const first = own.begin(1_000_000);
    while (!('partial' in own.state() && (own.state() as { partial: number | null }).partial)) await later(5);
    await Promise.all([first, own.begin(2)]);
    expect(own.state()).toMatchObject({ kind: 'done', value: { counted: 2 } });
    expect(kinds).toEqual(['running', 'done']);
  });

  test('stopped, what was told so far stands, and nothing comes after it', async () => {
    const { own } = runner('count');
    const counting = own.begin(1_000_000);
    while (!('partial' in own.state() && (own.state() as { partial: number | null }).partial)) await later(5);
    own.stop();
    const stopped = own.state();
    expect(stopped).toMatchObject({ kind: 'stopped', partial: expect.any(Number) as number });
    await counting;
    await later(50);
    expect(own.state()).toBe(stopped);
    // What does not run cannot be stopped.
    own.leave();
    own.stop();
    expect(own.state()).toEqual({ kind: 'idle' });
  });
});
