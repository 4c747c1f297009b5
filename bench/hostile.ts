import type { Browser } from '@playwright/test';
import { zipSync } from 'fflate';
import type { Train } from '../src/core/train';
import { tangledTrain } from '../src/testing/tangled-train';
import { BASE, withApplication } from './application';
import { trainAtTheLimits } from './limits';
import { waitsDuring, waitsText, type Waits } from './others';

const DOCUMENTS: readonly Train[] = [
  tangledTrain({ sets: 12, couplers: 8 }),
  tangledTrain({ sets: 30, couplers: 16, fixed: 8 }),
  tangledTrain({ sets: 80, couplers: 64, fixed: 8 }),
  // Too many gears to be drawn at all.
  fullTrain(),
];

/** At every limit that a document has: parts, positions with many couplers each, and words. */
function fullTrain(): Train {
  const train = trainAtTheLimits();
  const positions = Array.from({ length: 128 }, (_, i) => ({
    id: `p${i}`,
    name: `p${i}`,
    engaged: train.couplers.filter((__, j) => (j * 7 + i) % 3 !== 0).map(({ id }) => id),
  }));
  const setAside = Array.from({ length: 400 }, (_, i) => ({
    finding: `${i} ${'worn '.repeat(190)}`,
    note: 'seen '.repeat(98),
  }));
  return { ...train, positions, setAside, notes: 'salt '.repeat(3_900) };
}

/**
 * The worst documents that are accepted, saved, drawn and opened, while somebody else only wants to read a small one.
 */
export const benchHostile = (): Promise<void> =>
  withApplication(async (browser) => {
    console.log('\n== the worst documents: what they take, and what everybody else waits meanwhile (limit p99 50 ms)');
    const ids: string[] = [];
    for (let i = 0; i < 3; i++) await fetchPage('harvester');
    await waits(() => new Promise((done) => setTimeout(done, 2_000)), 'nobody else does anything');
    for (const train of DOCUMENTS) {
      let id = '';
      console.log(`${train.name}: ${(JSON.stringify(train).length / 1000).toFixed(0)} kB`);
      await waits(async () => {
        id = ((await (await send('/api/trains', 'POST', train)).json()) as { id: string }).id;
        for (let version = 1; version < 6; version++) await send(`/api/trains/${id}`, 'PUT', { version, train });
      }, 'added and saved five times, six in all (limit 1 000 ms each)');
      await waits(
        async () => void (await (await fetch(`${BASE}/api/trains/${id}/drawing`)).text()),
        'drawn for the shelf',
      );
      await waits(() => fetchPage(id), 'opened: the page with all its scripts');
      ids.push(id);
    }
    await waits(sendBomb, 'a zip of 0.3 MB that unpacks to 300 MB is refused');
    // Browser and server share this machine's processors, so this is measured by itself.
    console.log('first drawing in a fresh browser, from its empty page:');
    for (const id of ['sluice-winch', ...ids]) await openInBrowser(browser, id);
  });

const send = async (address: string, method: string, body: unknown): Promise<Response> => {
  const response = await fetch(BASE + address, {
    method,
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  if (!response.ok) throw new Error(`${method} ${address}: ${response.status} ${await response.text()}`);
  return response;
};

/** What a browser asks the server for when it opens a train. */
async function fetchPage(id: string): Promise<void> {
  const page = await (await fetch(`${BASE}/trains/${id}`)).text();
  const scripts = new Set([...page.matchAll(/\/_next\/static\/[^"\\]+\.(?:js|css)/g)].map(([path]) => path));
  for (const path of scripts) await (await fetch(BASE + path)).text();
}

async function openInBrowser(browser: Browser, id: string): Promise<void> {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  const start = performance.now();
  await page.goto(`${BASE}/trains/${id}`, { waitUntil: 'commit' });
  await page.locator('section[aria-label="Side view"]').waitFor();
  const mounted = performance.now() - start;
  await page
    .locator('svg[data-drawing=side-view], [aria-label="Side view"] p:has-text("too large to draw")')
    .first()
    .waitFor();
  const name = await page.title();
  console.log(
    `  ${name}: the bench stands after ${mounted.toFixed(0)} ms, the drawing ` +
      `${(performance.now() - start - mounted).toFixed(0)} ms later`,
  );
  await page.context().close();
}

/** Does the work while somebody else reads a small train. */
async function waits(work: () => Promise<unknown>, what: string): Promise<void> {
  const found = await waitsDuring(work);
  idle ??= found;
  console.log(`  ${what}: ${found.took.toFixed(0)} ms; ${waitsText(found, idle)}`);
}

/** What others wait while nobody does anything. */
let idle: Waits | null = null;

/** A zip that says nothing of what comes out of it: 300 MB of blanks in one file. */
async function sendBomb(): Promise<void> {
  const zip = zipSync({ 'manifest.json': new Uint8Array(300_000_000) });
  const response = await fetch(`${BASE}/api/bundle`, { method: 'POST', body: new Uint8Array(zip) });
  if (response.status !== 422) throw new Error(`The bomb was answered with ${response.status}.`);
}
