import { readFileSync } from 'node:fs';
import { faultsOf } from './accessibility';
import { ratio, saved } from './bench-steps';
import { expect, test } from './journey';
import { freshTrain } from './shelf-copies';
import { alert, chosen, proven, resultRow, results, search, stages } from './teeth-steps';

test('a year dial’s slow wheel is found from its motor, taken over, turned, and read off its counter', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Tooth counts for a ratio' }).click();
  await page.getByLabel('Given as').selectOption({ label: 'the time of one turn' });
  await page.getByLabel('Input speed').fill('1 turns/day');
  await page.getByLabel('One turn of the output in').fill('365.2422 d');
  await expect(page.getByText('The output turns once in 365 d 5 h 48 min 46.08 s at 1 turns/day.')).toBeVisible();
  // Two stages of up to 100 teeth do not get there, and that is said with what would.
  await expect(alert(page)).toContainText('2 stages of these wheels reach from 0.01440 to 69.44');
  await expect(alert(page)).toContainText('take 3 stages');
  await stages(page, 3);
  await proven(page);
  await resultRow(page, 0).getByRole('button', { name: 'More of this row' }).click();
  await expect(resultRow(page, 1)).toContainText(/one turn (late|early) in [\d ,.]+ years/);
  const written = (await resultRow(page, 1).getByRole('definition').first().innerText()).trim();
  const [turnsIn, turnsOut] = written.split('/');
  await page.getByLabel('Name of the new train').fill('Year dial of the brine calendar');
  await page.getByRole('button', { name: 'Use it as a new train' }).click();
  await expect(page.getByRole('heading', { name: 'Year dial of the brine calendar' })).toBeVisible();
  await expect(ratio(page)).toHaveText('365.2');
  // So many turns of the input are, exactly, so many of the dial; the third mesh turns it round.
  await page.getByLabel('Turns to make').fill(turnsIn!);
  await page.getByLabel('Turns to make').press('Enter');
  await expect(page.getByTestId('turns output')).toHaveText(`−${turnsOut ?? '1'}`, { timeout: 20_000 });
});

test('two stages between the same two shafts: equal distances, and as a train nothing is wrong with it', async ({
  page,
}) => {
  await page.goto('/teeth');
  await page.getByLabel('Ratio, in/out').fill('6.5');
  await page.getByRole('checkbox', { name: 'All stages between the same two shafts' }).check();
  await proven(page);
  const counts = await resultRow(page, 0).getByRole('rowheader').innerText();
  const pairs = counts.split('·').map((pair) => pair.trim().split('/').map(Number));
  expect(pairs).toHaveLength(2);
  const [sum, other] = pairs.map(([a, b]) => a! + b!);
  expect(sum).toBe(other);
  await page.getByRole('button', { name: 'Use it as a new train' }).click();
  await expect(ratio(page)).toHaveText('6.500');
  await page.getByRole('tab', { name: /Checks/ }).click();
  await expect(page.getByText('want', { exact: false }).filter({ hasText: 'between the shafts' })).toHaveCount(0);
});

test('out of a stock list, and one that does not reach says what it can', async ({ page }) => {
  await page.goto('/teeth');
  await page.getByLabel('Ratio, in/out').fill('7.5');
  await page.getByLabel('Only from stock').fill('20, 24 30 48;60');
  await proven(page);
  const counts = (await resultRow(page, 0).getByRole('rowheader').innerText()).match(/\d+/g)!.map(Number);
  for (const count of counts) expect([20, 24, 30, 48, 60]).toContain(count);
  await page.getByLabel('Ratio, in/out').fill('75');
  await expect(alert(page)).toContainText(
    'reach from 0.1111 to 9.000, and 75.00 lies beyond: take 4 stages, or a wheel of 174 on a pinion of 20',
  );
  await page.getByLabel('Only from stock').fill('20 and a half');
  await expect(alert(page).filter({ hasText: 'A wheel in stock is a whole number' })).toBeVisible();
});

