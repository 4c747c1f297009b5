/**
 * `npm run bench -- [part]`: prints how fast the parts are that people wait for, or one of them by the names in main().
 * Not a test: nothing fails. The figures of the page, of the screens, of the chart, of turning, of saving and of
 * hostile documents need a build (`npm run build`).
 */
import { benchBody } from './body';
import { benchChart } from './chart';
import { benchBuild } from './build';
import { benchCore } from './core';
import { benchHostile } from './hostile';
import { benchLog } from './log';
import { benchMany } from './many';
import { benchMetal } from './metal';
import { benchPage } from './page';
import { benchSaving } from './saving';
import { benchSchemes } from './schemes';
import { benchScreens } from './screens';
import { benchShapes } from './shapes';
import { benchShifting } from './shifting';
import { benchTeeth } from './teeth';
import { benchTurning } from './turning';

async function main(): Promise<void> {
  const [, , only] = process.argv;
  if (only === undefined || only === 'core') await benchCore();
  if (only === undefined || only === 'build') await benchBuild();
  if (only === undefined || only === 'page') await benchPage();
  if (only === undefined || only === 'screens') await benchScreens();
  if (only === undefined || only === 'chart') await benchChart();
  if (only === undefined || only === 'teeth') benchTeeth();
  if (only === undefined || only === 'shifting') benchShifting();
  if (only === undefined || only === 'log') benchLog();
  if (only === undefined || only === 'shapes') benchShapes();
  if (only === undefined || only === 'metal') benchMetal();
  if (only === undefined || only === 'schemes') benchSchemes();
  if (only === undefined || only === 'body') await benchBody();
  if (only === undefined || only === 'turning') await benchTurning();
  if (only === undefined || only === 'saving') await benchSaving();
  if (only === undefined || only === 'many') await benchMany();
  if (only === undefined || only === 'hostile') await benchHostile();
}

// What a measurement leaves open, such as a connection that is kept, must not keep the program alive.
void main().then(() => process.exit());
