import { Worker } from 'node:worker_threads';
import { BASE, quantile } from './application';

/** Somebody else, in a thread of their own: asks for something small again and again, and keeps how long each took. */
const SOMEBODY = `
const { parentPort, workerData: { base, train, version } } = require('node:worker_threads');
const times = [];
let over = false;
parentPort.on('message', () => (over = true));
const pause = () => new Promise((done) => setTimeout(done, 5));
(async () => {
  let at = version;
  for (let i = 0; !over; i++) {
    const start = performance.now();
    const response = version === null
      ? await fetch(base + '/api/trains/sluice-winch')
      : await fetch(base + '/api/trains/' + train.id, {
          method: 'PUT',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ version: at++, train: { ...train.document, notes: String(i) } }),
        });
    if (!response.ok) throw new Error(response.status + ' ' + (await response.text()));
    await response.text();
    times.push(performance.now() - start);
    await pause();
  }
  parentPort.postMessage(times);
})();
`;

export interface Waits {
  readonly took: number;
  readonly times: readonly number[];
}

/** What somebody saves, or null where they only read. */
export interface Saving {
  readonly id: string;
  readonly version: number;
  readonly document: object;
}

/** Does the work, and meanwhile lets somebody else read a small train, or save one. */
export async function waitsDuring(work: () => Promise<unknown>, saving: Saving | null = null): Promise<Waits> {
  const somebody = new Worker(SOMEBODY, {
    eval: true,
    workerData: {
      base: BASE,
      train: saving && { id: saving.id, document: saving.document },
      version: saving?.version ?? null,
    },
  });
  const times = new Promise<readonly number[]>((done, fail) => {
    somebody.once('message', done);
    somebody.once('error', fail);
  });
  // It has begun.
  await new Promise((done) => setTimeout(done, 150));
  const start = performance.now();
  await work();
  const took = performance.now() - start;
  somebody.postMessage('over');
  return { took, times: await times };
}

/** "p50 2.1 ms, p99 8.0 (1.4 of idle), at most 12.0" */
export function waitsText({ times }: Waits, idle: Waits): string {
  const p99 = quantile(times, 0.99);
  return (
    `${times.length} others waited p50 ${quantile(times, 0.5).toFixed(1)} ms, p99 ${p99.toFixed(1)} ` +
    `(${(p99 / quantile(idle.times, 0.99)).toFixed(1)} of idle, ` +
    `${(p99 - quantile(idle.times, 0.99)).toFixed(0)} ms more), at most ` +
    `${Math.max(...times).toFixed(1)}`
  );
}
