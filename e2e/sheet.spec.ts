import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { strFromU8, unzipSync } from 'fflate';
import { faultsOf } from './accessibility';
import { expect, test, type Page } from './journey';
import { OwnServer } from './own-server';
import { freshTrain } from './shelf-copies';

const tab = (page: Page, name: string) => page.getByRole('tab', { name, exact: true }).click();
const download = async (page: Page, press: () => Promise<void>): Promise<Buffer> => {
  const wait = page.waitForEvent('download');
  await press();
  return readFileSync((await (await wait).path())!);
};

test('the harvester’s sheet is printed on a few pages, with its convention; saved as HTML and Markdown', async ({
  page,
}) => {
  await page.goto('/trains/harvester/sheet');
  const paper = page.getByRole('region', { name: 'The page' });
  await expect(paper.getByRole('heading', { name: 'Shift chart' })).toBeVisible();
  await expect(paper).toContainText('Ratios are in/out');
  await page.getByLabel('By', { exact: true }).fill('Ansel');
  await expect(paper).toContainText('Ansel');
  const pages = async () =>
    (await page.pdf({ preferCSSPageSize: true })).toString('latin1').match(/\/Type\s*\/Page\b/g)!.length;
  const whole = await pages();
  expect(whole).toBeGreaterThan(1);
  expect(whole).toBeLessThanOrEqual(4);
  await page.getByRole('checkbox', { name: 'End views' }).uncheck();
  await expect(paper.getByRole('heading', { name: 'End views' })).toBeHidden();
  expect(await pages()).toBeLessThan(whole);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('navigation')).toBeHidden();
  await expect(
    page.getByRole('group', { name: 'What is on it' }).or(page.getByRole('region', { name: 'What is on it' })),
  ).toBeHidden();
  await page.emulateMedia({ media: 'screen' });
  expect(await faultsOf(page)).toEqual([]);
  const html = (await download(page, () => page.getByRole('button', { name: 'HTML' }).click())).toString();
  expect(html).toContain('<svg');
  expect(html).not.toMatch(/(src|href)="/);
  const markdown = (await download(page, () => page.getByRole('button', { name: 'Markdown' }).click())).toString();
  expect(markdown).toContain('## Shift chart');
  // The notebook derives every position three ways.
  await page.getByLabel('Style').selectOption({ label: 'Notebook' });
  await expect(paper.getByRole('heading', { name: /by the formula$/ }).first()).toBeVisible();
  await expect(paper.getByText('Remarks').first()).toBeVisible();
});

test(
  'all shapes of the lift go into one zip; a wheel alone as SVG, DXF and ' +
    'STL; what cannot be made is said at its field',
  async ({ page, request }) => {
    // Under a name of its own: journeys of the shelf delete the lift by its name.
    const address = await freshTrain(request, 'brine-lift', (train) => ({ ...train, name: 'Lift to be printed' }));
    await page.goto(`${address}/sheet`);
    await tab(page, 'Shapes');
    await page.getByLabel('Which').selectOption({ label: '36 on stepped planet' });
    await expect(page.getByRole('img', { name: 'Outline of 36 on stepped planet' })).toBeVisible();
    await page.getByLabel('Bore', { exact: false }).first().fill('80');
    await expect(page.getByRole('main').getByRole('alert')).toContainText('leaves less than 1 mm under the teeth');
    await expect(page.getByRole('button', { name: 'STL' })).toBeDisabled();
    await page.getByLabel('Bore', { exact: false }).first().fill('8');
    const stl = await download(page, () => page.getByRole('button', { name: 'STL' }).click());
    expect(stl.length).toBe(84 + 50 * stl.readUInt32LE(80));
    expect((await download(page, () => page.getByRole('button', { name: 'DXF' }).click())).toString()).toContain(
      'AC1009',
    );
    expect((await download(page, () => page.getByRole('button', { name: 'SVG' }).click())).toString()).toContain('mm"');
    const zip = unzipSync(
      await download(page, () => page.getByRole('button', { name: 'All 4 wheels as a zip' }).click()),
    );
    const manifest = JSON.parse(strFromU8(zip['manifest.json']!)) as { wheels: unknown[]; pieces: unknown[] };
    expect([manifest.wheels.length, manifest.pieces.length]).toEqual([4, 1]);
    expect(Object.keys(zip)).toHaveLength(4 * 3 + 1 + 1);
    await expect(page.getByRole('status').filter({ hasText: '4 wheels are saved.' })).toBeVisible();
    expect(await faultsOf(page)).toEqual([]);
  },
);

