export { ARCHIVE_JOBS } from './archive-jobs';
export { BundleError } from './limits';
export type { Plan, There } from './plan';
export { CHOICES, restoreBundle, takeBackBrokenOff, type RestoreChoice, type Restored } from './restore';
export { clearLeftFolders, inTemporaryFolder } from './temporary-folder';
