import { faultsOf } from './accessibility';
import { expect, test, type Page } from './journey';
import { freshTrain } from './shelf-copies';

const turns = (page: Page, member: string) => page.getByTestId(`turns ${member}`);
const help = (page: Page) => page.getByRole('complementary', { name: 'Help' });
const tour = (page: Page) => page.getByRole('region', { name: 'Tour' });

test('a first visit opens the rake’s gearbox, turning, and shows round in five steps; it is not shown again', async ({
  browser,
  baseURL,
}) => {
  const context = await browser.newContext({ baseURL, storageState: { cookies: [], origins: [] } });
  const page = await context.newPage();
  await page.goto('/');
  await expect(page).toHaveURL(/\/trains\/pan-rake\?first/);
  await expect(tour(page)).toContainText('1 of 5');
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();
  await expect(turns(page, 'out')).not.toHaveText('0');
  // What it says can be tried while it stands there.
  await page.keyboard.press('2');
  await expect(page.getByTestId('ratio')).toHaveText('2.837');
  for (let step = 2; step <= 5; step++) {
    await tour(page).getByRole('button', { name: 'Next', exact: true }).click();
    await expect(tour(page)).toContainText(`${step} of 5`);
  }
  await tour(page).getByRole('button', { name: 'Back', exact: true }).click();
  await expect(tour(page)).toContainText('4 of 5');
  await tour(page).getByRole('button', { name: 'Skip the tour' }).click();
  await expect(tour(page)).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('region', { name: 'Side view' })).toBeVisible();
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Shelf' })).toBeVisible();
  await expect(page.getByRole('listitem')).toHaveCount(await page.locator('a[href^="/trains/"]').count());
  // Whoever wants it again finds it in the help.
  await page.goto('/trains/pan-rake?first');
  await expect(page.getByRole('region', { name: 'Side view' })).toBeVisible();
  await page.keyboard.press('?');
  await expect(tour(page)).toHaveCount(0);
  await help(page).getByRole('button', { name: 'Show me round' }).click();
  await expect(tour(page)).toContainText('Where the power goes');
  await page.keyboard.press('Escape');
  await expect(tour(page)).toHaveCount(0);
  await context.close();
});

test('every screen has its help, with what to do, words, cautions and keys; it stays open beside the work', async ({
  page,
  request,
}) => {
  await page.goto(await freshTrain(request, 'stirrer'));
  await page.keyboard.press('?');
  await expect(help(page)).toContainText('Turn exactly one turn, or back');
  for (const [key, about, word] of [
    ['1', 'Bench', 'Planetary set'],
    ['2', 'Chart', 'Influence'],
    ['3', 'Shifting', 'Stall'],
    ['4', 'Teeth', 'Hunting tooth'],
    ['5', 'Log', 'Resolution'],
    ['6', 'Practice', 'Slip'],
    ['7', 'Sheet', 'Outline'],
  ] as const) {
    await page.keyboard.press(`Shift+Digit${key}`);
    await expect(help(page).getByRole('heading', { name: `Help: ${about}` })).toBeVisible();
    for (const part of ['Words', 'Keys', 'Cautions'])
      await expect(help(page).getByRole('region', { name: part })).toBeVisible();
    await expect(help(page).getByRole('region', { name: 'Words' })).toContainText(word);
    expect(await faultsOf(page, 'aside[aria-label="Help"]')).toEqual([]);
  }
  await page.keyboard.press('Shift+Digit1');
  // It is no dialog: positions are still chosen beside it.
  await help(page).getByRole('heading', { name: 'Help: Bench' }).click();
  await page.keyboard.press('ArrowRight');
  await expect(help(page)).toBeVisible();
  await page.keyboard.press('?');
  await expect(help(page)).toBeHidden();
  for (const [address, about] of [
    ['/', 'Shelf'],
    ['/practice', 'Practice'],
    ['/teeth', 'Teeth'],
  ] as const) {
    await page.goto(address);
    await page.getByRole('button', { name: 'Help', exact: true }).click();
    await expect(help(page).getByRole('heading', { name: `Help: ${about}` })).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(help(page)).toBeHidden();
  }
});

test('a way of working says what it means where it is switched', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'stirrer'));
  await page.locator('summary', { hasText: 'in/out' }).click();
  await expect(page.getByText('driven over driver, and as ideal torque grows')).toBeVisible();
  await page.getByRole('radio', { name: 'out/in' }).check();
  await expect(page.getByText('driver over driven, and as speed grows')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('tab', { name: 'Working' }).click();
  await expect(page.getByText('The relative-motion equation of a set, with its values in place.')).toBeVisible();
  await page.getByRole('radio', { name: 'table' }).check({ force: true });
  await expect(page.getByText('then the carrier held and one member turned')).toBeVisible();
});

test('parts are called by the words of the school that is chosen, on every screen; names stay', async ({
  page,
  request,
}) => {
  const address = await freshTrain(request, 'mud-tram');
  await page.goto(address);
  await page.getByText('in/out', { exact: false }).first().click();
  await page.getByLabel('Word for a one-way clutch').selectOption('freewheel');
  await page.getByLabel('Word for a ring').selectOption('annulus');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('heading', { name: 'Freewheels' }).first()).toBeVisible();
  await expect(page.getByText(/one-way/i)).toHaveCount(0);
  await page.goto(`${address}/chart`);
  await expect(page.getByText('Freewheels: ◆ holds')).toBeVisible();
  await page.goto(`${address}/teeth`);
  await page.getByLabel('Look for').selectOption({ label: 'planetary sets' });
  await expect(page.getByText('Annulus teeth')).toBeVisible();
  // A train of another school is found by its own word.
  await page.goto('/');
  await page.getByLabel('Find a train').fill('layshaft of cheese');
  await expect(page.getByText(/^No train has “layshaft of cheese”/)).toBeVisible();
  await page.getByLabel('Find a train').fill('layshaft');
  await expect(page.getByText(/^No train has/)).toHaveCount(0);
  await expect(page.getByRole('listitem').first()).toBeVisible();
  await page.getByRole('button', { name: 'New train' }).click();
  const dialog = page.getByRole('dialog', { name: 'New train' });
  await dialog.getByText('Planetary set', { exact: true }).click();
  await expect(dialog).toContainText('the annulus held');
});

test('on a phone what is pressed is at least 24 px, but for links in a sentence', async ({ browser, request }) => {
  const address = await freshTrain(request, 'mud-tram');
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  const page = await context.newPage();
  for (const screen of ['', '/chart', '/log', '/shifting', '/teeth']) {
    await page.goto(`${address}${screen}`);
    await expect(page.getByRole('main')).toBeVisible();
    const small = await page.evaluate(() =>
      [...document.querySelectorAll('button:not(.link), summary, input, select, [role=tab], [role=slider]')].flatMap(
        (element) => {
          const box = (element.matches('[type=checkbox], [type=radio]') && element.closest('label')) || element;
          const { width, height } = box.getBoundingClientRect();
          const isShown = width > 1 && height > 1;
          return isShown && (width < 23.5 || height < 23.5)
            ? [`${element.outerHTML.slice(0, 90)} ${width}×${height}`]
            : [];
        },
      ),
    );
    expect(small).toEqual([]);
  }
  await context.close();
});
