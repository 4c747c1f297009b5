import { openCard, typeTeeth } from './bench-steps';
import { expect, test, type Page } from './journey';
import { freshTrain } from './shelf-copies';

const row = (page: Page, member: string) =>
  page
    .getByRole('region', { name: 'Figures' })
    .getByRole('row')
    .filter({ has: page.locator('td:first-child', { hasText: new RegExp(`^${member}`) }) });
const gear = (page: Page, member: string, teeth: number) =>
  page.getByRole('button', { name: `Gear on ${member}, ${teeth} teeth` });
const saved = (page: Page) => expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();

test('the winch is found on the shelf, traced from crank to drum, changed and kept', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('searchbox', { name: 'Find a train' }).fill('winch');
  await openCard(page, page.locator('a[href="/trains/sluice-winch"]'));
  await expect(page.getByTestId('ratio')).toHaveText('12.00');

  await page.getByLabel('Input speed').fill('24');
  await page.getByLabel('Input torque').fill('5');
  await page.getByRole('tab', { name: 'Figures' }).click();
  await expect(row(page, 'drum').getByRole('cell').nth(1)).toHaveText('2.000reverse');
  await expect(row(page, 'drum').getByRole('cell').nth(2)).toHaveText('60.00');
  await expect(row(page, 'countershaft').getByRole('cell').nth(2)).toHaveText('20.00');
  await page.getByRole('tab', { name: 'Trace' }).click();
  await expect(page.getByRole('list', { name: 'Trace' }).getByRole('listitem')).toHaveCount(4);
  await expect(page.getByRole('list', { name: 'Trace' })).toContainText(
    'Driver gear 15 on countershaft turns driven gear 45 on drum the other way.',
  );

  await page.getByRole('tab', { name: 'Working' }).click();
  await expect(page.getByTestId('running-product')).toHaveText(['−25/14', '4', '−12']);
  await expect(page.getByRole('region', { name: 'Cross-checks' })).toContainText('They agree.');

  await gear(page, 'drum', 45).click();
  await page.getByRole('textbox', { name: 'Teeth' }).fill('60');
  await expect(page.getByTestId('ratio')).toHaveText('16.00');
  await expect(page.getByTestId('running-product').last()).toHaveText('−16');
  await page.getByRole('textbox', { name: 'Teeth' }).press('Enter');
  await saved(page);
  await page.reload();
  await expect(page.getByTestId('ratio')).toHaveText('16.00');
  await gear(page, 'drum', 60).press('Enter');
  await page.getByRole('textbox', { name: 'Teeth' }).fill('45');
  await page.getByRole('textbox', { name: 'Teeth' }).press('Enter');
  await saved(page);
});

test('a whole visit to the tooth count is one step of undo, and Esc goes back', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'sluice-winch'));
  await gear(page, 'crank', 14).click();
  await page.getByRole('textbox', { name: 'Teeth' }).pressSequentially('28');
  await page.getByRole('textbox', { name: 'Teeth' }).press('Enter');
  await expect(page.getByTestId('ratio')).toHaveText('6.000');
  await page.keyboard.press('Control+z');
  await expect(page.getByTestId('ratio')).toHaveText('12.00');
  await page.keyboard.press('Control+Shift+z');
  await expect(page.getByTestId('ratio')).toHaveText('6.000');
  await gear(page, 'crank', 28).click();
  await page.getByRole('textbox', { name: 'Teeth' }).fill('7');
  await expect(page.getByTestId('ratio')).toHaveText('24.00');
  await page.getByRole('textbox', { name: 'Teeth' }).press('Escape');
  await expect(page.getByTestId('ratio')).toHaveText('6.000');
});

test('bad tooth counts are explained at the gear, nothing is saved, the last good state stands', async ({
  page,
  request,
}) => {
  const address = await freshTrain(request, 'sluice-winch');
  let writes = 0;
  page.on('request', (sent) => (writes += sent.method() === 'PUT' ? 1 : 0));
  await page.goto(address);
  await gear(page, 'countershaft', 56).click();
  for (const bad of ['0', '-3', '2.5', 'abc', '', '1000000000', '1e9']) {
    await page.getByRole('textbox', { name: 'Teeth' }).fill(bad);
    await expect(page.getByRole('alert').filter({ hasText: 'whole number from 1 to 100 000' })).toBeVisible();
    await expect(page.getByTestId('ratio')).toHaveText('12.00');
    await page.getByRole('textbox', { name: 'Teeth' }).press('Enter');
    await expect(page.getByRole('textbox', { name: 'Teeth' })).toBeVisible();
  }
  expect(writes).toBe(0);
  await page.getByRole('textbox', { name: 'Teeth' }).press('Escape');
  await expect(page.getByRole('textbox', { name: 'Teeth' })).toHaveCount(0);
  await expect(gear(page, 'countershaft', 56)).toBeVisible();
  // The next good count is the first that is saved.
  await typeTeeth(page, 'countershaft', 56, 57);
  await saved(page);
  expect(writes).toBe(1);
});

