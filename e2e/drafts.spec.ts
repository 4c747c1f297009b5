import { readFileSync } from 'node:fs';
import { expect, test } from './journey';
import { entry, figure, readings } from './log-steps';
import { freshTrain } from './shelf-copies';

const anew = { name: 'Begin anew' };

test('what is typed on Teeth and Shifting outlives a reload, each train’s its own, until it is begun anew', async ({
  page,
  request,
}) => {
  const [winch, rake] = [await freshTrain(request, 'sluice-winch'), await freshTrain(request, 'pan-rake')];
  await page.goto(`${winch}/teeth`);
  await page.getByLabel('Ratio, in/out').fill('7.25');
  await page.reload();
  await expect(page.getByLabel('Ratio, in/out')).toHaveValue('7.25');
  // What does not read is kept as well, with what is wrong with it.
  await page.getByLabel('Ratio, in/out').fill('7.2x');
  await page.reload();
  await expect(page.getByLabel('Ratio, in/out')).toHaveValue('7.2x');
  await expect(page.getByRole('main').getByRole('alert').first()).toBeVisible();
  await page.goto(`${rake}/teeth`);
  await expect(page.getByLabel('Ratio, in/out')).not.toHaveValue('7.2x');
  await page.goto(`${winch}/teeth`);
  await expect(page.getByLabel('Ratio, in/out')).toHaveValue('7.2x');
  await page.getByRole('button', anew).click();
  await expect(page.getByLabel('Ratio, in/out')).not.toHaveValue('7.2x');
  await page.reload();
  await expect(page.getByLabel('Ratio, in/out')).not.toHaveValue('7.2x');

  await page.goto(`${rake}/shifting`);
  await page.getByLabel('A run lasts').fill('41');
  await page.reload();
  await expect(page.getByLabel('A run lasts')).toHaveValue('41');
  await page.getByRole('button', anew).click();
  await expect(page.getByLabel('A run lasts')).not.toHaveValue('41');

  // Without a train too.
  await page.goto('/teeth');
  await page.getByLabel('Ratio, in/out').fill('3.14');
  await page.reload();
  await expect(page.getByLabel('Ratio, in/out')).toHaveValue('3.14');
});

test('a half-typed reading, what was seen of a fault, a filter and the sheet’s boxes outlive a reload', async ({
  page,
  request,
}) => {
  const address = await freshTrain(request, 'mud-tram');
  await page.goto(`${address}/log`);
  await figure(page, 'Marks that passed').fill('17');
  await page.getByRole('tab', { name: /fault/i }).click();
  await page.getByLabel('1 was seen').selectOption({ label: 'neutral: slips away' });
  await page.reload();
  await expect(figure(page, 'Marks that passed')).toHaveValue('17');
  await expect(entry(page)).toBeVisible();
  await expect(page.getByLabel('1 was seen')).toHaveValue('neutral');

  await page.goto(`${address}/sheet`);
  await page.getByLabel('By', { exact: true }).fill('M. Ropewalk');
  await page.reload();
  await expect(page.getByLabel('By', { exact: true })).toHaveValue('M. Ropewalk');

  await page.goto(`${address}/chart`);
  await page.getByRole('tab', { name: 'Combinations' }).click();
  await page.getByLabel('Direction').selectOption('reverse');
  await page.reload();
  await expect(page.getByRole('tab', { name: 'Combinations' })).toHaveAttribute('aria-selected', 'true');
  await expect(page.getByLabel('Direction')).toHaveValue('reverse');
});

test('a log of 600 readings is drawn as far as it is in sight, and sorted, copied and saved whole', async ({
  page,
  request,
}) => {
  const address = await freshTrain(request, 'sluice-winch');
  const id = address.split('/').at(-1)!;
  const entries = Array.from({ length: 600 }, (_, i) => ({
    id: `r${i}`,
    kind: 'reading',
    document: {
      id: `r${i}`,
      kind: 'turns',
      position: 'wind',
      member: 'drum',
      turns: 2,
      inputTurns: 24,
      note: `turn of the tide ${String(i).padStart(3, '0')}`,
    },
  }));
  expect((await request.post(`/api/trains/${id}/log`, { data: { entries } })).ok()).toBe(true);
  await page.goto(`${address}/log`);
  const table = readings(page).getByRole('table');
  await expect(table).toHaveAttribute('aria-rowcount', '601');
  expect(await table.getByRole('row').count()).toBeLessThan(120);
  // Notes are folded into the rows until they are wanted as a column.
  await readings(page).getByText('Columns', { exact: true }).click();
  await readings(page).getByRole('checkbox', { name: 'Note' }).check();
  await page.keyboard.press('Escape');
  await readings(page).getByRole('button', { name: 'Note', exact: true }).click();
  await expect(table.getByRole('row').nth(1)).toContainText('turn of the tide 000');
  // Down to the end: the last row is there, and what is chosen is that.
  await table.evaluate((element) => {
    for (let around = element.parentElement; around; around = around.parentElement)
      if (/auto|scroll/.test(getComputedStyle(around).overflowY)) return void (around.scrollTop = around.scrollHeight);
  });
  await expect(table.getByRole('row').filter({ hasText: 'turn of the tide 599' })).toBeVisible();
  const [csv] = await Promise.all([
    page.waitForEvent('download'),
    readings(page).getByRole('button', { name: 'CSV' }).click(),
  ]);
  const lines = readFileSync(await csv.path(), 'utf8')
    .trim()
    .split('\n');
  expect(lines).toHaveLength(601);
  expect(lines[1]).toContain('turn of the tide 000');
  expect(lines[600]).toContain('turn of the tide 599');
});
