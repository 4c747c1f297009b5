import { expect, test, type Page } from './journey';
import { freshTrain } from './shelf-copies';

const ratio = (page: Page) => page.getByTestId('ratio');
const trace = (page: Page) => page.getByRole('list', { name: 'Trace' });
const figures = (page: Page) => page.getByRole('region', { name: 'Figures' });
const note = (page: Page) => page.getByTestId('shift-note');

test('every position of the rake is traced by keyboard alone', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'pan-rake'));
  await expect(ratio(page)).toHaveText('4.923');
  const story: [key: string, ratio: string, says: string][] = [
    ['2', '2.837', 'Joined by Second, turning as one: second wheel and output shaft.'],
    ['3', '1.619', 'Joined by Third, turning as one: third wheel and output shaft.'],
    ['4', '1.000', 'Joined by Direct, turning as one: input shaft and output shaft.'],
    ['r', '4.451', 'Driver gear 21 on reverse idler turns driven gear 37 on output shaft'],
    ['1', '4.923', 'Joined by First, turning as one: first wheel and output shaft.'],
  ];
  for (const [key, figure, says] of story) {
    await page.keyboard.press(key);
    await expect(ratio(page)).toHaveText(figure);
    await expect(trace(page)).toContainText(says);
  }
  await expect(note(page)).toContainText('R → 1: First on, Idler, lay and Idler, out off');
  await page.keyboard.press('n');
  await expect(page.getByText('Neutral: the input turns and no output is driven.')).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await expect(ratio(page)).toHaveText('4.923');
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('button', { name: 'Engage First' })).toBeVisible();
});

test('two couplers that tie up are named, lit, and one press mends it', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'pan-rake'));
  const second = page.getByRole('button', { name: /^Clutch Second, second wheel with output shaft: off/ });
  await second.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText('Locked: the input cannot turn.')).toBeVisible();
  await expect(page.getByText('First and Second tie up the train: release one of them and it turns.')).toBeVisible();
  await expect(page.getByText('Locked: input shaft. Tied up by First and Second.')).toBeVisible();
  const ringed = page.getByRole('group', { name: /^Side view of/ }).locator('circle.stroke-error');
  await expect(ringed).toHaveCount(2);
  await page.getByRole('button', { name: 'Release First' }).click();
  await expect(ratio(page)).toHaveText('2.837');
  await expect(note(page)).toContainText('1+2 → 2: First off');
  await expect(ringed).toHaveCount(0);
});

test('a coupler clicked on the drawing is a choice of one’s own, drive, neutral or locked at once', async ({
  page,
  request,
}) => {
  await page.goto(await freshTrain(request, 'harvester'));
  await page.getByRole('button', { name: /^Clutch Drive,/ }).click();
  await expect(page.getByText('Neutral: the input turns and no output is driven.')).toBeVisible();
  await page.getByRole('button', { name: /^Clutch Output,/ }).click();
  await expect(ratio(page)).toHaveText('3.297');
  await expect(page.getByText('reverse', { exact: true }).first()).toBeVisible();
  await expect(page.getByText(/57\.74 % of the input power goes round through/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'R', exact: false }).filter({ hasText: '3.297' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
});

test('one-way clutches decide for themselves and say so', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'crawler'));
  const oneWay = page.getByRole('button', { name: /^One-way clutch F1 on carrier: holds/ });
  await expect(oneWay).toHaveAttribute('aria-disabled', 'true');
  await page.keyboard.press('2');
  await expect(page.getByRole('button', { name: /^One-way clutch F1 on carrier: overruns/ })).toBeVisible();
});

test('the tram: first needs two rollers holding at once, second lets one of them go', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'mud-tram'));
  await page.keyboard.press('1');
  await expect(ratio(page)).toHaveText('2.435');
  await expect(
    page.getByRole('button', { name: /^One-way clutch Front roller, input with middle shaft: holds/ }),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: /^One-way clutch Rear roller on rear carrier: holds/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^One-way clutch Hold roller,.*: overruns/ })).toBeVisible();
  const rollers = page.getByRole('region', { name: 'One-way clutches' });
  await expect(rollers).toContainText('Holds: Front roller, 10.00 N·m, from input to middle shaft.');
  await expect(rollers).toContainText('Nothing else keeps rear carrier from turning back under the load.');
  await page.keyboard.press('2');
  await expect(ratio(page)).toHaveText('1.478');
  await expect(rollers).toContainText(
    'Overrun: Rear roller, by 0.4510 turns for one of input, rear carrier ahead of the frame.',
  );
  await expect(rollers).toContainText('Would hold with Hold off.');
});

