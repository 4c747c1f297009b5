/** Bundles bin/tinwheel's programs into one file each, so that they start at once: what only reads files, and what works on the database. */
import { build } from 'esbuild';

const common = {
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  minify: true,
  alias: { '@': './src' },
};
await build({ ...common, entryPoints: ['src/cli/main.ts'], outfile: 'dist/tinwheel.mjs' });
await build({
  ...common,
  entryPoints: ['src/cli/sheet/main.ts'],
  outfile: 'dist/tinwheel-sheet.mjs',
  alias: { ...common.alias, 'react-dom/server': 'react-dom/server.browser' },
  define: { 'process.env.NODE_ENV': '"production"' },
});
await build({
  ...common,
  entryPoints: ['src/cli/data/main.ts'],
  outfile: 'dist/tinwheel-data.mjs',
  external: ['sequelize', 'sqlite3', 'umzug', 'workerpool'],
});
