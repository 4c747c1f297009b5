import { readFileSync } from 'node:fs';
import type { Browser, Page } from '@playwright/test';
import type { Train } from '../src/core/train';
import { BASE, median, paintedText, quantile, withApplication, type Painted } from './application';
import { fourteenCouplers } from './limits';

const VIEW = { viewport: { width: 1280, height: 800 } };

/**
 * What the Chart costs: a changed count, a long chart scrolled and edited, and every combination of fourteen couplers.
 */
export const benchChart = (): Promise<void> =>
  withApplication(async (browser) => {
    console.log('\n== the chart, in the browser, production build');
    const changes = await timeChanges(browser);
    console.log(
      `A count changed on the harvester, every figure of its chart painted: ${paintedText(changes)} (limit 32 ms)`,
    );
    const { scrolled, edited } = await timeLongChart(browser);
    console.log(
      `128 positions scrolled: frames median ${median(scrolled).toFixed(1)} ms, p95 ` +
        `${quantile(scrolled, 0.95).toFixed(1)}, worst ${Math.max(...scrolled).toFixed(1)} (limit ` +
        `16.7); a coupler of one switched, painted: ${paintedText(edited)}`,
    );
    const { first, all } = await timeCombinations(browser);
    console.log(
      `16 384 combinations: first ${first.toFixed(0)} ms after the press (limit ` +
        `200), all ${all.toFixed(0)} ms (limit 3 000)`,
    );
  });

const demo = (name: string): Train => JSON.parse(readFileSync(`demo/trains/${name}.train.json`, 'utf8')) as Train;

async function opened(browser: Browser, train: Train): Promise<Page> {
  const response = await fetch(`${BASE}/api/trains`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(train),
  });
  const { id } = (await response.json()) as { id: string };
  const page = await (await browser.newContext(VIEW)).newPage();
  await page.goto(`${BASE}/trains/${id}/chart`);
  await page.getByRole('grid', { name: 'Shift chart' }).waitFor();
  await page.waitForLoadState('networkidle');
  return page;
}

/** One tooth more, taken back and done again: from the key to the frame that shows the chart of it. */
async function timeChanges(browser: Browser): Promise<Painted> {
  const page = await opened(browser, demo('harvester'));
  await page.getByRole('tab', { name: 'Influence' }).click();
  await page
    .getByRole('region', { name: 'Influence of the tooth counts' })
    .locator('tbody')
    .getByRole('button')
    .first()
    .click();
  await page.getByRole('button', { name: 'Apply' }).click();
  await page.getByRole('tab', { name: 'Plots' }).click();
  await page.waitForTimeout(1000);
  return timeKeys(page, ['z', 'y']);
}

/** Presses these keys with Ctrl in turn; every second frame is an empty one. */
const timeKeys = (page: Page, keys: readonly string[]): Promise<Painted> =>
  page.evaluate(async (pressed) => {
    const [times, empty]: [number[], number[]] = [[], []];
    for (let i = 0; i < 80; i++) {
      await new Promise(requestAnimationFrame);
      const start = performance.now();
      if (i % 2 === 1)
        dispatchEvent(new KeyboardEvent('keydown', { key: pressed[(i >> 1) % pressed.length]!, ctrlKey: true }));
      await new Promise<void>((done) =>
        requestAnimationFrame(() => {
          const channel = new MessageChannel();
          channel.port1.onmessage = () => done();
          channel.port2.postMessage(0);
        }),
      );
      (i % 2 === 1 ? times : empty).push(performance.now() - start);
    }
    return { times, empty };
  }, keys);

async function timeLongChart(browser: Browser): Promise<{ scrolled: number[]; edited: Painted }> {
  const box = demo('range-box');
  const more = Array.from({ length: 128 - box.positions.length }, (_, i) => ({
    ...box.positions[i % box.positions.length]!,
    id: `more ${i}`,
    name: `more ${i}`,
  }));
  const page = await opened(browser, { ...box, positions: [...box.positions, ...more].slice(0, 128) });
  await page.waitForTimeout(1500);
  const scrolled = await page.evaluate(async () => {
    const pane = document.querySelector('[role=grid]')!.parentElement!;
    const frames: number[] = [];
    let last = await new Promise(requestAnimationFrame);
    for (let i = 0; i < 120; i++) {
      pane.scrollTop += 24;
      const now = await new Promise(requestAnimationFrame);
      frames.push(now - last);
      last = now;
    }
    return frames;
  });
  await page.getByRole('button', { name: 'C1 in 2', exact: true }).click();
  await page.waitForTimeout(500);
  return { scrolled, edited: await timeKeys(page, ['z', 'y']) };
}

async function timeCombinations(browser: Browser): Promise<{ first: number; all: number }> {
  const page = await opened(browser, fourteenCouplers(demo('harvester')));
  await page.waitForTimeout(1500);
  return page.evaluate(async () => {
    const tab = [...document.querySelectorAll<HTMLElement>('[role=tab]')].find(
      (one) => one.textContent === 'Combinations',
    )!;
    const start = performance.now();
    tab.click();
    const told = () =>
      [...document.querySelectorAll('[role=status]')].some((one) => /combinations drive/.test(one.textContent!));
    while (!told()) await new Promise(requestAnimationFrame);
    const first = performance.now() - start;
    while (document.querySelector('progress')) await new Promise(requestAnimationFrame);
    return { first, all: performance.now() - start };
  });
}
