import type { Jobs } from './jobs';
import { Pool, type Lane } from './pool';

export type { Diagnosis, TestWords, Tried } from './jobs';

/** A core is left for the page. */
const MOST = Math.min(3, Math.max(1, (globalThis.navigator?.hardwareConcurrency ?? 2) - 1));

const pool = new Pool<Jobs>(() => {
  const worker = new Worker(new URL('./work.worker.ts', import.meta.url), { type: 'module' });
  const gone = new Promise((done) => worker.addEventListener('error', done));
  return { endpoint: worker, end: () => worker.terminate(), gone };
}, MOST);

/** Asks for work beside the page; what is asked later takes the place of what was asked before. */
export const lane = (): Lane<Jobs> => pool.lane();

/** Gets a worker ready; asked for when the page has nothing to do. */
export const warm = (): void => pool.warm();