test('the parts list: sorted, saved, and a wheel of it shown as a shape', async ({ page, request }) => {
  await page.goto(`${await freshTrain(request, 'sluice-winch')}/sheet`);
  await tab(page, 'Parts');
  const table = page.getByRole('table');
  await expect(table.getByRole('row')).toHaveCount(6);
  await expect(table.getByRole('row', { name: /^45 on drum/ })).toContainText('120.0');
  const csv = (await download(page, () => page.getByRole('button', { name: 'CSV' }).click())).toString();
  expect(csv.trim().split('\r\n')).toHaveLength(6);
  await table.getByRole('button', { name: '45 on drum' }).click();
  await expect(page.getByRole('article', { name: '45 on drum' })).toBeVisible();
});

test('a train moves with its log to another installation, and never overwrites what is there unasked', async ({
  page,
  request,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'tin-wheel-move-'));
  const other = new OwnServer(3225, join(folder, 'other.sqlite'));
  other.start();
  try {
    const address = await freshTrain(request, 'mud-tram');
    await page.goto(`${address}/log`);
    await page.keyboard.press('1');
    await page.keyboard.press('m');
    await page.keyboard.type('16.25');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('table').getByRole('row').nth(1)).toBeVisible();
    await page.goto('/');
    const name = (
      await request
        .get(`/api${new URL(address, 'http://x').pathname}`)
        .then((one) => one.json() as Promise<{ train: { name: string } }>)
    ).train.name;
    const bytes = await request.get(`/api/bundle?train=${address.split('/').at(-1)!}`).then((one) => one.body());
    const file = { name: 'tram.bundle.zip', mimeType: 'application/zip', buffer: bytes };
    await other.answers();
    await page.goto(other.address);
    await page.goto(`${other.address}/`);
    await page.getByRole('button', { name: 'Bundles' }).click();
    const dialog = page.getByRole('dialog', { name: 'Bundles' });
    await dialog
      .getByLabel('Open a bundle')
      .setInputFiles({ ...file, name: 'broken.zip', buffer: bytes.subarray(0, 900) });
    await expect(dialog.getByRole('alert')).toContainText('broken.zip: This is not a zip, or it is damaged.');
    await dialog.getByLabel('Open a bundle').setInputFiles(file);
    await expect(dialog.getByRole('list', { name: 'What it would bring' })).toContainText('1 log entries');
    await expect(dialog).toContainText('new here');
    await dialog.getByRole('button', { name: 'Import' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'Added:' })).toContainText(name);
    await page.goto(`${other.address}${new URL(address, 'http://x').pathname}/log`);
    await page.getByRole('button', { name: 'More of this row' }).first().click();
    await expect(page.getByRole('table')).toContainText('16.25');
    // Brought again it is there already, and is left as it is.
    await page.goto(`${other.address}/`);
    await page.getByRole('button', { name: 'Bundles' }).click();
    await dialog.getByLabel('Open a bundle').setInputFiles(file);
    await expect(dialog).toContainText('is there, the same');
    await dialog.getByRole('button', { name: 'Import' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'Left as they were:' })).toBeVisible();
  } finally {
    await other.end();
    rmSync(folder, { recursive: true });
  }
});
