import { readFileSync } from 'node:fs';
import { seriousFaultsOf } from './accessibility';
import { saved } from './bench-steps';
import { below, cell, names, row } from './chart-steps';
import { expect, test } from './journey';
import { freshTrain } from './shelf-copies';

test('the overdrive that nobody listed is found among the combinations and added', async ({ page, request }) => {
  const address = await freshTrain(request, 'mud-tram', (train) => ({
    ...train,
    positions: train.positions.filter(({ id }) => id !== '4'),
  }));
  await page.goto(`${address}/chart`);
  const tab = await below(page, 'Combinations');
  await expect(tab).toContainText('21 of 64 combinations drive, 18 neutral, 25 locked.');
  await expect(tab).toContainText('One forward ratio is not in the chart: 0.7222');
  await tab.getByRole('button', { name: 'Show them' }).click();
  const found = tab.getByRole('region', { name: 'Combinations' });
  await expect(found.getByRole('row')).toHaveCount(2);
  await found.getByRole('button', { name: 'Add as position' }).click();
  await expect(row(page, '4')).toContainText('0.7222');
  await expect(tab).toContainText('The chart has every forward ratio that there is.');
  await tab.getByLabel('That').selectOption('locked');
  await expect(tab.getByRole('region', { name: 'Smallest causes of lock-ups' }).getByRole('row').nth(1)).toContainText(
    /\w with .* of 64/,
  );
  // One change from a position, without a brake, within a range of ratios.
  await tab.getByLabel('That').selectOption('drives');
  await tab.getByLabel('not in my chart').uncheck();
  await tab.getByLabel('One change from').selectOption('2');
  await tab.getByLabel('Direction').selectOption('either');
  await tab.getByLabel('Without').selectOption('Front brake');
  await tab.getByLabel('to', { exact: true }).fill('2');
  await expect(found.getByRole('row')).toHaveCount(3);
  await tab.getByLabel('to', { exact: true }).fill('two');
  await expect(tab.getByLabel('to', { exact: true })).toHaveAttribute('aria-invalid', 'true');
  await saved(page);
});

test('why a shift is double on one train and single on another: what moves, what lies between, in which order', async ({
  page,
  request,
}) => {
  await page.goto(`${await freshTrain(request, 'mud-tram')}/chart`);
  await row(page, '4')
    .getByRole('button', { name: /several at once/ })
    .click();
  const story = page.getByRole('region', { name: 'Shift from 4 to 1+' });
  await expect(story).toContainText('Direct and Hold off');
  await expect(story).toContainText('Order that is safest');
  await expect(page.getByRole('region', { name: 'Between 4 and 1+' }).getByRole('row')).toHaveCount(3);
  await page.goto(`${await freshTrain(request, 'harvester')}/chart`);
  await row(page, '2')
    .getByRole('button', { name: /one swap/ })
    .click();
  const single = page.getByRole('region', { name: 'Shift from 2 to 3' });
  await expect(single).toContainText('Sun brake off, Drive on');
  await expect(single).toContainText('the input turns ×0.678');
  // Any two positions can be picked.
  await page.getByLabel('Shift to').selectOption('8');
  await expect(page.getByRole('region', { name: 'Shift from 2 to 8' })).toContainText('Ring brake off, Output on');
});

test('among sets of the same ratios a choice is found that makes every shift a single change', async ({
  page,
  request,
}) => {
  const awkward = await freshTrain(request, 'mud-tram', (train) => ({
    ...train,
    positions: train.positions
      .filter(({ id }) => ['1', '2', '3', '4'].includes(id))
      .map((position) =>
        position.id === '3' ? { ...position, engaged: ['direct', 'forward', 'front clutch'] } : position,
      ),
  }));
  await page.goto(`${awkward}/chart`);
  await expect(row(page, '3')).toContainText('several at once');
  const tab = await below(page, 'Shifts');
  await tab.getByRole('button', { name: 'Look for single changes' }).click();
  await expect(tab).toContainText('Every shift becomes a single change.');
  await tab.getByRole('button', { name: 'Apply' }).click();
  await expect(row(page, '3')).not.toContainText('several at once');
  await expect(row(page, '3')).toContainText('1.000');
});

