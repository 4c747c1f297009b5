/** Bundles bin/tinwheel's program into one file, so that it starts at once. */
import { build } from 'esbuild';

await build({
  entryPoints: ['src/cli/main.ts'],
  outfile: 'dist/tinwheel.mjs',
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  minify: true,
  alias: { '@': './src' },
});
