import { expect, test, type Page } from './journey';
import { freshTrain } from './shelf-copies';

const ratio = (page: Page) => page.getByTestId('ratio');
const gear = (page: Page, words: string) =>
  page.getByRole('button', { name: `Gear on ${words} teeth. Change its teeth.` });
const teeth = (page: Page) => page.getByRole('textbox', { name: 'Teeth' });
const card = (page: Page) =>
  page.getByRole('dialog').filter({ has: page.getByRole('button', { name: 'Close', exact: true }) });
const saved = (page: Page) => expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();

test('a further stage is added to the winch, made the output, and taken away again', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'sluice-winch'));
  await gear(page, 'drum, 45').click();
  await card(page).getByRole('button', { name: '+ Meshing gear' }).click();
  await expect(teeth(page)).toHaveValue('30');
  await teeth(page).fill('90');
  await teeth(page).press('Enter');
  await gear(page, 'shaft, 90').press('e');
  await card(page).getByRole('button', { name: 'shaft…' }).click();
  await card(page).getByLabel('Name').fill('wheel shaft');
  await card(page).getByLabel('Name').press('Enter');
  await card(page).getByLabel('Output').check();
  await expect(page.getByText('wheel shaft').first()).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(card(page)).toHaveCount(0);
  await gear(page, 'drum, 45').press('e');
  await card(page).getByRole('button', { name: 'drum…' }).click();
  await card(page).getByLabel('Output').uncheck();
  await expect(ratio(page)).toHaveText('24.00');
  await page.keyboard.press('Escape');
  await saved(page);
  await page.reload();
  await expect(ratio(page)).toHaveText('24.00');
});

test('removing says what goes along; the output is not removed; twenty steps are undone and redone', async ({
  page,
  request,
}) => {
  await page.goto(await freshTrain(request, 'pan-rake'));
  await gear(page, 'second wheel, 32').press('e');
  await card(page).getByRole('button', { name: 'Remove' }).click();
  await expect(card(page)).toContainText('This also removes second wheel, its mesh and Second. Undo restores it.');
  await expect(card(page).getByRole('group', { name: 'Differences' })).toContainText('2: 2.837 → neutral');
  await card(page).getByRole('button', { name: 'Remove' }).click();
  await expect(gear(page, 'second wheel, 32')).toHaveCount(0);
  await expect(page.getByRole('button', { name: /^Clutch Second/ })).toHaveCount(0);

  await gear(page, 'output shaft, 37').press('e');
  await card(page).getByRole('button', { name: 'output shaft…' }).click();
  await card(page).getByRole('button', { name: 'Remove' }).click();
  await expect(card(page).getByRole('alert')).toHaveText(
    'An output would go with it. Make another member the output first.',
  );
  await card(page).getByRole('button', { name: 'Close', exact: true }).click();

  for (let i = 0; i < 19; i++) {
    await gear(page, `input shaft, ${19 + i}`).press('Enter');
    await teeth(page).fill(String(20 + i));
    await teeth(page).press('Enter');
  }
  await expect(gear(page, 'input shaft, 38')).toBeVisible();
  for (let i = 0; i < 20; i++) await page.getByRole('button', { name: 'Undo' }).click();
  await expect(gear(page, 'input shaft, 19')).toBeVisible();
  await expect(gear(page, 'second wheel, 32')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  for (let i = 0; i < 20; i++) await page.getByRole('button', { name: 'Redo' }).click();
  await expect(gear(page, 'input shaft, 38')).toBeVisible();
  await expect(gear(page, 'second wheel, 32')).toHaveCount(0);
});

test('Delete asks first where something else changes, removes at once where not, and gives the focus on', async ({
  page,
  request,
}) => {
  await page.goto(await freshTrain(request, 'pan-rake'));
  const said = (text: string) => expect(page.getByRole('status').filter({ hasText: text })).toBeVisible();
  await gear(page, 'third wheel, 25').press('Delete');
  await expect(card(page)).toContainText('This also removes third wheel, its mesh and Third.');
  await page.keyboard.press('Enter');
  await expect(gear(page, 'third wheel, 25')).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(gear(page, 'third wheel, 25')).toBeVisible();
  // Pointed at while redo takes it away: nothing is left to say of it.
  await gear(page, 'third wheel, 25').hover();
  await expect(page.getByRole('tooltip')).toBeVisible();
  await page.keyboard.press('Control+Shift+z');
  await expect(page.getByRole('tooltip').filter({ hasText: 'third wheel' })).toHaveCount(0);
  await page.getByRole('button', { name: /^Clutch Direct/ }).press('Delete');
  await expect(card(page).getByRole('group', { name: 'Differences' })).toContainText('4: 1.000 → neutral');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Clutch Direct/ })).toHaveCount(0);
  await expect(page.locator('[data-part]:focus')).toHaveCount(1);
  await expect(page.getByRole('group', { name: 'Positions' }).getByRole('button', { name: /^4/ })).toContainText(
    'neutral',
  );
  await page.goto(await freshTrain(request, 'sluice-winch'));
  await gear(page, 'drum, 45').press('e');
  await card(page).getByRole('button', { name: '+ Gear on this shaft' }).click();
  await teeth(page).press('Enter');
  await expect(gear(page, 'drum, 30')).toBeFocused();
  await page.keyboard.press('Delete');
  await said('Removed gear 30 on drum. Ctrl Z brings it back.');
  await expect(page.locator('[data-part]:focus')).toHaveCount(1);
});