test('a hub that coasts freewheels: who pushes, what runs ahead, what may stand', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'draisine-hub'));
  await page.keyboard.press('3');
  await page.getByText('Coast', { exact: true }).click();
  await expect(page.getByText('Overruns: the load turns ahead of the input.')).toBeVisible();
  await expect(page.getByText('Pushing: hub shell.')).toBeVisible();
  await expect(page.getByText('Running ahead of Carrier pawls and Ring pawls: hub shell.')).toBeVisible();
  await expect(page.getByText('Free to stand: sprocket.')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Engage .*pawls/ })).toHaveCount(0);
});

test('the answer in the units in force, on the headline and the keys, and both are remembered', async ({
  page,
  request,
}) => {
  const address = await freshTrain(request, 'pan-rake');
  await page.goto(address);
  const out = page.getByTestId('output');
  await expect(out).toHaveText(/output shaft\s*6\.094 rpm\s*49\.23 N·m/);
  await page.getByTitle(/^How ratios are written/).click();
  await page.getByLabel('Unit of torque').selectOption('N');
  await page.getByLabel('Length of the arm, mm').fill('500');
  // The same torque as before, as a force on that arm.
  await expect(out).toContainText('98.46 N × 500 mm');
  await expect(page.getByLabel('Input torque')).toHaveValue('20');
  await page.getByLabel('Unit of speed').selectOption('turns/h');
  await page.getByLabel('Input speed').fill('30 rpm');
  await expect(out).toContainText('365.6 turns/h');
  const keys = page.getByRole('group', { name: 'Positions' });
  await page.getByLabel('Show on keys').selectOption('speed');
  await expect(keys.getByRole('button', { pressed: true })).toContainText('365.6');
  await page.reload();
  await expect(page.getByLabel('Show on keys')).toHaveValue('speed');
  await page.getByTitle(/^How ratios are written/).click();
  await expect(page.getByLabel('Length of the arm, mm')).toHaveValue('500');

  await page.goto(await freshTrain(request, 'wagon-axle'));
  await expect(page.getByTestId('law').first()).toHaveText('left wheel + right wheel = 2 × 11/41 of drive shaft');
});

test('a planetary stage is worked out by formula or by table, and the school is remembered', async ({
  page,
  request,
}) => {
  const address = await freshTrain(request, 'crawler');
  await page.goto(address);
  await page.keyboard.press('2');
  await page.getByRole('tab', { name: 'Working' }).click();
  const sets = page.getByRole('region', { name: 'Sets worked out' });
  await expect(sets).toContainText('ω ring = 95/143');
  await page.getByRole('radio', { name: 'table' }).check({ force: true });
  await expect(sets.getByRole('table', { name: 'Table of the set on carrier' }).last()).toContainText(
    'added5/11095/143',
  );
  await page.reload();
  await page.keyboard.press('2');
  await page.getByRole('tab', { name: 'Working' }).click();
  await expect(page.getByRole('radio', { name: 'table' })).toBeChecked();
});

test('driven backward, coasting and with losses', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'crawler'));
  await page.getByText('Back-drive').click();
  await expect(page.getByText('Back-driven, a one-way clutch overruns: the input does not follow.')).toBeVisible();
  await page.keyboard.press('3');
  await expect(page.getByText('Back-driven, the output turns the input.')).toBeVisible();
  await page.getByText('Coast').click();
  await expect(page.getByRole('radio', { name: 'Coast' })).toBeChecked();
  await expect(ratio(page)).toHaveText('1.000');
  await expect(page.getByRole('checkbox', { name: 'Losses' })).toBeDisabled();

  await page.goto(await freshTrain(request, 'harvester'));
  await page.keyboard.press('2');
  await page.getByRole('checkbox', { name: 'Losses' }).check();
  await expect(page.getByText(/efficiency 9\d\.\d\d %/)).toBeVisible();
});

