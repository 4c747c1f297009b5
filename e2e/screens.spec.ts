import { expect, test, type Page } from './journey';
import { allHere, openCard, ratio, saved, typeTeeth } from './bench-steps';
import { cell, chart, row } from './chart-steps';
import { freshTrain } from './shelf-copies';

const screens = (page: Page) => page.getByRole('navigation', { name: 'Screens of this train' });
test('going from screen to screen loses nothing: document, undo, position and what the Bench had', async ({
  page,
  request,
}) => {
  const address = await freshTrain(request, 'pan-rake');
  await page.goto(address);
  await page.keyboard.press('t');
  await expect(page.getByTestId('turns in')).toHaveText('1');
  await typeTeeth(page, 'second wheel', 32, 33);
  await page.keyboard.press('3');
  await screens(page).getByRole('link', { name: 'Chart' }).click();
  await expect(page).toHaveURL(new RegExp(`${address}/chart$`));
  await expect(row(page, '3')).toHaveAttribute('aria-selected', 'true');
  await expect(screens(page).getByRole('link', { name: 'Chart' })).toHaveAttribute('aria-current', 'page');
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Redo' }).click();
  await page.goBack();
  await expect(page).toHaveURL(new RegExp(`${address}$`));
  await expect(page.getByTestId('turns in')).toHaveText('1');
  await expect(page.getByRole('button', { name: 'Gear on second wheel, 33 teeth. Change its teeth.' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^3/, pressed: true })).toBeVisible();
  await page.goForward();
  await expect(chart(page)).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(row(page, '3')).toHaveAttribute('aria-selected', 'true');
});

test('the chart’s figures are the Bench’s, and a coupler switched in it is an edit like any other', async ({
  page,
  request,
}) => {
  await page.goto(`${await freshTrain(request, 'pan-rake')}/chart`);
  await expect(row(page, '2')).toContainText('2.837');
  await expect(row(page, '1+2')).toContainText('locked');
  await expect(row(page, '2').getByTitle('To 3: Second off, Third on.')).toContainText('one swap');
  await cell(page, 'Second', '1').click();
  await expect(row(page, '1')).toContainText('locked');
  await screens(page).getByRole('link', { name: 'Bench' }).click();
  await expect(page.getByText('Locked: the input cannot turn.')).toBeVisible();
  await page.keyboard.press('Control+z');
  await page.keyboard.press('1');
  await expect(ratio(page)).toHaveText('4.923');
  await saved(page);
});

test('by keyboard alone: to the chart, along its cells, engaged with Space, and back', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'pan-rake'));
  await page.keyboard.press('Shift+Digit2');
  await expect(chart(page)).toBeVisible();
  await page.keyboard.press('4');
  await expect(row(page, '4')).toHaveAttribute('aria-selected', 'true');
  await row(page, '4').getByRole('rowheader').getByRole('button').focus();
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowRight');
  const before = await page.locator(':focus').getAttribute('aria-pressed');
  await page.keyboard.press('Space');
  await expect(page.locator(':focus')).toHaveAttribute('aria-pressed', before === 'true' ? 'false' : 'true');
  await page.keyboard.press('Control+z');
  await expect(page.locator(':focus')).toHaveAttribute('aria-pressed', before!);
  await page.keyboard.press('?');
  await expect(page.getByRole('complementary', { name: 'Help' })).toContainText('The screens of the train');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Shift+Digit1');
  await expect(page.getByRole('region', { name: 'End view' })).toBeVisible();
});

test('with the server away the other screens open, an edit waits, and is saved when it is back', async ({
  page,
  request,
  context,
}) => {
  const address = await freshTrain(request, 'pan-rake');
  await page.goto(address);
  await allHere(page);
  await context.setOffline(true);
  await typeTeeth(page, 'second wheel', 32, 34);
  await screens(page).getByRole('link', { name: 'Chart' }).click();
  await expect(chart(page)).toBeVisible();
  await cell(page, 'Third', '2').click();
  await expect(row(page, '2')).toContainText('locked');
  await expect(page.getByText('Not saved, kept in this browser')).toBeVisible();
  await screens(page).getByRole('link', { name: 'Bench' }).click();
  await expect(page.getByRole('button', { name: 'Gear on second wheel, 34 teeth. Change its teeth.' })).toBeVisible();
  await context.setOffline(false);
  await saved(page);
  const { train } = (await (await request.get(`/api${address}`)).json()) as {
    train: { gears: { teeth: number }[]; positions: { id: string; engaged: string[] }[] };
  };
  expect(train.gears.map(({ teeth }) => teeth)).toContain(34);
  expect(train.positions.find(({ id }) => id === '2')!.engaged.sort()).toEqual(['second', 'third']);
});

