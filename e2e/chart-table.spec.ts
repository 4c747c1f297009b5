import { saved } from './bench-steps';
import { cell, chart, names, row } from './chart-steps';
import { expect, test, type Page } from './journey';
import { freshTrain } from './shelf-copies';

const keys = async (page: Page, ...all: string[]) => {
  for (const key of all) await page.keyboard.press(key);
};

test('a chart made by keyboard alone: positions added, named, engaged, moved and removed', async ({
  page,
  request,
}) => {
  const address = await freshTrain(request, 'pan-rake', (train) => ({ ...train, positions: [] }));
  await page.goto(`${address}/chart`);
  const first = page.getByRole('button', { name: 'Keep what is engaged now as position 1' });
  await expect(first).toBeVisible();
  await first.focus();
  await page.keyboard.press('Enter');
  await expect(row(page, '1')).toContainText('neutral');
  await row(page, '1').getByRole('rowheader').getByRole('button').focus();
  // Typing on the name changes it; along the row x engages, Space switches back.
  await keys(page, 'l', 'o', 'w', 'Enter');
  await expect(row(page, 'low')).toBeVisible();
  await keys(page, 'ArrowRight', 'x');
  await expect(cell(page, 'First', 'low')).toHaveAttribute('aria-pressed', 'true');
  await expect(row(page, 'low')).toContainText('4.923');
  await keys(page, 'ArrowRight', 'Space');
  await expect(row(page, 'low')).toContainText('locked');
  await keys(page, '0');
  await expect(row(page, 'low')).toContainText('4.923');
  // Another row like it, with the next clutch instead.
  await keys(page, 'Home', 'Insert');
  await expect.poll(() => names(page)).toEqual(['low', '1']);
  await row(page, '1').getByRole('rowheader').getByRole('button').focus();
  await keys(
    page,
    'F2',
    'Control+a',
    'h',
    'i',
    'g',
    'h',
    'Enter',
    'ArrowRight',
    'Delete',
    'ArrowRight',
    'ArrowRight',
    'ArrowRight',
    '1',
  );
  await expect(row(page, 'high')).toContainText('1.000');
  await expect(row(page, 'low').getByTitle(/^To high/)).toContainText('one swap');
  await keys(page, 'Home', 'Alt+ArrowUp');
  await expect.poll(() => names(page)).toEqual(['high', 'low']);
  await expect(page.locator(':focus')).toHaveText('high');
  await keys(page, 'Insert', 'Control+z');
  await expect.poll(() => names(page)).toEqual(['high', 'low']);
  await row(page, 'low').getByRole('rowheader').getByRole('button').focus();
  await keys(page, 'h', 'i', 'g', 'h', 'Enter');
  await expect(page.getByText('There is a position "high" already.')).toBeVisible();
  await row(page, 'low').getByRole('rowheader').getByRole('button').focus();
  await keys(page, 'Delete');
  await expect.poll(() => names(page)).toEqual(['high']);
  await row(page, 'high').getByRole('rowheader').getByRole('button').focus();
  await keys(page, 'Enter');
  await expect(page).toHaveURL(new RegExp(`${address}$`));
  await expect(page.getByTestId('ratio')).toHaveText('1.000');
  await saved(page);
});

test('pasted from a spreadsheet: nothing changes until what is unknown is answered; one step of undo', async ({
  page,
  request,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await page.goto(`${await freshTrain(request, 'mud-tram')}/chart`);
  await expect(row(page, '1')).toBeVisible();
  const before = await names(page);
  const table =
    'gear\tforward\tHOLD\tbrake in front\tratio\nlow\tx\t\t\t2,435\nnext\t1\t●\t\t1,478\nlong\tx\t\tx\nodd\tperhaps';
  await page.evaluate((text) => navigator.clipboard.writeText(text), table);
  await row(page, '1').getByRole('rowheader').getByRole('button').focus();
  await page.keyboard.press('Control+v');
  const dialog = page.getByRole('dialog', { name: 'Positions from a table' });
  await expect(dialog).toContainText('Row 5 ("odd"): "perhaps" under Forward counts as off.');
  await expect(dialog).toContainText('Row 5 ("odd") has 2 of 5 cells');
  const take = dialog.getByRole('button', { name: 'Apply 4 positions' });
  await expect(take).toBeDisabled();
  expect(await names(page)).toEqual(before);
  await dialog.getByLabel('What brake in front is').selectOption('Front brake');
  await dialog.getByLabel('Replace all 8 positions').check();
  await take.click();
  await expect.poll(() => names(page)).toEqual(['low', 'next', 'long', 'odd']);
  await expect(row(page, 'long')).toContainText('1.758');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => names(page)).toEqual(before);
  // What is copied can be pasted back as it was.
  await row(page, '1').getByRole('rowheader').getByRole('button').focus();
  await page.keyboard.press('Control+c');
  const copied = await page.evaluate(() => navigator.clipboard.readText());
  expect(copied.split(/\r?\n/)[4]).toMatch(/^4\tx\t\tx\tx\tx\t/);
  await page.keyboard.press('Control+v');
  await expect(dialog.getByRole('list', { name: 'In doubt' })).toHaveCount(0);
  await dialog.getByRole('button', { name: 'Apply 8 positions' }).click();
  await expect.poll(() => names(page)).toEqual(before);
  await expect(row(page, '4')).toContainText('0.7222');
});