test('figures sort by any column and copy as a table', async ({ page, request, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await page.goto(await freshTrain(request, 'sluice-winch'));
  await page.getByRole('tab', { name: 'Figures' }).click();
  const members = page.getByRole('region', { name: 'Figures' }).getByRole('row').locator('td:first-child');
  await expect(members.first()).toContainText('crank');
  await page.getByRole('button', { name: 'Torque, N·m' }).click();
  await expect(members.first()).toContainText('drum');
  await page.getByRole('button', { name: 'Copy', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Copied' })).toBeVisible();
  const copied = await page.evaluate(() => navigator.clipboard.readText());
  expect(copied.split(/\r?\n/)[0]).toBe(
    'Member\tTurns per turn put in\tSpeed, rpm\tDirection\tTorque, N·m\tPower, W\tState',
  );
  expect(copied.split(/\r?\n/)[1]).toBe('drum\t-1/12\t2.5\treverse\t120\t31.41593\tgives power out');
});

test('sentences light their parts on the drawing', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'pan-rake'));
  const edge = page
    .getByRole('button', { name: 'Gear on countershaft, 13 teeth. Change its teeth.' })
    .locator('rect')
    .last();
  const before = await edge.getAttribute('stroke-width');
  await trace(page).getByText('Driver gear 13 on countershaft turns driven gear 38').hover();
  await expect(edge).not.toHaveAttribute('stroke-width', before!);
});

test('checks say what is wrong, why and what to do, and follow an edit at once', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'sluice-winch'));
  await page.getByRole('tab', { name: 'Checks' }).click();
  const checks = page.getByRole('list', { name: 'Checks' });
  await expect(checks).toContainText('The 15- and 45-tooth gears share the factor 15.');
  await expect(checks).toContainText('44 or 46 instead of 45 would hunt.');
  await expect(checks.getByRole('button', { name: 'Gear 45 → 46 teeth' })).toContainText('in wind: 12.00 → 12.27');
  await page.getByRole('button', { name: /^Gear on drum, 45/ }).click();
  await page.getByRole('textbox', { name: 'Teeth' }).fill('46');
  await page.getByRole('textbox', { name: 'Teeth' }).press('Enter');
  await expect(checks).not.toContainText('Gears 15 and');

  await page.goto(await freshTrain(request, 'pan-rake'));
  await page.getByRole('tab', { name: /^Checks ?1 wrong/ }).click();
  await checks.getByRole('button', { name: 'Show this position' }).click();
  await expect(page.getByText('Locked: the input cannot turn.')).toBeVisible();
});

test('two sets on one carrier: the carrier between them is on the path, and carries what passes', async ({
  page,
  request,
}) => {
  await page.goto(await freshTrain(request, 'ferry-hub'));
  await page.keyboard.press('2');
  await expect(page.getByRole('region', { name: 'Power paths' })).toContainText(
    'low ring → set of low planet on carrier → carrier → set of planet on carrier → ring',
  );
  await page.getByRole('tab', { name: 'Figures', exact: true }).click();
  await expect(figures(page).getByRole('row', { name: /^carrier/ })).toContainText('carries power');
  await page.keyboard.press('1');
  await page.getByRole('tab', { name: 'Trace', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Power paths' })).toContainText('100.0 %');
});

test('power that is open is drawn as open, and said', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'wagon-axle'));
  await page.getByRole('button', { name: /^locked/ }).click();
  await expect(page.getByText('Dotted: how much power goes this way is not determined.')).toBeVisible();
  await expect(page.getByText('How power divides depends on what holds each output: choose “loads”')).toBeVisible();
});

test(
  'loads given at the outputs: the input torque follows, a contradiction ' +
    'names the motion, and all is there after a reload',
  async ({ page, request }) => {
    await page.goto(await freshTrain(request, 'tide-dial'));
    await page.getByLabel('Given').selectOption('loads');
    await page.getByLabel('Load on tide hand').fill('0.2');
    await page.getByLabel('Load on day hand').fill('0.1');
    // 0.2 · 19/236 + 0.1/24 N·m, by hand.
    await expect(page.getByTestId('input-torque')).toContainText('0.02027 N·m');
    await expect(page.getByText('torque open')).toHaveCount(0);
    await page.getByRole('tab', { name: 'Figures', exact: true }).click();
    await expect(figures(page).getByRole('row', { name: /^tide arbor/ })).toContainText('carries power');
    await page.getByLabel('Load on day hand').fill('much');
    await expect(page.getByText('Type the load as a number.')).toBeVisible();
    await page.getByLabel('Load on day hand').fill('0.1');
    await page.reload();
    await expect(page.getByLabel('Load on tide hand')).toHaveValue('0.2');
    await expect(page.getByTestId('input-torque')).toContainText('0.02027 N·m');

    await page.goto(await freshTrain(request, 'wagon-axle'));
    await page.getByLabel('Given').selectOption('loads');
    await page.getByLabel('Load on left wheel').fill('4');
    await expect(page.getByTestId('output').filter({ hasText: 'right wheel' })).toContainText('4.000 N·m');
    await page.getByLabel('Load on right wheel').fill('5');
    await expect(page.getByText('These loads do not balance: with the input at rest they would turn')).toBeVisible();
  },
);
