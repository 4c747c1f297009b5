import { setPriority } from 'node:os';
import { workerData } from 'node:worker_threads';
import workerpool from 'workerpool';
import { HEAVY_JOBS } from './jobs';

/** What a worker thread runs; scripts/build-server.mjs bundles it, since threads start from a file. */
// On Linux this is the thread's own: whoever waits for a small answer goes before whoever waits for a drawing.
const { nice } = workerData as { readonly nice: number };
if (process.platform === 'linux') setPriority(nice);

workerpool.worker({ ...HEAVY_JOBS });
