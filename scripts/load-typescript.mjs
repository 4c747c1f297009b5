/** Lets a thread of the unit tests load TypeScript, with the paths of tsconfig.json. */
import { register as registerRequire } from 'tsx/cjs/api';
import { register as registerImport } from 'tsx/esm/api';

registerRequire();
registerImport();
