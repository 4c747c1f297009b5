import { readFileSync } from 'node:fs';
import { openCard } from './bench-steps';
import { expect, test } from './journey';
import { freshTrain } from './shelf-copies';

const card = (page: import('@playwright/test').Page, name: string) =>
  page.getByRole('listitem').filter({ has: page.getByRole('heading', { name, exact: true }) });
const file = (name: string, body: string) => ({ name, mimeType: 'application/json', buffer: Buffer.from(body) });

test('a train is found, duplicated, deleted and put back', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('searchbox', { name: 'Find a train' }).fill('stirrer');
  await expect(page.getByRole('listitem')).not.toHaveCount(0);
  await page.getByRole('button', { name: 'Duplicate Stirrer planetary' }).first().click();
  await expect(card(page, 'Stirrer planetary (copy)')).toHaveCount(1);
  await page.getByRole('button', { name: 'Delete Stirrer planetary (copy)' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'was deleted' })).toBeVisible();
  await expect(card(page, 'Stirrer planetary (copy)')).toHaveCount(0);
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect(card(page, 'Stirrer planetary (copy)')).toHaveCount(1);
  await page.getByRole('button', { name: 'Delete Stirrer planetary (copy)' }).click();
  await page.getByRole('searchbox', { name: 'Find a train' }).fill('zzz');
  await expect(page.getByText('No train has “zzz” in its name or notes.')).toBeVisible();
});

test('a train is renamed, and what it was stands among its revisions', async ({ page, request }) => {
  const address = await freshTrain(request, 'stirrer');
  await page.goto('/');
  await page.getByRole('searchbox', { name: 'Find a train' }).fill('stirrer');
  await page.getByRole('button', { name: 'Rename Stirrer planetary' }).last().click();
  const field = page.getByLabel('New name of Stirrer planetary');
  await field.press('Escape');
  await expect(field).toHaveCount(0);
  const renamed = page.locator(`a[href="${address}"]`);
  await page
    .getByRole('listitem')
    .filter({ has: renamed })
    .getByRole('button', { name: 'Rename Stirrer planetary' })
    .click();
  await field.fill('Stirrer of the third pan');
  await field.press('Enter');
  await expect(card(page, 'Stirrer of the third pan')).toHaveCount(1);
  const { revisions } = (await (await request.get(`/api${address}/revisions`)).json()) as { revisions: unknown[] };
  expect(revisions).toHaveLength(2);
});

test('an example that was changed or deleted becomes what it was', async ({ page, request }) => {
  const before = (await (await request.get('/api/trains/wagon-axle')).json()) as {
    version: number;
    train: { name: string };
  };
  await request.put('/api/trains/wagon-axle', {
    data: { version: before.version, train: { ...before.train, name: 'Bent axle' } },
  });
  await page.goto('/');
  const find = page.getByRole('searchbox', { name: 'Find a train' });
  await find.fill('brine lift');
  await page.getByRole('button', { name: 'Delete Brine lift' }).first().click();
  await expect(page.getByRole('status').filter({ hasText: '“Brine lift” was deleted.' })).toBeVisible();
  await find.clear();
  for (const [button, name] of [
    ['Reset', 'Wagon axle'],
    ['Restore', 'Brine lift'],
  ] as const) {
    await page.getByRole('button', { name: 'Examples' }).click();
    const line = page.getByRole('dialog', { name: 'Examples' }).getByRole('listitem').filter({ hasText: name });
    await expect(line).toContainText(button);
    await line.getByRole('button', { name: `Restore ${name}` }).click();
    await expect(page.getByRole('status').filter({ hasText: `“${name}” is as it was.` })).toBeVisible();
    await expect(card(page, name)).not.toHaveCount(0);
  }
  await expect(card(page, 'Bent axle')).toHaveCount(0);
});