test('a table too long, or none at all, is told in the dialog', async ({ page, request, context }) => {
  await page.goto(`${await freshTrain(request, 'stirrer')}/chart`);
  await expect(row(page, 'slow')).toBeVisible();
  const text = ['position\thold', ...Array.from({ length: 10_000 }, (_, i) => `p${i}\tx`)].join('\n');
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await page.evaluate((long) => navigator.clipboard.writeText(long), text);
  await page.keyboard.press('Control+v');
  const dialog = page.getByRole('dialog', { name: 'Positions from a table' });
  await expect(dialog).toContainText('10000 rows; a train has at most 128 positions, so the first 128 are read.');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Paste' }).click();
  await page.keyboard.press('Control+v');
  await expect(dialog.getByRole('button', { name: 'Apply 128 positions' })).toBeEnabled();
  await dialog.getByLabel('The table').fill('');
  await expect(dialog.getByRole('button', { name: 'Apply 0 positions' })).toBeDisabled();
  await dialog.getByRole('button', { name: 'Cancel' }).click();
  await expect.poll(() => names(page)).toEqual(['slow', 'direct']);
});

test('rows are dragged to another place, and sorted by ratio', async ({ page, request }) => {
  await page.goto(`${await freshTrain(request, 'harvester')}/chart`);
  await row(page, '3').hover();
  const handle = row(page, '3').getByTitle('Drag to another place');
  const [from, to] = [(await handle.boundingBox())!, (await row(page, '1').boundingBox())!];
  await page.mouse.move(from.x + 4, from.y + 8);
  await page.mouse.down();
  await page.mouse.move(from.x + 4, from.y - 20, { steps: 4 });
  await page.mouse.move(from.x + 4, to.y + 6, { steps: 8 });
  await page.mouse.up();
  await expect.poll(async () => (await names(page)).slice(0, 4)).toEqual(['3', '1', '2', '4']);
  await page.getByRole('button', { name: 'Sort' }).click();
  await expect.poll(() => names(page)).toEqual(['1', '2', '3', '4', '5', '6', '7', '8', 'R', 'N', 'all']);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(async () => (await names(page)).slice(0, 2)).toEqual(['3', '1']);
});

test('both ideals: how far each step is off, with a factor of one’s own', async ({ page, request }) => {
  await page.goto(`${await freshTrain(request, 'harvester')}/chart`);
  await expect(row(page, '1')).toContainText('+10.2');
  await page.getByLabel('Ideal steps', { exact: true }).selectOption('progressive');
  await expect(row(page, '1')).not.toContainText('+10.2');
  const factor = page.getByLabel('Factor between steps');
  await factor.fill('1');
  await expect(row(page, '1')).toContainText('+10.2');
  await factor.fill('0.5');
  await expect(factor).toHaveAttribute('aria-invalid', 'true');
});

test('forty-eight positions are read as a grid of ranges, walked by arrow keys, and as clicks of three drums', async ({
  page,
  request,
}) => {
  const address = await freshTrain(request, 'range-box');
  await page.goto(`${address}/chart`);
  await page.getByLabel('Grid').check();
  const grid = page.getByRole('grid', { name: 'Grid of positions' });
  await expect(grid.getByRole('row')).toHaveCount(6);
  await grid.getByRole('button', { name: '1: 4.461', exact: true }).focus();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowRight');
  await expect(page.locator(':focus')).toContainText('1.946');
  await page.getByLabel('Clicks').check();
  const clicks = page.getByRole('region', { name: 'Clicks of the selectors' });
  await expect(clicks.getByRole('row', { name: /^3 → 4/ })).toContainText('carries into middle drum');
  await page.getByLabel('Grid').check();
  await grid.getByRole('button', { name: '14: 1.946' }).press('Enter');
  await expect(page).toHaveURL(new RegExp(`${address}$`));
  await expect(page.getByTestId('ratio')).toHaveText('1.946');
});

test('one position, all locked, several outputs: each says what it can', async ({ page, request }) => {
  await page.goto(`${await freshTrain(request, 'sluice-winch')}/chart`);
  await expect(chart(page).getByRole('row')).toHaveCount(2);
  await expect(page.getByText('Steps need two positions that drive forward.')).toBeVisible();
  await page.getByRole('tab', { name: 'Shifts' }).click();
  await expect(page.getByText('A shift needs two positions.')).toBeVisible();
  const locked = await freshTrain(request, 'pan-rake', (train) => ({
    ...train,
    positions: train.positions.filter(({ id }) => id === '1+2'),
  }));
  await page.goto(`${locked}/chart`);
  await expect(row(page, '1+2')).toContainText('locked');
  await expect(page.getByText('No position drives, so the ladder has no rung.')).toBeVisible();
  await page.goto(`${await freshTrain(request, 'wagon-axle')}/chart`);
  await expect(row(page, 'open')).toContainText('split');
  await expect(row(page, 'locked')).toContainText('same way');
});
