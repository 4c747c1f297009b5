import { gear, openCard, ratio, saved, typeTeeth } from './bench-steps';
import { expect, test, type Page } from './journey';
import { freshTrain } from './shelf-copies';

const status = (page: Page, text: RegExp) => page.getByRole('status').filter({ hasText: text });

test('left right after an edit: nothing is lost, by Back, by a link, or loaded again', async ({ page, request }) => {
  const address = await freshTrain(request, 'sluice-winch');
  await page.goto(address);
  await typeTeeth(page, 'drum', 45, 30);
  // At once, long before the pause after which it would be saved by itself.
  await page.getByRole('link', { name: 'Shelf' }).click();
  await expect(page.getByRole('searchbox', { name: 'Find a train' })).toBeVisible();
  await expect
    .poll(async () => ((await (await request.get(`/api${address}`)).json()) as { version: number }).version)
    .toBe(2);

  await page.goBack();
  await expect(ratio(page)).toHaveText('8.000');
  await saved(page);
  await typeTeeth(page, 'drum', 30, 60);
  await saved(page);
  await expect(page.getByRole('dialog', { name: 'This train was changed in another window' })).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(ratio(page)).toHaveText('8.000');
  await saved(page);

  await page.getByRole('link', { name: 'Shelf' }).click();
  await openCard(page, page.locator(`a[href="${address}"]`));
  await expect(ratio(page)).toHaveText('8.000');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled();
  await page.reload();
  await expect(ratio(page)).toHaveText('8.000');
  await saved(page);
});

test('changed elsewhere while it was left: the newer one is taken on return', async ({ page, request }) => {
  const address = await freshTrain(request, 'sluice-winch');
  await page.goto(address);
  await expect(ratio(page)).toHaveText('12.00');
  await page.getByRole('link', { name: 'Shelf' }).click();
  await expect(page.getByRole('searchbox', { name: 'Find a train' })).toBeVisible();
  const kept = (await (await request.get(`/api${address}`)).json()) as {
    version: number;
    train: { gears: { member: string; teeth: number }[] };
  };
  const train = {
    ...kept.train,
    gears: kept.train.gears.map((one) => (one.member === 'drum' ? { ...one, teeth: 30 } : one)),
  };
  expect((await request.put(`/api${address}`, { data: { version: kept.version, train } })).status()).toBe(200);
  await openCard(page, page.locator(`a[href="${address}"]`));
  await expect(ratio(page)).toHaveText('8.000');
  await saved(page);
});

test('taken back at once, it is saved as it was; Esc leaves nothing to redo', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'sluice-winch'));
  await typeTeeth(page, 'drum', 45, 30);
  await page.keyboard.press('Control+z');
  await expect(status(page, /^Saved$/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Redo' })).toBeEnabled();

  await gear(page, 'drum, 45').press('Enter');
  const teeth = page.getByRole('textbox', { name: 'Teeth' });
  await teeth.fill('99');
  await expect(ratio(page)).not.toHaveText('12.00');
  await teeth.press('Escape');
  await expect(ratio(page)).toHaveText('12.00');
  await expect(status(page, /^Saved$/)).toBeVisible();
  // What could be redone before still can, and is not the count that was given up.
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(ratio(page)).toHaveText('8.000');
});

test('a coupler that is removed and brought back is engaged as it was', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'pan-rake'));
  const first = page.getByRole('group', { name: 'Positions' }).getByRole('button', { name: /^1\b/ }).first();
  await expect(first).toHaveAttribute('aria-pressed', 'true');
  const before = await ratio(page).textContent();
  await page.getByRole('button', { name: /^Clutch First/ }).press('Delete');
  await page.getByRole('dialog').getByRole('button', { name: 'Remove' }).press('Enter');
  await expect(page.getByRole('button', { name: /^Clutch First/ })).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(first).toHaveAttribute('aria-pressed', 'true');
  await expect(ratio(page)).toHaveText(before!);
});
