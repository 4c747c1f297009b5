import { fillIn } from '../src/features/bench/build/table/fill';
import { NO_DRAFTS } from '../src/features/bench/build/table/kept-rows';
import { readWritten, writeTrain } from '../src/core/written-form';
import { partsTable } from '../src/core/parts-table';
import { demoTrain } from '../src/testing/demo-train';
import type { Browser, Page } from '@playwright/test';
import { BASE, median, quantile, withApplication } from './application';

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
    fillIn(harvester, NO_DRAFTS, { section: 'sets', row: 0, column: 'sun', texts: [[String(teeth)]] }, false);
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
  const times = await typedCounts(page);
  console.log(
    `a count typed in the editor, its ratio painted after: median ${median(times).toFixed(1)} ms, ` +
      `p95 ${quantile(times, 0.95).toFixed(1)} (limit 50 ms)`,
  );
}

/**
 * Types a digit behind the count of the sun that first speed hangs on, and takes it away again; from key to the frame
 * with the new ratio.
 */
async function typedCounts(page: Page): Promise<number[]> {
  const line = page.locator('.cm-line', { hasText: 'sun 25 on drive drum' });
  await line.waitFor();
  await line.locator('span', { hasText: /^25$/ }).first().click();
  await page.keyboard.press('Home');
  for (let i = 0; i < 'set: sun 25'.length; i++) await page.keyboard.press('ArrowRight');
  const times: number[] = [];
  for (let i = 0; i < ROUNDS; i++) {
    await page.evaluate(() => {
      const state = window as unknown as { painted: Promise<number> };
      const ratio = () => document.querySelector('[data-testid=ratio]')?.textContent;
      const was = ratio();
      state.painted = new Promise((done) => {
        const onKey = () => {
          const start = performance.now();
          const look = () => {
            if (ratio() !== was) requestAnimationFrame(() => done(performance.now() - start));
            else requestAnimationFrame(look);
          };
          look();
        };
        addEventListener('keydown', onKey, { once: true, capture: true });
      });
    });
    await page.keyboard.press(i % 2 === 0 ? 'Digit2' : 'Backspace');
    times.push(await page.evaluate(() => (window as unknown as { painted: Promise<number> }).painted));
  }
  return times;
}
