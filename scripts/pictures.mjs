// `npm run pictures [name …]`: takes the pictures of docs/screenshots anew, from demo data. Build first.
import { chromium } from '@playwright/test';
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as later } from 'node:timers/promises';

const PORT = 3223;
const HERE = `http://127.0.0.1:${PORT}`;

const tab = (page, name) => page.getByRole('tab', { name, exact: true }).click();

/** Where each picture is taken, what is done before, and which others are taken on the way. */
const PICTURES = {
  shelf: { at: '/' },
  bench: { at: '/trains/harvester', steps: (page) => page.keyboard.press('2') },
  'bench-card': {
    at: '/trains/sluice-winch',
    steps: (page) =>
      page
        .getByRole('button', { name: 'Gear on countershaft, 15 teeth. Change its teeth.' })
        .click({ button: 'right' }),
  },
  'bench-table': { at: '/trains/harvester#table' },
  'bench-text-soot': {
    at: '/trains/harvester#text',
    theme: 'dark',
    async steps(page) {
      await page.getByRole('textbox', { name: 'The train in writing' }).press('Control+End');
      await page.keyboard.type('\nbrake Extra: link durm');
      await page.getByText('One thing does not read yet.').waitFor();
    },
  },
  'bench-forces': {
    at: '/trains/pump-step-down',
    async steps(page) {
      await tab(page, 'Figures');
      await page.getByLabel('Forces').check();
      await page.getByText('Used hardest').waitFor();
    },
  },
  chart: { at: '/trains/mud-tram/chart' },
  'chart-shifts': {
    at: '/trains/harvester/chart',
    async steps(page) {
      await tab(page, 'Shifts');
      await page.getByRole('button', { name: '3 → 4' }).click();
    },
  },
  shifting: {
    at: '/trains/pan-rake/shifting',
    async steps(page) {
      await page.getByLabel('1 up to 2 at').fill('0.45');
      await page.getByLabel('2 up to 3 at').fill('0.5');
      await page.getByRole('button', { name: /^Try it: A wider band/ }).waitFor();
      await page
        .getByText(/^(Fixes it|Then it)/)
        .nth(2)
        .waitFor({ timeout: 30_000 });
      const time = page.getByRole('slider', { name: 'Time that is looked at' });
      await time.focus();
      for (let i = 0; i < 9; i++) await time.press('PageDown');
      await time.blur();
    },
  },
  'shifting-paths-soot': {
    at: '/trains/conveyor-shifter/shifting',
    theme: 'dark',
    async steps(page) {
      await tab(page, 'Couplers');
      await page.getByRole('region', { name: 'Two paths' }).scrollIntoViewIfNeeded();
      await page.waitForTimeout(1500);
    },
  },
  log: {
    at: '/trains/pan-rake/log',
    async steps(page) {
      await page.getByText('Simulated bench', { exact: true }).click();
      await page.getByLabel('Wrong with it').selectOption('swapped');
      for (const [instrument, turns] of [
        ['scale', '1'],
        ['marks', '10'],
      ]) {
        await page.getByLabel('Instrument').selectOption(instrument);
        if (instrument === 'marks') await page.getByLabel('Turns of the input').fill(turns);
        await page.getByRole('button', { name: 'Read every position' }).click();
        await page.waitForTimeout(800);
      }
      await page.getByRole('row').filter({ hasText: 'does not agree' }).first().getByRole('button').first().click();
      await page
        .getByRole('form', { name: 'The reading' })
        .getByText('Position', { exact: true })
        .scrollIntoViewIfNeeded();
    },
  },
  'log-faults-soot': {
    at: '/trains/mud-tram/log',
    theme: 'dark',
    async steps(page) {
      await tab(page, 'Fault finder');
      await page.getByLabel('1 was seen', { exact: true }).selectOption('neutral');
      await page.getByLabel('4 was seen', { exact: true }).selectOption('ok');
      await page.getByRole('region', { name: 'Suspects' }).getByRole('button').first().click();
      await page.getByRole('region', { name: 'Next test' }).scrollIntoViewIfNeeded();
    },
  },
  teeth: {
    at: '/teeth',
    async steps(page) {
      await page.getByLabel('Given as').selectOption('period');
      await page.getByLabel('Input speed').fill('1 turns/day');
      await page.getByLabel('One turn of the output in').fill('365.2422 d');
      await page.getByLabel('Search 3 stages').check();
      await page.getByLabel('Search 2 stages').uncheck();
      await page.getByText('Proven best').waitFor();
    },
  },
  // One story: from a wish to the sheet of a train that was not there.
  sheet: {
    at: '/schemes',
    before: ['schemes', 'teeth-fit', 'bench-body'],
    async steps(page, take) {
      await page.getByRole('button', { name: 'Add a set' }).click();
      await page.getByLabel('Ratios, in/out').fill('3.5 2.2 1.5 1 0.75');
      await page.getByLabel('Off by at most').fill('3');
      await page.getByLabel('Engaged at once').fill('2');
      await page.getByText('14 schemes, all').waitFor({ timeout: 30_000 });
      await page.getByRole('region', { name: 'Schemes', exact: true }).getByRole('row').nth(3).click();
      await page.getByText('Nests: drawn without a crossing.').waitFor({ timeout: 30_000 });
      await page.getByLabel('Name of the new train').fill('Causeway automatic');
      await page.mouse.move(900, 620);
      await take('schemes');
      await page.getByRole('button', { name: 'Use it as a new train' }).click();
      await page.waitForURL(/trains/);
      await page.getByRole('link', { name: 'Teeth' }).click();
      await page.getByLabel('Target ratio of 1', { exact: true }).fill('3.5');
      await page.getByLabel('Target ratio of 3').fill('3/2');
      await page.getByLabel('Target ratio of 5').fill('3/4');
      await page.getByRole('button', { name: 'All', exact: true }).click();
      await page.getByText('choices of counts that hold').waitFor({ timeout: 60_000 });
      await take('teeth-fit');
      await page.getByRole('button', { name: /^Use it in this train/ }).click();
      await page.getByRole('link', { name: 'Bench', exact: true }).click();
      await page.getByRole('button', { name: 'Table', exact: true }).click();
      for (const [column, size] of [
        ['Module, mm', '2'],
        ['Width, mm', '14'],
      ]) {
        await page.getByRole('textbox', { name: `${column}, wheels row 1`, exact: true }).fill(size);
        await page.keyboard.press('Control+d');
      }
      await page.getByRole('button', { name: 'Close, back to the end view and the crank' }).click();
      await page.keyboard.press('2');
      await page.getByRole('button', { name: 'Body', exact: true }).click();
      await page.waitForTimeout(8000);
      await take('bench-body');
      await page.getByRole('link', { name: 'Sheet', exact: true }).click();
      await page.waitForTimeout(4000);
    },
  },
  practice: {
    at: '/trains/mud-tram/practice',
    async steps(page) {
      await page.getByRole('button', { name: 'Begin the drill' }).click();
      await page.getByLabel('Your answer as a number').fill('9');
      await page.keyboard.press('Enter');
      await page.getByRole('button', { name: /^Next question/ }).click();
      await page.keyboard.press('2');
      await page.keyboard.press('t');
      await page.waitForTimeout(2000);
    },
  },
  'sheet-shape': {
    at: '/trains/brine-lift/sheet',
    async steps(page) {
      await tab(page, 'Shapes');
      await page.getByLabel('Which').selectOption({ label: '36 on stepped planet' });
      await page.getByLabel('Helix angle').fill('20');
      await page.getByLabel('Bore').first().fill('12');
      await page.getByLabel('Lightening holes').fill('6');
    },
  },
};

