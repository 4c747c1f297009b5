import type { Page } from '@playwright/test';
import { bodyOf, triangleCount } from '../src/core/body';
import { Drafts, drawSideView, SPACES } from '../src/core/drawing';
import { itemAt } from '../src/core/required';
import type { Train } from '../src/core/train';
import { demoTrain } from '../src/testing/demo-train';
import { BASE, median, withApplication } from './application';
import { wheelsInOnePlane } from './limits';

const PLAYING_MS = 6000;
const GEARS = 250;

/** How long a train's body takes to be made, of how many triangles it is, and how many frames a second it turns in. */
export async function benchBody(): Promise<void> {
  console.log('\n== body');
  timeBody('Harvester', demoTrain('harvester'), 'limits: 300 ms, 150 000 triangles');
  timeBody('Stirrer', demoTrain('stirrer'), 'no limit');
  timeBody(`${GEARS} gears`, wheelsInOnePlane(GEARS), 'no limit');
  await withApplication(async (browser) => {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
    for (const name of ['stirrer', 'harvester']) {
      await page.goto(`${BASE}/trains/${name}`);
      const opened = await openBody(page);
      await page.keyboard.press('Space');
      const fps = await framesPerSecond(page);
      console.log(
        `${name}: seen after ${opened.toFixed(0)} ms, ${fps.toFixed(1)} frames a second while it plays, software ` +
          `rendering${name === 'stirrer' ? ' (limit 30)' : ''}`,
      );
      await page.keyboard.press('Space');
    }
    const response = await page.request.post(`${BASE}/api/trains`, {
      data: wheelsInOnePlane(GEARS),
      headers: { origin: BASE },
    });
    await page.goto(`${BASE}/trains/${((await response.json()) as { id: string }).id}`);
    console.log(`${GEARS} gears: first picture after ${(await openBody(page)).toFixed(0)} ms (limit 5 000)`);
  });
}

/** The lines are laid already, as they are by the time that somebody asks for the body. */
function timeBody(what: string, train: Train, limit: string): void {
  const drafts = new Drafts();
  drawSideView(train, SPACES.bench, { drafts });
  const times = Array.from({ length: 9 }, () => {
    const start = performance.now();
    bodyOf(structuredClone(train), { drafts });
    return performance.now() - start;
  });
  const made = bodyOf(train, { drafts });
  const count = made.ok
    ? made.value.nodes.reduce((sum, { surface }) => sum + triangleCount(itemAt(made.value.surfaces, surface)), 0)
    : 0;
  console.log(
    `${what}: ${median(times).toFixed(0)} ms, first ${itemAt(times, 0).toFixed(0)}, ${count} triangles (${limit})`,
  );
}

/** A canvas of one colour packs into less than so many bytes, one with a body on it into many more. */
const BLANK = 8_000;

/** From the press to the first picture with a body on it; where it stood open already it is closed first. */
async function openBody(page: Page): Promise<number> {
  const button = page.getByRole('button', { name: 'Body', exact: true }).first();
  await page.waitForTimeout(1500);
  if ((await button.getAttribute('aria-pressed')) === 'true') await button.click();
  const start = performance.now();
  await button.click();
  const canvas = page.locator('canvas[data-drawing=body]');
  while ((await canvas.screenshot()).length < BLANK) await page.waitForTimeout(20);
  return performance.now() - start;
}

const framesPerSecond = (page: Page): Promise<number> =>
  page.evaluate(async (duration) => {
    const start = performance.now();
    let frames = 0;
    while (performance.now() - start < duration) {
      await new Promise(requestAnimationFrame);
      frames++;
    }
    return (1000 * frames) / (performance.now() - start);
  }, PLAYING_MS);