test('two boxes are compared, then one with itself under other counts, kept with one step of undo', async ({
  page,
  request,
}) => {
  await page.goto(`${await freshTrain(request, 'pan-rake')}/chart`);
  const tab = await below(page, 'Compare');
  await tab.getByLabel('Compare with').selectOption({ label: 'Harvester four-set' });
  const pairs = tab.getByRole('region', { name: 'Charts compared' });
  await expect(pairs.getByRole('row', { name: /^1 4\.923/ })).toContainText('−12.3');
  await tab.getByLabel('nearest ratio').check();
  await expect(pairs.getByRole('row', { name: /^4 1\.000/ })).toContainText('6');
  await tab.getByLabel('Compare with').selectOption({ label: 'this train with other counts' });
  await expect(pairs.getByRole('row', { name: /^2 2\.837/ })).toContainText('0');
  await tab.getByText('What if the tooth counts were different').click({ trial: true });
  await tab.getByLabel('Teeth to try on 32 on second wheel').fill('40');
  await expect(pairs.getByRole('row', { name: /^2 2\.837/ })).toContainText('+25.0');
  await expect(row(page, '2')).toContainText('2.837');
  await tab.getByRole('button', { name: 'Keep in this train' }).click();
  await expect(row(page, '2')).toContainText('3.546');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(row(page, '2')).toContainText('2.837');
  // A kept state of this train is another side; what locks has no ratio, but still its name.
  await tab.getByLabel('name', { exact: true }).check();
  await cell(page, 'Second', '1').click();
  await saved(page);
  const first = tab.getByLabel('Compare with').locator('option', { hasText: /^state 1,/ });
  await tab.getByLabel('Compare with').selectOption((await first.getAttribute('value'))!);
  await expect(pairs.getByRole('row', { name: /^1 —/ })).toContainText('4.923');
});

test('one tooth more is looked at before it is decided; the shading says which positions it moves', async ({
  page,
  request,
}) => {
  await page.goto(`${await freshTrain(request, 'pan-rake')}/chart`);
  const tab = await below(page, 'Influence');
  const table = tab.getByRole('region', { name: 'Influence of the tooth counts' });
  await expect(table.getByRole('row', { name: /^32 on second wheel/ })).toContainText('1.000');
  await table.getByRole('button', { name: '32 on second wheel' }).click();
  const more = tab.getByRole('region', { name: 'One tooth more' });
  await expect(more.getByRole('row', { name: /^2 / })).toContainText('+3.13');
  await expect(more.getByRole('row', { name: /^3 / })).toContainText('0');
  await more.getByLabel('Teeth to try').fill('0');
  await expect(more).toContainText('A gear has at least one tooth.');
  await more.getByLabel('Teeth to try').fill('33');
  await more.getByRole('button', { name: 'Apply' }).click();
  await expect(row(page, '2')).toContainText('2.925');
});

test('speed lines: a point that is dragged takes along what hangs on it, about what is held', async ({
  page,
  request,
}) => {
  await page.goto(`${await freshTrain(request, 'stirrer')}/chart`);
  const tab = await below(page, 'Speed lines');
  const point = (name: RegExp) => tab.getByRole('slider', { name });
  const figures = tab.getByRole('table', { name: 'Speeds of the lines' });
  await expect(figures).toContainText('0.2500');
  const [first] = await point(/./).all();
  await expect(first!).toHaveAttribute('aria-valuenow', /./);
  const output = tab.getByRole('slider').filter({ hasText: '0.2500' });
  const box = (await output.boundingBox())!;
  await output.focus();
  for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowUp');
  await expect(figures).toContainText('0.5000');
  await expect(figures).toContainText('2.000');
  await expect(figures).toContainText('0 rpm stands');
  await tab.getByRole('button', { name: 'As the position has it' }).click();
  await expect(figures).toContainText('0.2500');
  await page.mouse.move(box.x + 12, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 12, box.y - 60, { steps: 5 });
  await page.mouse.up();
  await expect(figures).not.toContainText('0.2500');
  await expect(figures).toContainText('0 rpm stands');
});

