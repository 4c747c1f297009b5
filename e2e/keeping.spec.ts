import { allHere, keptHere, ratio, saved, typeTeeth } from './bench-steps';
import { expect, test } from './journey';
import { freshTrain } from './shelf-copies';

test('undo and redo survive a reload', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'sluice-winch'));
  for (const [from, to] of [
    [45, 30],
    [30, 60],
    [60, 90],
  ] as const)
    await typeTeeth(page, 'drum', from, to);
  await page.keyboard.press('Control+z');
  await expect(ratio(page)).toHaveText('16.00');
  await saved(page);
  await keptHere(page, 2, 1);
  await page.reload();
  await expect(ratio(page)).toHaveText('16.00');
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(ratio(page)).toHaveText('24.00');
  for (const figure of ['16.00', '8.000', '12.00']) {
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(ratio(page)).toHaveText(figure);
  }
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  await saved(page);
});

test('what was changed while the server was away waits in the browser and is offered on return', async ({
  page,
  request,
  context,
}) => {
  const address = await freshTrain(request, 'sluice-winch');
  await page.goto(address);
  await context.route('**/api/trains/*', (route) =>
    route.request().method() === 'PUT' ? route.abort('connectionrefused') : route.continue(),
  );
  await typeTeeth(page, 'drum', 45, 30);
  await expect(page.getByRole('status').filter({ hasText: /^Not saved, kept in this browser$/ })).toBeVisible();
  await expect(
    page.getByText('The server cannot be reached. Your change is kept in this browser and saving is tried again.'),
  ).toBeVisible();
  await expect(ratio(page)).toHaveText('8.000');
  await page.close();
  await context.unroute('**/api/trains/*');

  const later = await context.newPage();
  await later.goto(address);
  const offer = later.getByRole('dialog', { name: 'Changes that were not saved' });
  await expect(offer.getByRole('group', { name: 'Differences' })).toContainText('drum’s gear 45 → 30 teeth');
  await expect(offer).toContainText('wind: 12.00 reverse → 8.000 reverse');
  await expect(ratio(later)).toHaveText('12.00');
  await offer.getByRole('button', { name: 'Restore changes' }).click();
  await expect(ratio(later)).toHaveText('8.000');
  await saved(later);
  await later.getByRole('button', { name: 'Undo' }).click();
  await expect(ratio(later)).toHaveText('12.00');
  await saved(later);
  await keptHere(later, 0, 1);
  await later.reload();
  await expect(ratio(later)).toHaveText('12.00');
  await expect(offer).toHaveCount(0);
});

test('an offer that is dropped does not come again', async ({ page, request, context }) => {
  const address = await freshTrain(request, 'sluice-winch');
  await page.goto(address);
  await allHere(page);
  await context.setOffline(true);
  await typeTeeth(page, 'drum', 45, 90);
  await expect(page.getByRole('status').filter({ hasText: /^Not saved, kept in this browser$/ })).toBeVisible();
  await context.setOffline(false);
  await context.route('**/api/trains/*', (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  );
  await page.reload();
  const offer = page.getByRole('dialog', { name: 'Changes that were not saved' });
  await offer.getByRole('button', { name: 'Discard' }).click();
  await context.unroute('**/api/trains/*');
  await expect(ratio(page)).toHaveText('12.00');
  await page.reload();
  await expect(ratio(page)).toHaveText('12.00');
  await allHere(page);
  await expect(offer).toHaveCount(0);
});

test('changed here while offline and elsewhere meanwhile: the difference is shown, nothing is overwritten', async ({
  page,
  request,
  context,
}) => {
  const address = await freshTrain(request, 'sluice-winch');
  await page.goto(address);
  await context.route('**/api/trains/*', (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  );
  await typeTeeth(page, 'drum', 45, 30);
  await expect(page.getByRole('status').filter({ hasText: /^Not saved, kept in this browser$/ })).toBeVisible();
  await page.close();
  await context.unroute('**/api/trains/*');
  const { id, version, train } = (await (await request.get(`/api${address}`)).json()) as {
    id: string;
    version: number;
    train: { gears: { teeth: number }[] };
  };
  train.gears[0]!.teeth = 7;
  expect((await request.put(`/api/trains/${id}`, { data: { version, train } })).ok()).toBe(true);

  const later = await context.newPage();
  await later.goto(address);
  const conflict = later.getByRole('dialog', { name: 'This train was changed in another window' });
  await conflict.getByRole('button', { name: 'See the difference' }).click();
  await expect(conflict.getByRole('region', { name: 'The difference' })).toContainText('From theirs to yours');
  await expect(conflict.getByRole('group', { name: 'Differences' })).toContainText('crank’s gear 7 → 14 teeth');
  await expect(conflict.getByRole('group', { name: 'Differences' })).toContainText('drum’s gear 45 → 30 teeth');
  await later.keyboard.press('Escape');
  await expect(conflict).toBeVisible();
  await conflict.getByRole('button', { name: 'Take theirs' }).click();
  await expect(ratio(later)).toHaveText('24.00');
});

test('a saved state is named, compared with now, gone back to, and that is undone', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'sluice-winch'));
  await typeTeeth(page, 'drum', 45, 30);
  await saved(page);
  await typeTeeth(page, 'drum', 30, 90);
  await saved(page);
  await page.getByRole('button', { name: 'Revisions' }).click();
  const dialog = page.getByRole('dialog', { name: 'Revisions' });
  const states = dialog.getByRole('list', { name: 'Saved states' }).getByRole('button');
  await expect(states).toHaveCount(3);
  await states.nth(2).click();
  await expect(dialog.getByRole('group', { name: 'Differences' })).toContainText('drum’s gear 45 → 90 teeth');
  await expect(dialog.getByRole('group', { name: 'Differences' })).toContainText('wind: 12.00 reverse → 24.00 reverse');
  await dialog.getByLabel('Name').fill('as the drum was bought');
  await dialog.getByLabel('Name').press('Enter');
  await expect(states.nth(2)).toContainText('as the drum was bought');
  await dialog.getByRole('button', { name: 'Go back to this state' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(ratio(page)).toHaveText('12.00');
  await saved(page);
  await page.keyboard.press('Control+z');
  await expect(ratio(page)).toHaveText('24.00');
  await saved(page);
  await page.getByRole('button', { name: 'Revisions' }).click();
  await expect(states).toHaveCount(5);
  await expect(states.nth(4)).toContainText('as the drum was bought');
});
