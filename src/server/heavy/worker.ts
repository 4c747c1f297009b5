import { setPriority } from 'node:os';
import workerpool from 'workerpool';
import { JOBS } from './jobs';

/** What a worker thread runs; scripts/build-worker.mjs bundles it, since threads start from a file. */
// On Linux this is the thread's own: whoever waits for a small answer goes before whoever waits for a drawing.
if (process.platform === 'linux') setPriority(10);

workerpool.worker({ ...JOBS });