test('the ratio convention is chosen once and every figure follows', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'sluice-winch'));
  await page.getByTitle(/^How ratios are written/).click();
  await page.getByRole('radio', { name: 'out/in' }).check();
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('ratio')).toHaveText('0.08333');
  await expect(page.getByRole('group', { name: 'Positions' })).toContainText('0.08333');
  await expect(page.getByText(': 1 out/in')).toBeVisible();
  await page.getByRole('tab', { name: 'Working' }).click();
  await expect(page.getByTestId('running-product').last()).toHaveText('−1/12');
  await page.reload();
  await expect(page.getByTestId('ratio')).toHaveText('0.08333');
});

test('two windows on one train never overwrite each other', async ({ page, request, context }) => {
  const address = await freshTrain(request, 'sluice-winch');
  const other = await context.newPage();
  await page.goto(address);
  await other.goto(address);
  await gear(page, 'drum', 45).click();
  await page.getByRole('textbox', { name: 'Teeth' }).fill('30');
  await page.getByRole('textbox', { name: 'Teeth' }).press('Enter');
  await saved(page);

  await gear(other, 'drum', 45).click();
  await other.getByRole('textbox', { name: 'Teeth' }).fill('90');
  const dialog = other.getByRole('dialog', { name: 'This train was changed in another window' });
  await expect(dialog).toBeVisible();
  await dialog.getByRole('button', { name: 'Keep mine as a copy' }).click();
  await expect(other.getByLabel('Name of the train')).toHaveValue(/^Sluice winch \(copy/);
  await expect(other.getByTestId('ratio')).toHaveText('24.00');
  await page.reload();
  await expect(page.getByTestId('ratio')).toHaveText('8.000');

  await other.goto(address);
  await gear(page, 'crank', 14).click();
  await page.getByRole('textbox', { name: 'Teeth' }).fill('7');
  await page.getByRole('textbox', { name: 'Teeth' }).press('Enter');
  await saved(page);
  await gear(other, 'crank', 14).click();
  await other.getByRole('textbox', { name: 'Teeth' }).fill('28');
  await dialog.getByRole('button', { name: 'Take theirs' }).click();
  await expect(other.getByTestId('ratio')).toHaveText('16.00');

  // Changes of different parts are merged: the crank's of one window, the drum's of the other.
  await gear(page, 'crank', 7).click();
  await page.getByRole('textbox', { name: 'Teeth' }).fill('14');
  await page.getByRole('textbox', { name: 'Teeth' }).press('Enter');
  await saved(page);
  await gear(other, 'drum', 30).click();
  await other.getByRole('textbox', { name: 'Teeth' }).fill('60');
  await dialog.getByRole('button', { name: 'Merge both' }).click();
  await expect(other.getByTestId('ratio')).toHaveText('16.00');
  await saved(other);
  await page.reload();
  await expect(page.getByTestId('ratio')).toHaveText('16.00');
  await page.getByRole('button', { name: 'Revisions' }).click();
  await expect(page.getByRole('list', { name: 'Saved states' })).toContainText('drum’s gear 30 → 60 teeth');
});

test('a bad speed or torque is said at its field', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'sluice-winch'));
  await page.getByLabel('Input speed').fill('fast');
  await expect(page.getByRole('alert').filter({ hasText: /Type the input speed as a number/ })).toBeVisible();
  await page.getByRole('tab', { name: 'Figures' }).click();
  await expect(row(page, 'drum').getByRole('cell').nth(1)).toHaveText('—reverse');
  await page.getByLabel('Input speed').fill('30');
  await page.getByTitle(/^How ratios are written/).click();
  await page.getByLabel('Unit of torque').selectOption('lbf·ft');
  await page.getByLabel('Input torque').fill('2');
  await expect(row(page, 'drum').getByRole('cell').nth(2)).toHaveText('24.00');
});
