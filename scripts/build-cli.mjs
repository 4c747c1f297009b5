/**
 * Bundles bin/tinwheel's programs into one file each, so that they start at once: what only reads files, and what works
 * on the database.
 */
import { build } from 'esbuild';
import { mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';

/** Builds one program; its file is whole or not there, whoever else builds or starts it meanwhile. */
async function program(options) {
  const { outputFiles } = await build({ ...common, ...options, write: false });
  const part = `${options.outfile}.${process.pid}.part`;
  mkdirSync(dirname(options.outfile), { recursive: true });
  writeFileSync(part, outputFiles[0].contents);
  renameSync(part, options.outfile);
}

const { version } = JSON.parse(readFileSync('package.json', 'utf8'));
const common = {
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  minify: true,
  alias: { '@': './src' },
  define: { 'process.env.TINWHEEL_VERSION': JSON.stringify(version) },
};
await program({ entryPoints: ['src/cli/main.ts'], outfile: 'dist/tinwheel.mjs' });
await program({
  entryPoints: ['src/cli/sheet/main.ts'],
  outfile: 'dist/tinwheel-sheet.mjs',
  alias: { ...common.alias, 'react-dom/server': 'react-dom/server.browser' },
  define: { 'process.env.NODE_ENV': '"production"' },
});
await program({
  entryPoints: ['src/cli/database/main.ts'],
  outfile: 'dist/tinwheel-data.mjs',
  external: ['sequelize', 'sqlite3', 'umzug', 'workerpool', 'yauzl'],
});