test('limits from bore and space that leave no wheel, and conditions that exclude each other, are explained', async ({
  page,
}) => {
  await page.goto('/teeth');
  await page.getByText('Bore and space').click();
  await page.getByLabel('Module').fill('2');
  await page.getByLabel('Outside of bearing or bore').fill('30');
  await page.getByLabel('Wall left round it').fill('4');
  await expect(page.getByText('Least 22, from the bore of 30 mm with walls of 4 mm')).toBeVisible();
  await page.getByLabel('Largest outside diameter').fill('40');
  await expect(alert(page).first()).toContainText(
    'the bore of 30 mm with walls of 4 mm asks for at least 22 teeth, the space of 40 mm allows at most 18',
  );
  await page.getByLabel('Largest outside diameter').fill('');
  await page.getByRole('checkbox', { name: 'The same pair in every stage' }).check();
  await page.getByLabel('Largest error').fill('0.000001');
  await expect(alert(page)).toContainText('“The same pair in every stage” and “the largest error” exclude each other');
  await page.getByLabel('Largest error').fill('');
  await proven(page);
  await page.getByLabel('Teeth, least').fill('1x');
  await expect(alert(page).first()).toContainText('whole number');
  await page.getByLabel('Teeth, least').fill('12');
  await proven(page);
  await page.getByLabel('Ratio, in/out').fill('nought');
  await expect(alert(page).first()).toContainText('“nought” is no number');
  await page.getByLabel('Ratio, in/out').fill('-3');
  await expect(alert(page).first()).toContainText('must be above 0; which way it turns is chosen');
});

test('the harvester’s eight ratios are moved to another ladder, taken over in one step, and undone', async ({
  page,
  request,
}) => {
  const address = await freshTrain(request, 'harvester');
  await page.goto(`${address}/teeth`);
  // A train with planets is asked for other counts of its own: they meet what it has.
  await expect(page.getByLabel('Look for')).toHaveValue('fit');
  await expect(resultRow(page, 0).getByRole('rowheader')).toHaveText('exact');
  await page.getByLabel('Target ratio of 1', { exact: true }).fill('4.6');
  await page.getByLabel('Target ratio of 8').fill('0.68');
  await page.getByRole('button', { name: 'Even steps' }).click();
  await page.getByRole('button', { name: 'All', exact: true }).click();
  await proven(page);
  const [worst, first] = await Promise.all([
    resultRow(page, 0).getByRole('rowheader').innerText(),
    // Behind three of the counts that change.
    resultRow(page, 0).getByRole('cell').nth(3).innerText(),
  ]);
  expect(worst).toMatch(/%$/);
  await chosen(page)
    .getByRole('button', { name: /^Use it in this train: \d+ gears change/ })
    .click();
  await expect(
    page.getByRole('status').filter({ hasText: 'gears have new counts. Undo takes it back.' }),
  ).toBeVisible();
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  // The search goes on beside it: the Bench may take its time.
  await expect(ratio(page)).toBeVisible({ timeout: 60_000 });
  await page.keyboard.press('1');
  await expect(ratio(page)).toHaveText(first);
  await saved(page);
  await page.keyboard.press('Control+z');
  await expect(ratio(page)).toHaveText('4.320');
});

test('a search of five stages is stopped at once, keeps what it has, and begins again', async ({ page }) => {
  await page.goto('/teeth');
  await page.getByLabel('Ratio, in/out').fill('4321.987');
  await stages(page, 5);
  // What stands there first may be of fewer stages, asked for on the way: chains of five pairs are of this search.
  await expect(resultRow(page, 0).getByRole('rowheader')).toHaveText(/^[^·]+(·[^·]+){4}$/, { timeout: 20_000 });
  await expect(search(page)).toContainText(/Best so far: .*(off|exact)/);
  await search(page).getByRole('button', { name: 'Stop' }).click();
  await expect(search(page)).toContainText('Stopped: these are the best so far, not proven.', { timeout: 2_000 });
  await expect(resultRow(page, 0)).toContainText('/');
  await search(page).getByRole('button', { name: 'Search again' }).click();
  await expect(search(page)).toContainText('Searching…');
  await search(page).getByRole('button', { name: 'Stop' }).click();
  await stages(page, 2);
  await expect(search(page)).toContainText('Proven best', { timeout: 20_000 });
});

