import { readdirSync, readFileSync } from 'node:fs';
import type { Browser, BrowserContext, Page } from '@playwright/test';
import { BASE, median, withApplication } from './application';

const VIEW = { viewport: { width: 1280, height: 800 } };
const ROUNDS = 7;
const SHELF = 530;

/**
 * What going from place to place costs: a second train, another screen, a long shelf; and how much code each view
 * loads.
 */
export const benchScreens = (): Promise<void> =>
  withApplication(async (browser) => {
    console.log('\n== screens, in the browser, production build');
    for (const [view, path, limit] of [
      ['Shelf', '/', 170],
      ['Bench', '/trains/sluice-winch', 230],
      ['Chart', '/trains/sluice-winch/chart', 230],
    ] as const)
      console.log(
        `JavaScript of the ${view}, before the page is idle: ` +
          `${(await firstBytes(browser, path)).toFixed(0)} kB gzipped (limit ${limit})`,
      );
    const context = await visited(browser);
    const page = await context.newPage();
    await page.goto(`${BASE}/trains/harvester`);
    await page.waitForLoadState('networkidle');
    const switches = await timeSwitches(page);
    console.log(
      'From screen to screen of the harvester, until painted: median ' +
        `${median(switches).toFixed(0)} ms, worst ${Math.max(...switches).toFixed(0)} ms (limit ` +
        '100)',
    );
    const opened = await timeOpenings(page);
    console.log(
      'A train opened from the shelf, warm, until its Bench stands: median ' +
        `${median(opened).toFixed(0)} ms, worst ${Math.max(...opened).toFixed(0)} ms (limit 300)`,
    );
    await fillShelf(SHELF);
    const [cold, warm] = [await timeShelf(browser, ROUNDS), await timeShelf(browser, ROUNDS, context)];
    console.log(
      `A shelf of ${SHELF} trains listed: median ${median(cold).toFixed(0)} ms with an empty cache (worst ` +
        `${Math.max(...cold).toFixed(0)}), ${median(warm).toFixed(0)} ms with a warm one (limit 1 000)`,
    );
  });

async function visited(browser: Browser): Promise<BrowserContext> {
  const context = await browser.newContext(VIEW);
  await context.addCookies([{ name: 'visited', value: 'yes', url: BASE }]);
  return context;
}

/** What a view loads before the page has nothing to do: from then on the other screens and dialogs are fetched. */
async function firstBytes(browser: Browser, path: string): Promise<number> {
  const context = await visited(browser);
  const page = await context.newPage();
  await page.addInitScript(() => void (window.requestIdleCallback = () => 0));
  await page.goto(`${BASE}${path}`);
  await page.waitForLoadState('networkidle');
  const bytes = await page.evaluate(() =>
    performance
      .getEntriesByType('resource')
      .reduce(
        (total, entry) =>
          total + (entry.name.endsWith('.js') ? (entry as PerformanceResourceTiming).encodedBodySize : 0),
        0,
      ),
  );
  await context.close();
  return bytes / 1000;
}

/** From pressing the word of another screen to the frame that shows it. */
const timeSwitches = (page: Page): Promise<number[]> =>
  page.evaluate(async (rounds) => {
    const links = () => [...document.querySelectorAll<HTMLElement>('nav[aria-label="Screens of this train"] a')];
    const shown = [() => document.querySelector('canvas'), () => document.querySelector('[role=grid]')];
    const times: number[] = [];
    for (let i = 1; i <= 2 * rounds; i++) {
      await new Promise((done) => setTimeout(done, 300));
      const start = performance.now();
      links()[i % 2]!.click();
      while (!shown[i % 2]!()) await new Promise(requestAnimationFrame);
      await new Promise(requestAnimationFrame);
      times.push(performance.now() - start);
    }
    return times;
  }, ROUNDS);

/** From pressing a card on the shelf to the Bench of its train. */
async function timeOpenings(page: Page): Promise<number[]> {
  const times: number[] = [];
  for (const name of ['sluice-winch', 'stirrer', 'brine-lift', 'pan-rake', 'crawler', 'wagon-axle']) {
    await page.getByRole('link', { name: 'Shelf' }).click();
    const link = page.locator(`a[href="/trains/${name}"]`);
    await link.scrollIntoViewIfNeeded();
    await link.locator('svg').first().waitFor();
    times.push(
      await link.evaluate(async (card: HTMLElement) => {
        const start = performance.now();
        card.click();
        while (!document.querySelector('canvas')) await new Promise(requestAnimationFrame);
        await new Promise(requestAnimationFrame);
        return performance.now() - start;
      }),
    );
  }
  return times;
}

async function fillShelf(most: number): Promise<void> {
  const files = readdirSync('demo/trains').filter((file) => file.endsWith('.train.json'));
  const documents = files.map((file) => JSON.parse(readFileSync(`demo/trains/${file}`, 'utf8')) as { name: string });
  const { total } = (await (await fetch(`${BASE}/api/trains`)).json()) as { total: number };
  for (let i = total; i < most; i++) {
    const train = documents[i % documents.length]!;
    await fetch(`${BASE}/api/trains`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ ...train, name: `${train.name} ${i}` }),
    });
  }
  // Until the last one is summarised.
  await new Promise((done) => setTimeout(done, 6000));
}

/** From navigation to the first cards; in a context of its own each time where none is given. */
async function timeShelf(browser: Browser, rounds: number, context?: BrowserContext): Promise<number[]> {
  const times: number[] = [];
  for (let i = 0; i < rounds; i++) {
    const own = context ?? (await visited(browser));
    const page = await own.newPage();
    const start = performance.now();
    await page.goto(BASE, { waitUntil: 'commit' });
    await page.getByRole('button', { name: /^Show more/ }).waitFor();
    times.push(performance.now() - start);
    await page.close();
    if (!context) await own.close();
  }
  return times;
}
