import { setPriority } from 'node:os';
import workerpool from 'workerpool';
import { ARCHIVE_JOBS } from '../bundle/archive-jobs';

/**
 * What the process for bundles runs; scripts/build-server.mjs bundles it. It is a process, not a thread: it opens the
 * database for itself, and SQLite's binding brings the whole server down when a thread with it is ended in the middle.
 */
const NICE = 10;
if (process.platform === 'linux') setPriority(NICE);

workerpool.worker({ ...ARCHIVE_JOBS });