test('a search is kept beside its train, goes along with a copy, and is saved and opened as a file', async ({
  page,
  request,
}) => {
  const address = await freshTrain(request, 'stirrer');
  await page.goto(`${address}/teeth`);
  await page.getByLabel('Look for').selectOption({ label: 'planetary sets' });
  await page.getByLabel('Ratio, in/out').fill('4.2');
  await page.getByLabel('Name of the search').fill('Slower stirrer');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('“Slower stirrer” is saved with this train.')).toBeVisible();
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a file' }).click();
  const file = await (await saving).path();
  await page.reload();
  await expect(page.getByLabel('Look for')).toHaveValue('planetary');
  await page.getByRole('button', { name: 'Begin anew' }).click();
  await expect(page.getByLabel('Look for')).toHaveValue('fit');
  await page.getByLabel('Open a saved search').selectOption({ label: 'Slower stirrer' });
  await expect(page.getByLabel('Look for')).toHaveValue('planetary');
  await expect(page.getByLabel('Ratio, in/out')).toHaveValue('4.2');
  await expect(results(page)).toContainText('20 · 22 · 64, 3 planets');
  const id = address.split('/').at(-1)!;
  const { train } = (await (await request.get(`/api/trains/${id}`)).json()) as { train: object };
  const copy = (await (await request.post(`/api/trains?beside=${id}`, { data: train })).json()) as { id: string };
  await page.goto(`/trains/${copy.id}/teeth`);
  await expect(page.getByLabel('Open a saved search').getByRole('option', { name: 'Slower stirrer' })).toBeAttached();
  await page.getByLabel('Open a saved search').selectOption({ label: 'Slower stirrer' });
  await page.getByRole('button', { name: 'Remove the saved search' }).click();
  await expect(page.getByText('It is no longer saved.')).toBeVisible();
  await page.goto('/teeth');
  await page
    .getByLabel('Open a file')
    .setInputFiles({ name: 'search.json', mimeType: 'application/json', buffer: readFileSync(file) });
  await expect(page.getByLabel('Look for')).toHaveValue('planetary');
  await page.getByLabel('Open a file').setInputFiles({
    name: 'odd.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"tin-wheel/search","version":2}'),
  });
  await expect(alert(page)).toContainText('odd.json: version: The version must be 1.');
});

test('stages of the open train take the counts that were found; a slip of ten is pointed out', async ({
  page,
  request,
}) => {
  const address = await freshTrain(request, 'sluice-winch');
  await page.goto(address);
  await expect(ratio(page)).toHaveText('12.00');
  await page.keyboard.press('Shift+Digit4');
  await expect(page.getByLabel('Ratio, in/out')).toHaveValue('12');
  await page.getByLabel('Ratio, in/out').fill('120');
  await expect(page.getByText('This is 10 times what the open train gives: is a factor of 10 wrong?')).toBeVisible();
  await page.getByLabel('Ratio, in/out').fill('13.3');
  await proven(page);
  await expect(chosen(page).getByText(/^The open train would give/)).toBeVisible();
  await chosen(page).getByRole('button', { name: 'Use it in this train' }).click();
  await saved(page);
  const { train } = (await (await request.get(`/api${address}`)).json()) as { train: { gears: { teeth: number }[] } };
  const counts = (await resultRow(page, 0).getByRole('rowheader').innerText()).match(/\d+/g)!.map(Number);
  for (const count of counts) expect(train.gears.map(({ teeth }) => teeth)).toContain(count);
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Shift+Digit1');
  await expect(ratio(page)).toHaveText('12.00');
});

