import { JobRunner } from './job-runner';
import { JOB_TABLE } from './job-table';
import type { Jobs } from './jobs';
import { Pool, type Lane } from './pool';

export type { Diagnosis, SchemesTold, TestWords, TriedFix } from './jobs';

export type JobName = keyof Jobs & string;
export type Runner<K extends JobName> = JobRunner<Jobs, K>;

/** A core is left for the page. */
const MOST = Math.min(3, Math.max(1, (globalThis.navigator?.hardwareConcurrency ?? 2) - 1));

const pool = new Pool<Jobs>(() => {
  const worker = new Worker(new URL('./work.worker.ts', import.meta.url), { type: 'module' });
  const gone = new Promise((done) => worker.addEventListener('error', done));
  return { endpoint: worker, end: () => worker.terminate(), gone };
}, MOST);

const lanes = new Map<string, Lane<Jobs>>();

function laneOf(name: string): Lane<Jobs> {
  const lane = lanes.get(name) ?? pool.lane();
  lanes.set(name, lane);
  return lane;
}

/** What runs a job beside the page, in its lane and within its limit. */
export function jobRunner<K extends JobName>(name: K): Runner<K> {
  const { lane, limitS } = JOB_TABLE[name];
  return new JobRunner(laneOf(lane), name, limitS);
}

/** Gets a worker ready; asked for when the page has nothing to do. */
export const warm = (): void => pool.warm();