test('a train is saved as a file, and the same file is brought in again', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('searchbox', { name: 'Find a train' }).fill('wagon');
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save Wagon axle as a file' }).first().click();
  const download = await waiting;
  expect(download.suggestedFilename()).toBe('wagon-axle.train.json');
  const text = readFileSync(await download.path(), 'utf8');
  expect(text).toBe(readFileSync('demo/trains/wagon-axle.train.json', 'utf8'));

  const before = await card(page, 'Wagon axle').count();
  await page.getByLabel('File to import').setInputFiles(file('axle.json', text));
  const dialog = page.getByRole('dialog', { name: 'Add “Wagon axle”?' });
  await expect(dialog).toContainText(
    '5 members, 5 gears, 1 couplers and 2 positions, from axle.json. Nothing on the shelf is changed by it.',
  );
  await expect(card(page, 'Wagon axle')).toHaveCount(before);
  await dialog.getByRole('button', { name: 'Add it' }).click();
  await expect(card(page, 'Wagon axle')).toHaveCount(before + 1);
});

test('a log, a search, a worksheet and a bundle are told apart and opened where they belong', async ({ page }) => {
  await page.goto('/');
  const bring = (name: string, document: object) =>
    page.getByLabel('File to import').setInputFiles(file(name, JSON.stringify(document)));
  const reading = { id: 'brought', kind: 'turns', position: '3', member: 'out', turns: 2, inputTurns: 3.4 };
  await bring('bench.json', { format: 'tin-wheel/log', version: 1, readings: [reading] });
  const log = page.getByRole('dialog', { name: 'bench.json is a log of readings' });
  await log.getByLabel('It belongs to').selectOption('sluice-winch');
  await expect(log.getByRole('alert')).toContainText('positions that this train does not have: 3');
  await log.getByLabel('It belongs to').selectOption('pan-rake');
  await expect(log.getByRole('alert')).toHaveCount(0);
  await log.getByRole('button', { name: 'Add and open' }).click();
  await expect(page).toHaveURL(/\/trains\/pan-rake\/log$/);
  // 3.4 turns of the input for 2 of the output.
  await expect(page.getByRole('row').filter({ hasText: '1.700' }).first()).toBeVisible();

  await page.goto('/');
  const search = { format: 'tin-wheel/search', version: 1, target: '9.87', stages: 2, teeth: { min: 15, max: 60 } };
  await bring('drum.search.json', search);
  const asked = page.getByRole('dialog', { name: 'drum.search.json is a search for tooth counts' });
  await expect(asked.getByRole('button', { name: 'Add and open' })).toBeDisabled();
  await asked.getByLabel('It belongs to').selectOption('pan-rake');
  await asked.getByRole('button', { name: 'Add and open' }).click();
  await expect(page).toHaveURL(/\/trains\/pan-rake\/teeth$/);
  await expect(page.getByRole('option', { name: 'drum' })).toBeAttached();

  await page.goto('/');
  await bring('wrong.json', { format: 'tin-wheel/search', version: 1, target: '0' });
  const wrong = page.getByRole('dialog', { name: 'wrong.json is a search for tooth counts' });
  await wrong.getByLabel('It belongs to').selectOption('pan-rake');
  await wrong.getByRole('button', { name: 'Add and open' }).click();
  await expect(wrong.getByRole('alert')).toContainText(/target|stages/i);
  await wrong.getByRole('button', { name: 'Cancel' }).click();

  // A zip, dropped anywhere, is a bundle.
  const zip = await page.request.get('/api/bundle?train=pan-rake');
  expect(zip.ok()).toBe(true);
  const bytes = [...(await zip.body())];
  const transfer = await page.evaluateHandle((content) => {
    const dropped = new DataTransfer();
    dropped.items.add(new File([new Uint8Array(content)], 'two.zip', { type: 'application/zip' }));
    return dropped;
  }, bytes);
  await page.dispatchEvent('main', 'dragover', { dataTransfer: transfer });
  await expect(page.getByText('Drop the file to import it')).toBeVisible();
  await page.dispatchEvent('main', 'drop', { dataTransfer: transfer });
  await expect(page.getByRole('dialog', { name: 'Bundles' })).toContainText('Pan rake gearbox');
});