test('sets, dials, ladders and ranges are found, sorted, and read by everyone', async ({ page }) => {
  await page.goto('/teeth');
  await page.getByLabel('Look for').selectOption({ label: 'planetary sets' });
  await page.getByLabel('Ratio, in/out').fill('4.2');
  await expect(results(page)).toContainText('20 · 22 · 64, 3 planets');
  // A member that is given another part changes places with the one that had it.
  await page.getByLabel('Held').selectOption('sun');
  await expect(page.getByLabel('Input')).toHaveValue('ring');
  await page.getByLabel('Kind').selectOption({ label: 'stepped planets' });
  await expect(search(page)).toContainText('Proven best');
  await page.getByLabel('Look for').selectOption({ label: 'several outputs of one chain' });
  await expect(chosen(page).getByRole('row', { name: /^hour 720\.0 720\.0 exact/ })).toBeVisible({ timeout: 30_000 });
  // Nothing is better than exact.
  await expect(search(page)).toContainText('Proven best', { timeout: 30_000 });
  await page.getByLabel('All outputs on one axis').check();
  await page.getByLabel('It turns').nth(1).selectOption('against the input');
  await expect(search(page)).toContainText(
    'No number of stages from “minute” to “hour” comes back to the same axis and',
  );
  await page.getByLabel('Stages to the first tap, most').selectOption('3');
  await expect(chosen(page).getByRole('row', { name: /^hour 720\.0 720\.0 exact/ })).toBeVisible({ timeout: 60_000 });
  await page.getByLabel('Input speed of all').fill('much');
  await expect(page.getByLabel('Input speed of all')).toHaveAttribute('aria-invalid', 'true');
  await page.getByLabel('Look for').selectOption({ label: 'ranges behind a ladder' });
  await expect(page.getByText('From range to range 2.441')).toBeVisible();
  await page.getByLabel('Look for').selectOption({ label: 'a ladder of positions' });
  await proven(page);
  await expect(chosen(page).getByRole('row', { name: /^3 2\.000 2\.000 exact/ })).toBeVisible();
  const worst = () => resultRow(page, 0).getByRole('cell').first().innerText();
  const best = await worst();
  await results(page).getByRole('button', { name: 'Teeth of a pair' }).click();
  await expect.poll(worst).not.toBe(best);
  await resultRow(page, 2).getByRole('rowheader').getByRole('button').first().press('Enter');
  await expect(resultRow(page, 2)).toHaveAttribute('aria-current', 'true');
  expect(await faultsOf(page)).toEqual([]);
});

test('a time limit ends a long search, which says so and shows the best so far', async ({ page }) => {
  await page.goto('/teeth');
  await page.getByLabel('Ratio, in/out').fill('1234.567');
  await stages(page, 5);
  await page.getByLabel('Time limit').fill('1');
  await expect(search(page)).toContainText('Cut short by the time limit.', { timeout: 30_000 });
  await expect(search(page)).toContainText('Best found, not proven');
  await expect(resultRow(page, 0)).toBeVisible();
});

test('9.87 in two stages is shown by a way without undercut; the columns that are wanted are remembered', async ({
  page,
}) => {
  await page.goto('/teeth');
  await proven(page);
  await expect(resultRow(page, 0)).toContainText('exact');
  const ways = chosen(page).getByRole('region', { name: 'Ways to make this ratio' });
  await expect(ways.getByRole('heading')).toContainText('24 ways to make this ratio');
  await page.getByLabel('without undercut').check();
  await expect(resultRow(page, 0)).toContainText('exact');
  const counts = await resultRow(page, 0).getByRole('rowheader').innerText();
  for (const teeth of counts.match(/\d+/g)!) expect(Number(teeth)).toBeGreaterThanOrEqual(17);
  const [, other] = await ways.getByRole('button').all();
  const text = (await other!.locator('.figure').innerText()).trim();
  await other!.click();
  await expect(chosen(page).getByRole('heading', { level: 3 })).toHaveText(text);
  await page.getByLabel('Largest gear shown, teeth').fill('0.5');
  await expect(page.getByText('A whole number of teeth.')).toBeVisible();
  await page.getByLabel('Largest gear shown, teeth').fill('18');
  await expect(page.getByText(/^None of the \d+ results passes/)).toBeVisible();
  await page.getByLabel('Largest gear shown, teeth').fill('');
  await expect(results(page).getByRole('columnheader', { name: 'Ratio, in/out' })).toHaveCount(0);
  await resultRow(page, 0).getByRole('button', { name: 'More of this row' }).click();
  await expect(results(page).getByRole('definition').first()).toHaveText('987/100');
  await results(page).getByText('Columns', { exact: true }).click();
  await results(page).getByRole('checkbox', { name: 'Ratio, in/out' }).check();
  await page.reload();
  await expect(results(page).getByRole('columnheader', { name: 'Ratio, in/out' })).toBeVisible();
  await expect(page.getByLabel('without undercut')).toBeChecked();
});
