import { faultsOf } from './accessibility';
import { expect, test, type Page } from './journey';

const status = (page: Page) => page.getByRole('status', { name: 'The search' });
const table = (page: Page) => page.getByRole('region', { name: 'Schemes', exact: true });
const chosen = (page: Page) => page.getByRole('article', { name: 'Scheme' }).first();

test('from the shelf to a new train of six positions, whose chart says what was promised', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Schemes of sets' }).click();
  await expect(status(page)).toContainText('Proven', { timeout: 30_000 });
  await page.getByRole('button', { name: 'Add a set' }).click();
  await page.getByLabel('Ratios, in/out').fill('3.5 2.2 1.5 1 0.75');
  await page.getByLabel('Off by at most').fill('3');
  await page.getByLabel('Engaged at once').fill('2');
  await expect(status(page)).toContainText(/Proven: 14 schemes/, { timeout: 30_000 });
  await table(page).getByRole('row').nth(2).click();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByText('Schemes · ratios in/out · rpm · N·m')).toBeVisible();
  await page.emulateMedia({ media: 'screen' });
  const ratios = await chosen(page).getByRole('row').locator('td[title]').allTextContents();
  expect(ratios).toHaveLength(6);
  await chosen(page).getByLabel('Name of the new train').fill('Six for the causeway');
  await chosen(page).getByRole('button', { name: 'Use it as a new train' }).click();
  await expect(page).toHaveURL(/\/trains\//);
  await page.getByRole('link', { name: 'Chart' }).click();
  await expect(page).toHaveURL(/chart$/);
  const chart = page.getByRole('main');
  for (const ratio of ratios) await expect(chart).toContainText(ratio.replace(/^[−-]/, ''));
});

test('another wish gives other schemes; where there is none it is told what stands in the way', async ({ page }) => {
  await page.goto('/schemes');
  await expect(status(page)).toContainText('Proven', { timeout: 30_000 });
  const before = await table(page).getByRole('row').nth(1).textContent();
  await page.getByLabel('Ratios, in/out').fill('3.6 1.6 1');
  await expect(table(page).getByRole('row').nth(1)).not.toHaveText(before ?? '');
  await page.getByLabel('Ratios, in/out').fill('2.6 1.6 1');
  await page.getByLabel('Off by at most').fill('1');
  const why = page.getByRole('region', { name: 'Why there is none' });
  await expect(why).toContainText('No scheme of these sets gives all of this.');
  await expect(why.getByRole('listitem').filter({ hasText: 'within 2 %' })).toContainText(/: \d+/, { timeout: 40_000 });
  // What cannot be asked is said at its field, and what was typed outlives a reload.
  await page.getByLabel('Ratios, in/out').fill('2.6 0');
  await expect(page.getByRole('alert').first()).toContainText('"0" is no ratio above 0.');
  await page.waitForFunction(() => Object.values({ ...localStorage }).some((kept) => String(kept).includes('2.6 0')));
  await page.reload();
  await expect(page.getByLabel('Ratios, in/out')).toHaveValue('2.6 0');
});

test('what else could be made of the sets of a train', async ({ page }) => {
  await page.goto('/trains/stirrer/chart');
  await page.getByRole('button', { name: 'Other schemes' }).click();
  await expect(page).toHaveURL(/\/schemes\?set=front/);
  await expect(page.getByLabel('Sun of front')).toHaveValue(/\d+/);
  await expect(status(page)).toContainText(/Proven|Best found|Searching/);
  await page.goto('/schemes');
  await expect(status(page)).toContainText('Proven', { timeout: 30_000 });
  await table(page).getByRole('row').nth(2).click();
  await chosen(page).getByLabel('keep beside others').check();
  await table(page).getByRole('row').nth(3).click();
  await expect(page.getByRole('article', { name: 'Scheme' })).toHaveCount(2);
  expect(await faultsOf(page)).toEqual([]);
});

test('what is asked is saved beside the train whose sets they are, apart from searches for tooth counts', async ({
  page,
}) => {
  await page.goto('/trains/ramp-automatic/chart');
  await page.getByRole('button', { name: 'Other schemes' }).click();
  const saved = page.getByLabel('Open a saved search');
  await saved.selectOption('An overdrive too');
  await expect(page.getByLabel('Ratios, in/out')).toHaveValue('2.05, 1.5, 1, 0.7');
  await expect(status(page)).toContainText(/Proven: 32 schemes/, { timeout: 30_000 });
  await page.getByLabel('Off by at most').fill('4');
  await page.getByLabel('Name of the search').fill('The same, nearer');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('“The same, nearer” is saved with this train.')).toBeVisible();
  await page.reload();
  await saved.selectOption('The same, nearer');
  await expect(page.getByLabel('Off by at most')).toHaveValue('4');
  await page.goto('/trains/ramp-automatic/teeth');
  await expect(page.getByLabel('Open a saved search')).toContainText('none yet');
});

test('sets that are free: the search goes on between the places of their ranges until it is stopped', async ({
  page,
}) => {
  await page.goto('/schemes');
  await page.getByLabel('Kind of rear').selectOption('stepped');
  for (const counts of await page.getByRole('checkbox', { name: 'counts are free' }).all()) await counts.check();
  await page.getByLabel('Standing ratio from of rear').fill('2');
  await expect(status(page)).toContainText(/and [\d ]+ places between those of the ranges looked at/, {
    timeout: 60_000,
  });
  await expect(status(page)).toContainText('until you stop it');
  // What it has is drawn meanwhile.
  await expect(page.getByRole('table').first().getByRole('row').nth(1)).toContainText(/2\.\d{3} · 1\.\d{3} · 1\.000/);
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await expect(status(page)).toContainText(/Stopped: [1-9]\d* schemes? so far/);
});
