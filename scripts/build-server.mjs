/** Bundles what Node starts from a file: the program that serves, and what its worker threads run. */
import { build } from 'esbuild';

const common = {
  bundle: true,
  platform: 'node',
  format: 'cjs',
  target: 'node20',
  alias: { '@': './src' },
  logLevel: 'error',
};
await build({ ...common, entryPoints: ['src/server/heavy/worker.ts'], outfile: 'dist/heavy-work.cjs' });
await build({ ...common, entryPoints: ['src/server/serve.ts'], outfile: 'dist/serve.cjs', external: ['next'] });
await build({
  ...common,
  entryPoints: ['src/server/heavy/archive-process.ts'],
  outfile: 'dist/archives.cjs',
  external: ['sequelize', 'sqlite3'],
});