/** The side view is drawn at once, and better a little later: waits until nothing about it changes any more. */
async function drawnWell(page) {
  const view = page.locator('[data-drawing=side-view]');
  if ((await view.count()) === 0) return;
  for (let last = ''; ;) {
    const now = await view.innerHTML();
    if (now === last) return;
    last = now;
    await page.waitForTimeout(4000);
  }
}

const folder = mkdtempSync(join(tmpdir(), 'tin-wheel-pictures-'));
const server = spawn('node', ['dist/serve.cjs'], {
  env: {
    ...process.env,
    PORT: String(PORT),
    TINWHEEL_DB: join(folder, 'pictures.sqlite'),
    NEXT_TELEMETRY_DISABLED: '1',
  },
  stdio: 'ignore',
});
const browser = await chromium.launch({
  executablePath: process.env.TINWHEEL_CHROMIUM ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu'],
});
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
  const wanted = process.argv.slice(2);
  for (const [name, { at, steps, before = [], theme = 'light' }] of Object.entries(PICTURES)) {
    if (wanted.length > 0 && ![name, ...before].some((one) => wanted.includes(one))) continue;
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, colorScheme: theme });
    await context.addCookies([{ name: 'visited', value: 'yes', domain: '127.0.0.1', path: '/' }]);
    const page = await context.newPage();
    await page.goto(HERE + at);
    await page.waitForTimeout(1500);
    page.setDefaultTimeout(10_000);
    try {
      const take = async (as) => {
        await page.waitForTimeout(800);
        await page.screenshot({ path: `docs/screenshots/${as}.png` });
        console.log(as);
      };
      await drawnWell(page);
      await steps?.(page, take);
      await take(name);
    } catch (error) {
      console.error(`${name}: ${error instanceof Error ? error.message.split('\n', 2).join(' ') : error}`);
      process.exitCode = 1;
    }
    await context.close();
  }
} finally {
  await browser.close();
  server.kill();
  rmSync(folder, { recursive: true, force: true });
}