test('pictures have a table behind them and are saved; hostile names stay text', async ({ page, request }) => {
  const hostile = '<img src=x onerror=alert(1)>%';
  await page.goto(
    `${await freshTrain(request, 'harvester', (train) => ({
      ...train,
      members: train.members.map((member) => ({ ...member, name: `${hostile} ${member.id}` })),
      positions: train.positions.map((position) => (position.id === '2' ? { ...position, name: hostile } : position)),
    }))}/chart`,
  );
  const tab = await below(page, 'Plots');
  const ladder = tab.getByRole('figure', { name: /Ratio ladder/ });
  await expect(ladder.locator('svg.apexcharts-svg')).toContainText(hostile);
  const [png] = await Promise.all([page.waitForEvent('download'), ladder.getByRole('button', { name: 'PNG' }).click()]);
  expect(
    readFileSync((await png.path())!)
      .subarray(1, 4)
      .toString(),
  ).toBe('PNG');
  await ladder.getByRole('button', { name: 'Table' }).click();
  await expect(ladder.getByRole('row', { name: /^1 same way 4\.320/ })).toBeVisible();
  const [csv] = await Promise.all([page.waitForEvent('download'), ladder.getByRole('button', { name: 'CSV' }).click()]);
  expect(readFileSync((await csv.path())!, 'utf8')).toContain('1,same way,4.32');
  const members = await below(page, 'Members’ speeds');
  await expect(members.locator('.apexcharts-legend')).toContainText(`${hostile} in`);
  await members.locator('.apexcharts-marker').nth(2).hover({ force: true });
  await expect(members.locator('.apexcharts-tooltip')).toContainText(hostile);
  await expect(page.locator('img')).toHaveCount(0);
  await expect(members.getByRole('list', { name: 'Fastest in their bearings' })).toContainText('144.3 rpm');
});

test('stages are told driven over driver, and what is a chain nowhere says so', async ({ page, request }) => {
  await page.goto(`${await freshTrain(request, 'pan-rake')}/chart`);
  const tab = await below(page, 'Stages');
  await expect(tab.getByRole('region', { name: 'Stages' }).getByRole('row', { name: /^1 / })).toContainText('4.923');
  await tab.getByRole('button', { name: 'Position' }).click();
  expect(await names(page)).toHaveLength(7);
  await page.goto(`${await freshTrain(request, 'harvester')}/chart`);
  await expect(await below(page, 'Stages')).toContainText('Not here, as no plain chain of single stages leads through');
});

for (const theme of ['salt', 'soot'])
  test(`no tab of the chart has a serious accessibility fault in ${theme}`, async ({
    page,
    request,
    context,
    baseURL,
  }) => {
    test.slow();
    await context.addCookies([{ name: 'theme', value: theme, url: baseURL! }]);
    await page.goto(`${await freshTrain(request, 'mud-tram')}/chart`);
    const check = async (where: string) => expect(await seriousFaultsOf(page), where).toEqual([]);
    for (const tab of [
      'Plots',
      'Members’ speeds',
      'Shifts',
      'Stages',
      'Speed lines',
      'Influence',
      'Combinations',
      'Compare',
    ]) {
      const panel = await below(page, tab);
      await expect(panel.locator('table, svg, ul').first()).toBeVisible();
      await check(tab);
    }
    await page.goto(`${await freshTrain(request, 'range-box')}/chart`);
    await page.getByLabel('Grid').check();
    await check('grid');
  });

test('combinations are taken several at once into an empty chart, sorted; one is left out of the ladder', async ({
  page,
  request,
}) => {
  const address = await freshTrain(request, 'mud-tram', (train) => ({ ...train, positions: [] }));
  await page.goto(`${address}/chart`);
  await expect(page.getByText('This train has no position yet.')).toBeVisible();
  const tab = await below(page, 'Combinations');
  await tab.getByLabel('Direction').selectOption('same way');
  const ticks = tab.getByRole('checkbox', { name: /^Take / });
  await expect(ticks).not.toHaveCount(0);
  for (const at of [0, 2, 3]) await ticks.nth(at).check();
  await tab.getByRole('button', { name: 'Add these 3, sorted' }).click();
  const ratios = async () =>
    Promise.all(
      ['1', '2', '3'].map(async (name) => Number(/\d+\.\d+/.exec(await row(page, name).innerText())?.[0] ?? NaN)),
    );
  await expect(row(page, '3')).toBeVisible();
  const [first, second, third] = await ratios();
  expect(first).toBeGreaterThan(second!);
  expect(second).toBeGreaterThan(third!);
  await row(page, '2').hover();
  await row(page, '2').getByRole('button', { name: '2: leave out of the ladder' }).click();
  await expect(row(page, '2')).toContainText('left out');
  await expect(row(page, '1').getByTitle(/^To 3/)).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(row(page, '1').getByTitle(/^To 2/)).toBeVisible();
  await saved(page);
});
