/**
 * Presses, types, drags and goes about at random over every screen for two minutes (or TINWHEEL_SECONDS), on a database
 * of its own. What it must not find: an error on the page, a page that gives up, an answer of the server of 500 and up,
 * a page that no longer answers.
 * `npm run monkey [-- SEED]`; it prints its seed, and what it did last where it found something.
 */
import { chromium, type Page } from '@playwright/test';
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as later } from 'node:timers/promises';
import { seeded } from '../src/core/chance';

const PORT = 3227;
const HERE = `http://127.0.0.1:${PORT}`;
const SECONDS = Number(process.env.TINWHEEL_SECONDS ?? 120);
const seed = Number(process.argv[2] ?? Date.now() % 1e6);
const random = seeded(seed);
const below = (most: number): number => Math.floor(random() * most);
const one = <T,>(list: readonly T[]): T => list[below(list.length)]!;

const TRAINS = JSON.parse(readFileSync('demo/shelf.json', 'utf8')) as string[];
const SCREENS = ['', '', '#table', '#text', '/chart', '/shifting', '/teeth', '/log', '/practice', '/sheet'];
const KEYS = [
  '1',
  '2',
  '3',
  'r',
  'n',
  't',
  'Shift+T',
  ' ',
  '[',
  ']',
  '?',
  'e',
  'm',
  'f',
  'Enter',
  'Escape',
  'Tab',
  'Tab',
  'Shift+Tab',
  'ArrowLeft',
  'ArrowRight',
  'ArrowUp',
  'ArrowDown',
  'Shift+ArrowRight',
  'Delete',
  'Backspace',
  'Control+z',
  'Control+z',
  'Control+Shift+z',
  'Control+c',
  'Control+v',
  'Shift+Digit1',
  'Shift+Digit2',
  'Shift+Digit3',
  'Shift+Digit5',
  'Shift+Digit7',
];
const TEXTS = [
  '0',
  '-3',
  '17',
  '1/0',
  '4.5',
  '1e400',
  '99999999',
  'NaN',
  '',
  '   ',
  '12,5',
  'Ü🜨"<b>',
  '2 turns/day',
  '..',
  'x'.repeat(400),
];
const WIDTHS = [390, 1024, 1280, 1920];

const did: string[] = [];
const found: string[] = [];
const say = (what: string) => void did.push(what);

/** What is on the page now and can be pressed or filled; not what leads out of the application. */
const PRESSABLE =
  'button:visible, [role=tab]:visible, [role=gridcell]:visible, label:visible, ' +
  'summary:visible, a[href^="/"]:visible, g[role=button]:visible';
const FILLABLE = 'input:visible:not([type=checkbox], [type=radio], [type=file], [type=range]), textarea:visible';

type Act = (page: Page) => Promise<unknown>;

