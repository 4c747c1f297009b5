import { Worker } from 'node:worker_threads';
import nodeEndpoint from 'comlink/dist/umd/node-adapter';
import { Pool } from '@/workers/pool';

/** Jobs that run in real threads: each counts up slowly, waits for ever, or fails. */
const SOURCE = `
  const { parentPort, threadId } = require('node:worker_threads');
  const { expose } = require('comlink');
  const endpoint = require('comlink/dist/umd/node-adapter');
  expose({
    async count(to, progress) {
      for (let i = 1; i <= to; i++) await progress(i, to);
      return { counted: to, threadId };
    },
    forever() { for (;;); },
    fail(why) { throw new Error(why); },
    vanish() { process.exit(1); },
  }, endpoint(parentPort));
`;

export type ThreadJobs = {
  count: (to: number, progress: (done: number, total: number) => void) => { counted: number; threadId: number };
  forever: (input: null) => never;
  fail: (why: string) => never;
  vanish: (input: null) => never;
};

export const threads: Worker[] = [];
let alive = 0;
export const threadsAlive = (): number => alive;
/** A pool of real threads; those that are left are ended after each test. */
export function threadPool(most: number): Pool<ThreadJobs> {
  return new Pool<ThreadJobs>(() => {
    const thread = new Worker(SOURCE, { eval: true });
    threads.push(thread);
    alive++;
    thread.on('exit', () => alive--);
    const gone = new Promise((done) => thread.once('exit', done));
    return { endpoint: nodeEndpoint(thread), end: () => void thread.terminate(), gone };
  }, most);
}

export const later = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));

afterEach(async () => {
  await Promise.all(threads.splice(0).map((thread) => thread.terminate()));
});
