import type { CDPSession, Page } from '@playwright/test';
import { BASE, paintedText, withApplication, type Painted } from './application';
import { wheelsInOnePlane } from './limits';

const PLAYING_MS = 8000;
const GEARS = 200;
/** TURNING_MINUTES=5 for the full run. */
const MINUTES = Number(process.env.TURNING_MINUTES ?? 1);

/** Changing position, long tasks and frames while the crank plays, and memory, in the production build. */
export const benchTurning = (): Promise<void> =>
  withApplication(async (browser) => {
    console.log('\n== turning, in the browser, production build');
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
    await page.goto(`${BASE}/trains/harvester`);
    await page.waitForTimeout(1000);
    const shifts = await timeShifts(page);
    console.log(`Harvester, change of position until painted: ${paintedText(shifts)} (limit: median 32 ms, p95 50)`);
    await page.keyboard.press('Space');
    const playing = await watchFrames(page);
    console.log(
      `Harvester playing: ${playing.fps.toFixed(1)} frames a second, ${playing.long.length} tasks over 50 ms ` +
        `(limit none)${playing.long.length > 0 ? `: ${playing.long.map((ms) => ms.toFixed(0)).join(', ')} ms` : ''}`,
    );

    const heap = await page.context().newCDPSession(page);
    const before = await heapInUse(heap);
    await page.waitForTimeout(MINUTES * 60_000);
    const after = await heapInUse(heap);
    console.log(
      `Memory while playing for ${MINUTES} min: ${before.toFixed(1)} MB ` +
        `before, ${after.toFixed(1)} MB after (limit: flat)`,
    );

    const response = await page.request.post(`${BASE}/api/trains`, {
      data: wheelsInOnePlane(GEARS),
      headers: { origin: BASE },
    });
    const { id } = (await response.json()) as { id: string };
    await page.goto(`${BASE}/trains/${id}`);
    await page.waitForTimeout(1500);
    await page.keyboard.press('Space');
    const many = await watchFrames(page);
    console.log(
      `End view with ${GEARS} gears turning: ${many.fps.toFixed(1)} frames a second ` +
        `(limit 60), ${many.long.length} tasks over 50 ms`,
    );
  });

/**
 * From a key to the frame that shows the other position, over all positions there and back; each beside a key that does
 * nothing.
 */
const timeShifts = (page: Page): Promise<Painted> =>
  page.evaluate(async () => {
    const [times, empty]: [number[], number[]] = [[], []];
    const keys = ['2', '3', '4', '5', '6', '7', '8', 'r', '1', '5', '2', '8', '3', 'n', '1'];
    for (const key of [...keys, ...keys].flatMap((one) => ['F13', one])) {
      await new Promise(requestAnimationFrame);
      const start = performance.now();
      dispatchEvent(new KeyboardEvent('keydown', { key }));
      await new Promise<void>((done) =>
        requestAnimationFrame(() => {
          const channel = new MessageChannel();
          channel.port1.onmessage = () => done();
          channel.port2.postMessage(0);
        }),
      );
      (key === 'F13' ? empty : times).push(performance.now() - start);
    }
    return { times, empty };
  });

const watchFrames = (page: Page): Promise<{ fps: number; long: number[] }> =>
  page.evaluate(async (duration) => {
    const long: number[] = [];
    const observer = new PerformanceObserver((list) => long.push(...list.getEntries().map((entry) => entry.duration)));
    observer.observe({ type: 'longtask' });
    const start = performance.now();
    let frames = 0;
    while (performance.now() - start < duration) {
      await new Promise(requestAnimationFrame);
      frames++;
    }
    observer.disconnect();
    return { fps: (1000 * frames) / (performance.now() - start), long };
  }, PLAYING_MS);

async function heapInUse(session: CDPSession): Promise<number> {
  await session.send('HeapProfiler.collectGarbage');
  const { usedSize } = await session.send('Runtime.getHeapUsage');
  return usedSize / 2 ** 20;
}