test('a brake and a planetary set are added round a shaft by keyboard, and engaged', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'sluice-winch'));
  await gear(page, 'drum, 45').press('e');
  await card(page).getByRole('button', { name: '+ Planets round it' }).press('Enter');
  await expect(gear(page, 'ring, 81')).toBeVisible();
  await page.keyboard.press('Escape');
  await gear(page, 'ring, 81').press('e');
  await card(page).getByRole('button', { name: 'ring…' }).press('Enter');
  await card(page).getByRole('button', { name: '+ Brake' }).press('Enter');
  await page.keyboard.press('Escape');
  await gear(page, 'drum, 45').first().press('e');
  await card(page).getByRole('button', { name: 'drum…' }).press('Enter');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Brake A on ring: off/ }).press('Enter');
  await expect(page.getByRole('button', { name: /^Brake A on ring: engaged/ })).toBeVisible();
  await page.getByLabel('Name of the new position').fill('low');
  await page.getByRole('button', { name: 'Keep as a position' }).click();
  await expect(page.getByRole('group', { name: 'Positions' }).getByRole('button', { name: /^low/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
});

test('a coupler is given other ends and another type on its card, and stays in its positions', async ({
  page,
  request,
}) => {
  await page.goto(await freshTrain(request, 'pan-rake'));
  await page.getByRole('group', { name: 'Positions' }).getByRole('button', { name: /^4/ }).click();
  await page.getByRole('button', { name: /^Clutch Direct/ }).press('e');
  await card(page).getByRole('combobox', { name: 'with', exact: true }).selectOption('second wheel');
  await card(page).getByRole('combobox', { name: 'Joins' }).selectOption('the frame');
  await expect(page.getByRole('button', { name: /^Brake Direct on second wheel: engaged/ })).toBeVisible();
  await card(page).getByRole('combobox', { name: 'Type' }).selectOption('one-way clutch');
  await expect(card(page).getByRole('combobox', { name: 'Works' })).toHaveValue('selectable');
  await expect(page.getByRole('button', { name: /^One-way clutch Direct/ })).toBeVisible();
  await card(page).getByRole('combobox', { name: 'with', exact: true }).selectOption('the frame');
  await expect(card(page).getByRole('alert')).toHaveText('Choose two different members to join.');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: /^One-way clutch Direct/ })).toBeFocused();
  for (let i = 0; i < 3; i++) await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: /^Clutch Direct, input shaft with/ })).toBeVisible();
});

test('a set is added with a member as its carrier, and its counts go on to fit while one is typed', async ({
  page,
  request,
}) => {
  await page.goto(await freshTrain(request, 'sluice-winch'));
  await gear(page, 'drum, 45').press('e');
  await card(page).getByRole('button', { name: 'drum…' }).press('Enter');
  await card(page).getByLabel('Add a planetary set with this member').selectOption('as its carrier');
  await expect(gear(page, 'ring, 60')).toBeVisible();
  await card(page).getByLabel('Keep ring = sun + 2 planets').check();
  await teeth(page).fill('30');
  await expect(gear(page, 'ring, 66')).toBeVisible();
  await teeth(page).press('Enter');
  await gear(page, 'ring, 66').press('Enter');
  await teeth(page).fill('67');
  await expect(card(page).getByRole('alert')).toContainText('30 plus an even number');
  await teeth(page).fill('70');
  await teeth(page).press('Enter');
  await expect(page.getByRole('button', { name: /^Gear on planet, 20 teeth/ }).first()).toBeVisible();
  await expect(gear(page, 'ring, 70')).toBeFocused();
});

test('positions are renamed, reordered and deleted', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'pan-rake'));
  await page.getByRole('button', { name: 'Edit positions' }).click();
  const dialog = page.getByRole('dialog', { name: 'Positions' });
  await dialog.getByLabel('3', { exact: true }).fill('low');
  await dialog.getByLabel('3', { exact: true }).press('Enter');
  await dialog.getByRole('button', { name: 'Move low up' }).click();
  await dialog.getByRole('button', { name: 'Delete 1+2' }).click();
  await dialog.getByLabel('1', { exact: true }).fill('N');
  await dialog.getByLabel('1', { exact: true }).press('Enter');
  await expect(dialog.getByRole('alert')).toHaveText('There is a position "N" already.');
  await dialog.getByRole('button', { name: 'Done' }).click();
  const keys = page.getByRole('group', { name: 'Positions' }).getByRole('button');
  await expect(keys).toHaveText([/^R/, /^low/, /^N/, /^2/, /^3/, /^4/]);
});
