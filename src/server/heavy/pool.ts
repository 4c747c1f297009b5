import { availableParallelism } from 'node:os';
import { resolve } from 'node:path';
import workerpool, { type Pool } from 'workerpool';
import type { ARCHIVE_JOBS } from '../bundle/archive-jobs';
import type { HEAVY_JOBS } from './jobs';

type Jobs = typeof HEAVY_JOBS & typeof ARCHIVE_JOBS;
export type Job = keyof Jobs;

/** A job was stopped: it took longer than it may, or nobody waits for it any more. */
export class Stopped extends Error {
  constructor(readonly reason: keyof typeof REASONS) {
    super(REASONS[reason]);
  }
}

const REASONS = {
  time: 'This takes longer than it may.',
  left: 'Nobody waits for this any more.',
  full: 'Too much waits already.',
};

/**
 * Who waits for what: reading and checking is never behind a drawing, a small train's never behind a tangle's, and none
 * behind what is done in the background. Each lane has threads of its own, started when they are first needed, and
 * gives way to others by so much.
 */
const LANES = {
  reading: { threads: 1, nice: 0 },
  /** Small trains, which are not to wait behind a tangle. */
  sketching: { threads: 1, nice: 5 },
  drawing: { threads: Math.max(1, availableParallelism() - 1), nice: 5 },
  /** Worksheets, whose questions have all to be made. */
  papers: { threads: 1, nice: 5 },
  background: { threads: 1, nice: 15 },
} as const;
/** Bundles may take long, and work in a process of their own (see archive-process.ts). */
type Lane = keyof typeof LANES | 'archives';

const SMALL = 12_000;

/** May the drawing of this document take seconds? */
export const isSlowToDraw = (document: string): boolean => document.length > SMALL;

const LANE_OF: Record<Job, Lane> = {
  check: 'reading',
  sentEntries: 'reading',
  sentAnswers: 'reading',
  sentDocument: 'reading',
  bundle: 'archives',
  unbundle: 'archives',
  json: 'reading',
  picture: 'reading',
  unreadable: 'reading',
  changes: 'reading',
  draw: 'drawing',
  summarise: 'background',
  drawWell: 'background',
};
/** Where a job goes that not every document of goes to the same place. */
function laneOf<J extends Job>(job: J, args: Parameters<Jobs[J]>): Lane {
  if (job === 'draw' && !isSlowToDraw((args as Parameters<Jobs['draw']>)[0])) return 'sketching';
  if (job === 'sentDocument' && (args as Parameters<Jobs['sentDocument']>)[1] === 'worksheet') return 'papers';
  return LANE_OF[job];
}

/** Far more than any document within the limits takes. */
const LIMIT_MS: Record<Job, number> = {
  check: 10_000,
  sentEntries: 10_000,
  sentAnswers: 10_000,
  sentDocument: 30_000,
  bundle: 300_000,
  unbundle: 300_000,
  json: 10_000,
  picture: 10_000,
  unreadable: 10_000,
  changes: 10_000,
  draw: 15_000,
  summarise: 30_000,
  drawWell: 60_000,
};
/** Jobs that may wait in a lane; then the server says that it is busy. */
const MOST_WAITING = 500;
/** How long a thread that is stopped in the middle may take to end by itself. */
const TERMINATE_MS = 50;

const holder = globalThis as { tinWheelWorkers?: Partial<Record<Lane, Pool>> };

function lane(name: Lane): Pool {
  const pools = (holder.tinWheelWorkers ??= {});
  return (pools[name] ??= name === 'archives' ? processLane() : threadLane(LANES[name]));
}

const threadLane = ({ threads, nice }: { readonly threads: number; readonly nice: number }): Pool =>
  workerpool.pool(resolve(/* turbopackIgnore: true */ process.env.TINWHEEL_WORKER ?? 'dist/heavy-work.cjs'), {
    workerType: 'thread',
    maxWorkers: threads,
    workerThreadOpts: { workerData: { nice } },
    maxQueueSize: MOST_WAITING,
    workerTerminateTimeout: TERMINATE_MS,
  });

const processLane = (): Pool =>
  workerpool.pool(resolve(/* turbopackIgnore: true */ process.env.TINWHEEL_ARCHIVES ?? 'dist/archives.cjs'), {
    workerType: 'process',
    maxWorkers: 1,
    maxQueueSize: MOST_WAITING,
    workerTerminateTimeout: TERMINATE_MS,
  });

/**
 * Does a job in a worker thread, or in the process for bundles.
 * @param signal ends the job when whoever asked for it has left.
 * @throws Stopped when it was ended before it was done.
 */
export function inWorker<J extends Job>(
  job: J,
  args: Parameters<Jobs[J]>,
  signal?: AbortSignal,
): Promise<Awaited<ReturnType<Jobs[J]>>> {
  if (signal?.aborted) return Promise.reject(new Stopped('left'));
  const pool = lane(laneOf(job, args));
  if (pool.stats().pendingTasks >= MOST_WAITING) return Promise.reject(new Stopped('full'));
  const work = pool.exec(job, args).timeout(LIMIT_MS[job]);
  const leave = () => void work.cancel();
  signal?.addEventListener('abort', leave, { once: true });
  return new Promise<Awaited<ReturnType<Jobs[J]>>>((done, fail) => {
    work.then(done, (error: unknown) =>
      fail(
        error instanceof workerpool.Promise.TimeoutError
          ? new Stopped('time')
          : error instanceof workerpool.Promise.CancellationError
            ? new Stopped('left')
            : error,
      ),
    );
  }).finally(() => signal?.removeEventListener('abort', leave));
}

/** How many threads there are, how many of them work, and how many jobs wait. */
export function workersNow(): { readonly threads: number; readonly busy: number; readonly waiting: number } {
  const stats = Object.values(holder.tinWheelWorkers ?? {}).map((pool) => pool.stats());
  const sum = (count: (one: (typeof stats)[number]) => number) => stats.reduce((total, one) => total + count(one), 0);
  return {
    threads: sum(({ totalWorkers }) => totalWorkers),
    busy: sum(({ busyWorkers }) => busyWorkers),
    waiting: sum(({ pendingTasks }) => pendingTasks),
  };
}

/** Ends all threads. */
export async function stopWorkers(): Promise<void> {
  const pools = Object.values(holder.tinWheelWorkers ?? {});
  holder.tinWheelWorkers = {};
  await Promise.all(pools.map((pool) => pool.terminate(true)));
}
