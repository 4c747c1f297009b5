import type { Browser, Page } from '@playwright/test';
import { BASE, median, paintedText, withApplication, type Painted } from './application';

const ROUNDS = 7;

/** Load time, size of the code, and time from a typed key to the next frame, in the production build. */
export const benchPage = (): Promise<void> =>
  withApplication(async (browser) => {
    const loads: number[] = [];
    for (let round = 0; round < ROUNDS; round++) {
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
      const page = await context.newPage();
      loads.push(await timeToInteractive(page));
      await context.close();
    }
    console.log('\n== in the browser, production build');
    console.log(
      `Bench of the winch, from navigation until a picked gear answers: median ${median(loads).toFixed(0)} ` +
        `ms, worst ${Math.max(...loads).toFixed(0)} ms (limit 1 500 ms, cold cache)`,
    );
    await timeManyEdits(browser);
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
    await page.goto(`${BASE}/trains/harvester`);
    await page
      .getByRole('button', { name: /^Gear on/ })
      .first()
      .dispatchEvent('click');
    await page.getByRole('textbox', { name: 'Teeth' }).waitFor();
    const { work, painted } = await timeEdits(page);
    console.log(
      `A tooth count typed on the harvester: solved and redrawn in ${median(work).toFixed(1)} ms (worst ` +
        `${Math.max(...work).toFixed(1)}), painted after: ${paintedText(painted)} (limit: median 32 ms, p95 50)`,
    );
  });

const EDITS = 500;

/**
 * Five hundred steps of undo on the range box: what they hold in memory, documents and all that was worked out from
 * them.
 */
async function timeManyEdits(browser: Browser): Promise<void> {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await page.goto(`${BASE}/trains/range-box`);
  await page
    .getByRole('button', { name: /^Gear on/ })
    .first()
    .waitFor();
  const devtools = await page.context().newCDPSession(page);
  const megabytes = async () => {
    await devtools.send('HeapProfiler.collectGarbage');
    return ((await devtools.send('Runtime.getHeapUsage')) as { usedSize: number }).usedSize / 2 ** 20;
  };
  const before = await megabytes();
  await page.evaluate(async (edits) => {
    const setValue = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!;
    const frame = () => new Promise((done) => requestAnimationFrame(done));
    for (let i = 0; i < edits; i++) {
      document.querySelector('[aria-label^="Gear on"]')!.dispatchEvent(new MouseEvent('click', { bubbles: true }));
      const openField = () => document.querySelector<HTMLInputElement>('[role=dialog] input[inputmode=numeric]');
      while (!openField()) await frame();
      const field = openField()!;
      setValue.call(field, String(20 + (i % 40)));
      field.dispatchEvent(new Event('input', { bubbles: true }));
      field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
      await frame();
    }
  }, EDITS);
  console.log(
    `${EDITS} edits of the range box, each a step of undo: ` +
      `${((await megabytes()) - before).toFixed(1)} MB more than before (limit 60 MB)`,
  );
  await page.context().close();
}

async function timeToInteractive(page: Page): Promise<number> {
  const start = performance.now();
  await page.goto(`${BASE}/trains/sluice-winch`, { waitUntil: 'commit' });
  const gear = page.getByRole('button', { name: /Gear on drum/ });
  const field = page.getByRole('textbox', { name: 'Teeth' });
  await gear.waitFor();
  while (!(await field.isVisible())) await gear.dispatchEvent('click');
  return performance.now() - start;
}

/** Types into the open field from inside the page and waits for the frame that shows it. */
const timeEdits = (page: Page): Promise<{ work: number[]; painted: Painted }> =>
  page.evaluate(async () => {
    const field = document.querySelector<HTMLInputElement>('[role=dialog] input[inputmode=numeric]')!;
    const setValue = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!;
    const work: number[] = [];
    const [times, empty]: [number[], number[]] = [[], []];
    for (let i = 0; i < 80; i++) {
      await new Promise(requestAnimationFrame);
      const start = performance.now();
      if (i % 2 === 1) {
        setValue.call(field, String(20 + i));
        field.dispatchEvent(new Event('input', { bubbles: true }));
        work.push(performance.now() - start);
      }
      await new Promise<void>((done) =>
        requestAnimationFrame(() => {
          const channel = new MessageChannel();
          channel.port1.onmessage = () => done();
          channel.port2.postMessage(0);
        }),
      );
      (i % 2 === 1 ? times : empty).push(performance.now() - start);
    }
    return { work, painted: { times, empty } };
  });