const ACTIONS: readonly (readonly [weight: number, act: Act])[] = [
  [
    40,
    async (page) => {
      const all = page.locator(PRESSABLE);
      const target = all.nth(below(Math.max(1, await all.count())));
      say(
        'click ' +
          `${await target.evaluate((e) => (e.getAttribute('aria-label') ?? e.textContent).trim().slice(0, 60), null, { timeout: 500 })}`,
      );
      await target.click({ timeout: 700, button: below(12) === 0 ? 'right' : 'left' });
    },
  ],
  [
    20,
    async (page) => {
      const all = page.locator(FILLABLE);
      const text = one(TEXTS);
      const target = all.nth(below(Math.max(1, await all.count())));
      say(
        'fill ' +
          `${await target.evaluate((e) => e.getAttribute('aria-label') ?? e.closest('label')?.textContent ?? '', null, { timeout: 500 })} ` +
          `with ${JSON.stringify(text.slice(0, 20))}`,
      );
      await target.fill(text, { timeout: 700 });
      if (below(2) === 0) await page.keyboard.press('Enter');
    },
  ],
  [
    8,
    async (page) => {
      const all = page.locator('select:visible');
      const target = all.nth(below(Math.max(1, await all.count())));
      const values = await target.evaluate(
        (e) => [...(e as HTMLSelectElement).options].filter((o) => !o.disabled).map((o) => o.value),
        null,
        { timeout: 500 },
      );
      const value = one(values);
      say(`choose ${value}`);
      await target.selectOption(value, { timeout: 700 });
    },
  ],
  [
    25,
    async (page) => {
      const key = one(KEYS);
      say(`key ${key}`);
      await page.keyboard.press(key);
    },
  ],
  [
    5,
    async (page) => {
      const { width, height } = page.viewportSize()!;
      const [x, y] = [below(width), below(height)];
      say(`drag from ${x}, ${y}`);
      await page.mouse.move(x, y);
      await page.mouse.down();
      await page.mouse.move(below(width), below(height), { steps: 4 });
      await page.mouse.up();
    },
  ],
  [
    2,
    async (page) => {
      say('wheel');
      await page.mouse.wheel(0, below(2) ? 400 : -400);
    },
  ],
  [
    2,
    async (page) => {
      const width = one(WIDTHS);
      say(`width ${width}`);
      await page.setViewportSize({ width, height: 800 });
    },
  ],
  [
    4,
    async (page) => {
      const address =
        below(6) === 0 ? one(['/', '/practice', '/teeth', '/schemes']) : `/trains/${one(TRAINS)}${one(SCREENS)}`;
      say(`go to ${address}`);
      await page.goto(HERE + address, { timeout: 20_000 });
    },
  ],
  [
    1,
    async (page) => {
      say('back');
      await page.goBack({ timeout: 10_000 });
    },
  ],
];
const WEIGHTED = ACTIONS.flatMap(([weight, act]) => Array.from({ length: weight }, () => act));

const report = (what: string) => {
  if (found.some((one) => one.startsWith(what.slice(0, 120)))) return;
  found.push(`${what}\n    after: ${did.slice(-8).join(' · ')}`);
};

const folder = mkdtempSync(join(tmpdir(), 'tin-wheel-monkey-'));
const server = spawn('node', ['dist/serve.cjs'], {
  env: { ...process.env, PORT: String(PORT), TINWHEEL_DB: join(folder, 'monkey.sqlite'), NEXT_TELEMETRY_DISABLED: '1' },
  stdio: 'ignore',
});
const browser = await chromium.launch({
  executablePath: process.env.TINWHEEL_CHROMIUM ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu'],
});
console.log(`Seed ${seed}, ${SECONDS} seconds.`);
try {
  for (let tries = 0; tries < 60; tries++) {
    if (
      await fetch(`${HERE}/api/health`).then(
        ({ ok }) => ok,
        () => false,
      )
    )
      break;
    await later(500);
  }
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  await context.addCookies([{ name: 'visited', value: 'yes', domain: '127.0.0.1', path: '/' }]);
  const page = await context.newPage();
  page.on('pageerror', (error) => report(`Error on ${new URL(page.url()).pathname}: ${error.stack?.slice(0, 600)}`));
  page.on('response', (response) => response.status() >= 500 && report(`${response.status()} from ${response.url()}`));
  page.on('dialog', (dialog) => void dialog.dismiss().catch(() => undefined));
  page.on('filechooser', () => undefined);
  page.on('download', (download) => void download.cancel().catch(() => undefined));
  context.on('page', (other) => other !== page && void other.close().catch(() => undefined));
  await page.goto(`${HERE}/trains/${TRAINS[0]}`);
  const end = Date.now() + SECONDS * 1000;
  while (Date.now() < end) {
    // A thing that is gone, covered or switched off by now is no fault; that it answers is asked afterwards.
    await one(WEIGHTED)(page).catch(() => undefined);
    const stands = await Promise.race([
      page.evaluate(() => document.body.innerText.slice(0, 4000)).catch(() => 'gone'),
      later(8000, null),
    ]);
    if (stands === null) report(`${page.url()} did not answer for 8 s`);
    else if (/Application error|Something is wrong with this page|could not be shown/i.test(stands))
      report(`${page.url()} gave up: ${stands.slice(0, 200)}`);
    if (stands === null) break;
    if (new URL(page.url()).origin !== HERE) await page.goto(HERE);
  }
} finally {
  await browser.close();
  server.kill();
  rmSync(folder, { recursive: true, force: true });
}
console.log(`${did.length} things done.`);
for (const one of found) console.log(`- ${one}`);
process.exitCode = found.length > 0 ? 1 : 0;
