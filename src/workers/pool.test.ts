import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { Worker } from 'node:worker_threads';
import nodeEndpoint from 'comlink/dist/umd/node-adapter';
import { Pool } from './pool';

/** Jobs that run in real threads: each counts up slowly, waits for ever, or fails. */
const SOURCE = `
  const { parentPort, threadId } = require('node:worker_threads');
  const { expose } = require('comlink');
  const endpoint = require('comlink/dist/umd/node-adapter');
  expose({
    async count(to, progress) { for (let i = 1; i <= to; i++) await progress(i, to); return { counted: to, threadId }; },
    forever() { for (;;); },
    fail(why) { throw new Error(why); },
  }, endpoint(parentPort));
`;

type Jobs = {
  count: (to: number, progress: (done: number, total: number) => void) => { counted: number; threadId: number };
  forever: (input: null) => never;
  fail: (why: string) => never;
};

const threads: Worker[] = [];
let alive = 0;
function pool(most: number): Pool<Jobs> {
  return new Pool<Jobs>(() => {
    const thread = new Worker(SOURCE, { eval: true });
    threads.push(thread);
    alive++;
    thread.on('exit', () => alive--);
    return { endpoint: nodeEndpoint(thread), end: () => void thread.terminate() };
  }, most);
}

/** What nobody keeps is gone afterwards, and whoever wanted to hear of it has. */
async function collectGarbage(): Promise<void> {
  setFlagsFromString('--expose-gc');
  const collect = runInNewContext('gc') as () => void;
  for (let round = 0; round < 5; round++) {
    collect();
    await later(20);
  }
}

const later = (ms: number) => new Promise((done) => setTimeout(done, ms));
afterEach(async () => {
  await Promise.all(threads.splice(0).map((thread) => thread.terminate()));
});

test('a job gives its result, tells how far it is, and its thread is used again', async () => {
  const lane = pool(1).lane();
  const told: number[] = [];
  const first = await lane.run('count', 3, (done) => told.push(done));
  const second = await lane.run('count', 2);
  expect(first).toMatchObject({ counted: 3 });
  expect(told).toEqual([1, 2, 3]);
  expect(second!.threadId).toBe(first!.threadId);
});

test('a thread that waited while memory was cleared up is used again, and answers', async () => {
  const own = pool(1);
  const first = await own.lane().run('count', 1);
  await collectGarbage();
  const second = await own.lane().run('count', 2);
  expect(second).toEqual({ counted: 2, threadId: first!.threadId });
});

test('the latest request of a lane wins, even over a job that never ends', async () => {
  const lane = pool(1).lane();
  const never = lane.run('forever', null);
  await later(200);
  const counted = lane.run('count', 1);
  expect(await never).toBeNull();
  expect(await counted).toMatchObject({ counted: 1 });
});

test('what is given up ends, tells nothing more, and leaves no thread behind', async () => {
  const lane = pool(1).lane();
  const told: number[] = [];
  const counted = lane.run('count', 1_000_000, (done) => told.push(done));
  while (told.length < 5) await later(10);
  lane.giveUp();
  expect(await counted).toBeNull();
  const { length } = told;
  await later(100);
  // On a busy machine a thread takes a while to end; one that never does runs into the time limit of the test.
  while (alive > 0) await later(10);
  expect(told).toHaveLength(length);
  expect(alive).toBe(0);
});

test('errors come back as errors, and the thread goes on', async () => {
  const lane = pool(1).lane();
  await expect(lane.run('fail', 'no such gear')).rejects.toThrow('no such gear');
  expect(await lane.run('count', 1)).toMatchObject({ counted: 1 });
});

test('more askers than threads wait their turn, and one that gives up waiting holds nobody up', async () => {
  const one = pool(1);
  const [a, b, c, d] = [one.lane(), one.lane(), one.lane(), one.lane()];
  // Far shorter than what makes the pool get another thread ready, on a busy machine too.
  const running = a.run('count', 40);
  const [gone, next, last] = [b.run('count', 1), c.run('count', 2), d.run('count', 3)];
  b.giveUp();
  expect(await gone).toBeNull();
  expect(await running).toMatchObject({ counted: 40 });
  expect(await Promise.all([next, last])).toMatchObject([{ counted: 2 }, { counted: 3 }]);
  expect(threads).toHaveLength(1);
});

test('whoever waits behind a job that is given up comes next', async () => {
  const one = pool(1);
  const [a, b] = [one.lane(), one.lane()];
  const never = a.run('forever', null);
  const counted = b.run('count', 1);
  await later(100);
  a.giveUp();
  expect(await never).toBeNull();
  expect(await counted).toMatchObject({ counted: 1 });
});

test('a worker that was got ready does the first job', async () => {
  const one = pool(2);
  one.warm();
  one.warm();
  expect(threads).toHaveLength(1);
  expect(await one.lane().run('count', 2)).toMatchObject({ counted: 2 });
  expect(threads).toHaveLength(1);
});
