import { fillIn } from '../src/features/bench/build/table/fill';
import { readWritten, writeTrain } from '../src/core/written-form';
import { partsTable } from '../src/core/parts-table';
import { demoTrain } from '../src/testing/demo-train';
import type { Browser } from '@playwright/test';
import { BASE, median, withApplication } from './application';

const WARM = 30;
const ROUNDS = 20;

/** What reading, writing and a row of the table cost, and in the page how soon the editor opens. */
export async function benchBuild(): Promise<void> {
  console.log('\n== a train in writing, and its parts as tables');
  const sixty = readWritten(chainOf(20)).train;
  const great = readWritten(chainOf(399)).train;
  if (!sixty || !great) throw new Error('The trains to be measured do not read.');
  for (const [name, train, limit] of [
    ['60 parts', sixty, 5],
    ['400 members, 798 gears', great, 60],
  ] as const) {
    const text = writeTrain(train);
    const read = timed(() => readWritten(text));
    const write = timed(() => writeTrain({ ...train }));
    const again = timed(() => readWritten(text, train));
    console.log(
      `${name}: read ${read} ms, written ${write} ms (limit ${limit} ms each); read again, with ids kept, ${again} ms`,
    );
  }
  const harvester = demoTrain('harvester');
  console.log(`the harvester's table made: ${timed(() => partsTable({ ...harvester }))} ms`);
  const [first] = partsTable(harvester).sets;
  let teeth = 40;
  const cell = () => {
    teeth = teeth === 40 ? 41 : 40;
    fillIn(harvester, [], { section: 'sets', row: 0, column: 'sun', texts: [[String(teeth)]] }, false);
  };
  console.log(`a cell of it (${first?.cells.sunOn}) taken: ${timed(cell)} ms`);
  await withApplication(benchEditor);
}

/** A chain of pairs of so many shafts. */
function chainOf(pairs: number): string {
  const rows = Array.from(
    { length: pairs },
    (_, i) =>
      `pair: ${19 + (i % 30)} on shaft ${i} drives ${32 + (i % 40)} on shaft ${i + 1}, module 2, efficiency 0.98`,
  );
  return `train Chain\ninput shaft 0\noutput shaft ${pairs}\n${rows.join('\n')}\n`;
}

function timed(work: () => unknown): string {
  for (let i = 0; i < WARM; i++) work();
  const times = Array.from({ length: ROUNDS }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  });
  return median(times).toFixed(1);
}

async function benchEditor(browser: Browser): Promise<void> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${BASE}/trains/harvester`);
  await page.getByTestId('ratio').waitFor();
  await page.waitForLoadState('networkidle');
  const start = performance.now();
  await page.getByRole('button', { name: 'Text', exact: true }).click();
  await page.getByRole('textbox', { name: 'The train in writing' }).waitFor();
  console.log(`first opening of the editor: ${(performance.now() - start).toFixed(0)} ms (limit 400 ms)`);
}
