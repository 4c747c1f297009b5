/**
 * `npm run bench [core|page|screens|turning|saving|hostile]`: bundles the benchmarks as the application is bundled,
 *   then runs them.
 */
import { build } from 'esbuild';
import { spawnSync } from 'node:child_process';

const common = {
  bundle: true,
  platform: 'node',
  format: 'cjs',
  target: 'node20',
  alias: { '@': './src' },
  external: ['esbuild', '@playwright/test', 'sqlite3'],
};
await build({ ...common, entryPoints: ['bench/run.ts', 'bench/combinations-worker.ts'], outdir: 'dist/bench' });
process.exit(
  spawnSync(process.execPath, ['dist/bench/run.js', ...process.argv.slice(2)], { stdio: 'inherit' }).status ?? 1,
);