test('an edit made on the chart is there after leaving at once, by Back and by the shelf’s link', async ({
  page,
  request,
}) => {
  const address = await freshTrain(request, 'pan-rake');
  await page.goto(`${address}/chart`);
  await cell(page, 'Third', '1').click();
  await page.getByRole('link', { name: 'Shelf' }).click();
  await expect(page.getByRole('heading', { name: 'Shelf' })).toBeVisible();
  await page.goBack();
  await expect(cell(page, 'Third', '1')).toHaveAttribute('aria-pressed', 'true');
  await saved(page);
  await page.getByRole('link', { name: 'Shelf' }).click();
  await openCard(page, page.locator(`a[href="${address}"]`));
  await screens(page).getByRole('link', { name: 'Chart' }).click();
  await expect(cell(page, 'Third', '1')).toHaveAttribute('aria-pressed', 'true');
  await page.reload();
  await expect(cell(page, 'Third', '1')).toHaveAttribute('aria-pressed', 'true');
});

test('two windows on two screens of one train never overwrite each other', async ({ page, request, context }) => {
  const address = await freshTrain(request, 'pan-rake');
  await page.goto(address);
  const other = await context.newPage();
  await other.goto(`${address}/chart`);
  await typeTeeth(page, 'second wheel', 32, 35);
  await saved(page);
  await cell(other, 'Third', '1').click();
  const conflict = other.getByRole('dialog', { name: 'This train was changed in another window' });
  await expect(conflict).toBeVisible();
  await conflict.getByRole('button', { name: 'Take theirs' }).click();
  await expect(cell(other, 'Third', '1')).toHaveAttribute('aria-pressed', 'false');
  await screens(other).getByRole('link', { name: 'Bench' }).click();
  await expect(other.getByRole('button', { name: 'Gear on second wheel, 35 teeth. Change its teeth.' })).toBeVisible();
});

test('a screen opens in a tab of its own, and an address that names none says so', async ({
  page,
  request,
  context,
}) => {
  const address = await freshTrain(request, 'pan-rake');
  await page.goto(address);
  const opened = context.waitForEvent('page');
  await screens(page)
    .getByRole('link', { name: 'Chart' })
    .click({ modifiers: ['Control'] });
  const tab = await opened;
  await tab.bringToFront();
  await expect(chart(tab)).toBeVisible();
  await expect(page).toHaveURL(new RegExp(`${address}$`));
  expect((await page.goto(`${address}/nothing`))!.status()).toBe(404);
});

test('a link carries position and flow; what is typed stays with the train', async ({ page, request, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  const address = await freshTrain(request, 'pan-rake');
  await page.goto(`${address}?position=2&flow=coast`);
  await expect(page.getByRole('button', { name: /^2/, pressed: true })).toBeVisible();
  await expect(page.getByRole('radio', { name: 'Coast' })).toBeChecked();
  await expect(page).toHaveURL(new RegExp(`${address}$`));
  await page.keyboard.press('3');
  await page.getByRole('button', { name: 'Copy a link to this position' }).click();
  await expect(page.getByText('The link to what is looked at now is copied.')).toBeVisible();
  const link = await page.evaluate(() => navigator.clipboard.readText());
  expect(link).toMatch(/\?position=3&flow=coast&speed=30\+rpm&torque=10\+N%C2%B7m$/);
  await page.getByLabel('Input speed').fill('1200');
  await page.reload();
  await expect(page.getByLabel('Input speed')).toHaveValue('1200');
  await expect(page.getByRole('button', { name: /^3/, pressed: true })).toBeVisible();
  await page.goto(await freshTrain(request, 'pan-rake'));
  await expect(page.getByLabel('Input speed')).toHaveValue('30');
  await page.goto(`${address}?position=99`);
  await expect(page.getByText('The link asks for position “99”, which this train does not have.')).toBeVisible();
});
