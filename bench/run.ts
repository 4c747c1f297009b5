/**
 * `npm run bench -- [core|page|screens|turning|saving|hostile]`: prints how fast the parts are that people wait for. Not a test: nothing fails.
 * The figures of the page, of the screens, of turning, of saving and of hostile documents need a build (`npm run build`).
 */
import { benchCore } from './core';
import { benchHostile } from './hostile';
import { benchPage } from './page';
import { benchSaving } from './saving';
import { benchScreens } from './screens';
import { benchTurning } from './turning';

async function main(): Promise<void> {
  const [, , only] = process.argv;
  if (only === undefined || only === 'core') await benchCore();
  if (only === undefined || only === 'page') await benchPage();
  if (only === undefined || only === 'screens') await benchScreens();
  if (only === undefined || only === 'turning') await benchTurning();
  if (only === undefined || only === 'saving') await benchSaving();
  if (only === undefined || only === 'hostile') await benchHostile();
}

void main();