test('bad files are explained and nothing is added', async ({ page }) => {
  await page.goto('/');
  const before = await page.getByRole('listitem').count();
  const winch = readFileSync('demo/trains/sluice-winch.train.json', 'utf8');
  const bad: [name: string, body: string, says: RegExp][] = [
    ['notes.json', 'dear diary', /JSON/i],
    ['other.json', '{"format": "something else"}', /format/],
    ['teeth.json', winch.replace('"teeth": 14', '"teeth": 14.5'), /gears.*A tooth count must be a whole number/],
    ['gone.json', winch.replace('"member": "drum"', '"member": "barrel"'), /There is no member "barrel"/],
    ['huge.json', `{"x": "${'a'.repeat(6_000_000)}"}`, /MB/],
    ['<img src=x onerror=alert(1)>.json', '[]', /./],
  ];
  for (const [name, body, says] of bad) {
    await page.getByLabel('File to import').setInputFiles(file(name, body));
    const dialog = page.getByRole('dialog', { name: `${name} cannot be added` });
    await expect(dialog.getByRole('alert')).toContainText(says);
    await dialog.getByRole('button', { name: 'Close' }).click();
  }
  await expect(page.getByRole('listitem')).toHaveCount(before);
});

test('a stepped planetary is started from its pattern, opened, and one turn is read on the counter', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New train' }).click();
  const dialog = page.getByRole('dialog', { name: 'New train' });
  await dialog.getByText('Stepped planetary').click();
  await dialog.getByLabel('Name').fill('Tide dial');
  await dialog.getByLabel('Ring teeth').fill('ninety');
  await expect(dialog.getByRole('alert')).toHaveText('Ring teeth must be a whole number from 4 to 100000.');
  await expect(dialog.getByRole('button', { name: 'Add to shelf' })).toBeDisabled();
  await dialog.getByLabel('Ring teeth').fill('108');
  await expect(dialog.getByRole('table', { name: 'What the positions give' })).toContainText('0.07692');
  await expect(dialog.getByText(/^The checks (find nothing|would say)/)).toBeVisible();
  await dialog.getByRole('button', { name: 'Open it on the Bench' }).click();
  await expect(page.getByTestId('ratio')).toHaveText('0.07692');
  await page.getByRole('button', { name: 'Turn exactly 1' }).click();
  await expect(page.getByTestId('turns sun')).toHaveText('13');
});

test('a five-speed countershaft box with reverse is started from its pattern and shifted', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New train' }).click();
  const dialog = page.getByRole('dialog', { name: 'New train' });
  await dialog.getByText('Countershaft box').click();
  await dialog.getByLabel('Name').fill('Slip winch');
  await dialog.getByRole('button', { name: 'Add to shelf' }).click();
  await openCard(page, card(page, 'Slip winch').getByRole('link'));
  await expect(page.getByRole('group', { name: 'Positions' }).getByRole('button')).toHaveCount(7);
  await page.keyboard.press('5');
  await expect(page.getByTestId('ratio')).toHaveText('1.000');
  await page.keyboard.press('r');
  await expect(page.getByText('reverse', { exact: true }).first()).toBeVisible();
});

test('a card that is pressed while its drawing arrives still opens the train', async ({ page, request }) => {
  const address = await freshTrain(request, 'stirrer');
  let arrive = () => undefined as void;
  const held = new Promise<void>((resolve) => (arrive = resolve));
  await page.route(`**/api${address}/drawing**`, async (route) => {
    await held;
    await route.continue();
  });
  await page.goto('/');
  const link = page.locator(`a[href="${address}"]`);
  await link.getByText('Drawing…').hover({ force: true });
  await page.mouse.down();
  arrive();
  await expect(link.locator('svg').first()).toBeVisible();
  await page.mouse.up();
  await expect(page.getByRole('group', { name: 'Positions' })).toBeVisible();
});
