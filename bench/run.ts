/**
 * `npm run bench -- [core|page]`: prints how fast the parts are that people wait for. Not a test: nothing fails.
 * The page figures need a build (`npm run build`).
 */
import { benchCore } from './core';
import { benchPage } from './page';

async function main(): Promise<void> {
  const [, , only] = process.argv;
  if (only === undefined || only === 'core') await benchCore();
  if (only === undefined || only === 'page') await benchPage();
}

void main();
