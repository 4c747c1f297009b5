export { checkBundle } from './check';
export { gatherBundle } from './gather';
export { CHOICES, planRestore, restoreBundle, type Choice, type Plan, type Restored } from './restore';
export { MOST_ZIP_BYTES, zipped } from './zip';
