import { expect, test, type Page } from './journey';
import { freshTrain } from './shelf-copies';

const ratio = (page: Page) => page.getByTestId('ratio');
const gear = (page: Page, words: string) =>
  page.getByRole('button', { name: `Gear on ${words} teeth. Change its teeth.` });
const teeth = (page: Page) => page.getByRole('textbox', { name: 'Teeth' });
const card = (page: Page) =>
  page.getByRole('dialog').filter({ has: page.getByRole('button', { name: 'Close', exact: true }) });
const saved = (page: Page) => expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();

/** Adds a part from a gear's card and gives the new gear its teeth. */
async function add(page: Page, from: string, part: string, count: number): Promise<void> {
  await gear(page, from).press('e');
  await card(page)
    .getByRole('button', { name: `+ ${part}` })
    .click();
  await expect(teeth(page)).toBeFocused();
  await teeth(page).fill(String(count));
  await teeth(page).press('Enter');
}

/** Opens the card of the shaft that a gear is fixed to. */
async function openShaft(page: Page, of: string): Promise<void> {
  await gear(page, of).press('e');
  await card(page)
    .getByRole('button', { name: `${of.split(',')[0]}…` })
    .click();
}

async function coupleWithOutput(page: Page, of: string): Promise<void> {
  await openShaft(page, of);
  await card(page).getByLabel('Couple with').selectOption('output');
  await card(page).getByRole('button', { name: '+ Clutch' }).click();
  await page.keyboard.press('Escape');
}

test('a five-speed countershaft box with reverse is built from nothing by editing', async ({ page }) => {
  test.slow();
  await page.goto('/');
  await page.getByRole('button', { name: 'New train' }).click();
  await page.getByRole('dialog', { name: 'New train' }).getByText('Nothing yet').click();
  await page.getByRole('textbox', { name: 'Name' }).fill('Pan winch');
  await page.getByRole('button', { name: 'Add to shelf' }).click();
  await page
    .getByRole('listitem')
    .filter({ has: page.getByRole('heading', { name: 'Pan winch' }) })
    .getByRole('link')
    .click();

  await page.getByRole('button', { name: '+ Gear on input' }).click();
  await teeth(page).fill('18');
  await teeth(page).press('Enter');
  await add(page, 'input, 18', 'Meshing gear', 36);
  await openShaft(page, 'shaft, 36');
  await card(page).getByLabel('Name').fill('countershaft');
  await card(page).getByLabel('Name').press('Enter');
  await page.keyboard.press('Escape');
  const pairs = [
    [14, 40],
    [20, 34],
    [26, 28],
    [31, 23],
  ] as const;
  for (const [i, [driver, driven]] of pairs.entries()) {
    await add(page, 'countershaft, 36', 'Gear on this shaft', driver);
    await add(page, `countershaft, ${driver}`, 'Meshing gear', driven);
    await coupleWithOutput(page, `shaft ${i + 2}, ${driven}`);
  }
  await coupleWithOutput(page, 'input, 18');
  await add(page, 'countershaft, 36', 'Gear on this shaft', 13);
  await add(page, 'countershaft, 13', 'Meshing gear', 17);
  await add(page, 'shaft 6, 17', 'Meshing gear', 39);
  await coupleWithOutput(page, 'shaft 7, 39');

  const speeds = [
    ['1', 'A', '5.714'],
    ['2', 'B', '3.400'],
    ['3', 'C', '2.154'],
    ['4', 'D', '1.484'],
    ['5', 'E', '1.000'],
    ['R', 'F', '6.000'],
  ] as const;
  for (const [name, letter, size] of speeds) {
    await page.getByRole('button', { name: new RegExp(`^Clutch ${letter},`) }).press('Enter');
    await expect(ratio(page)).toHaveText(size);
    await page.getByLabel('Name of the new position').fill(name);
    await page.getByRole('button', { name: 'Keep as a position' }).click();
    await page.getByRole('button', { name: new RegExp(`^Clutch ${letter},`) }).press('Enter');
  }
  const strip = page.getByRole('group', { name: 'Positions' });
  await expect(strip.getByRole('button')).toHaveCount(6);
  await saved(page);
  await page.reload();
  for (const [name, , size] of speeds) {
    await page.keyboard.press(name.toLowerCase());
    await expect(ratio(page)).toHaveText(size);
  }
  await expect(page.getByText('reverse', { exact: true }).first()).toBeVisible();
  await page.getByRole('tab', { name: 'Checks' }).click();
  await expect(page.getByRole('list', { name: 'Checks' }).getByLabel('Wrong')).toHaveCount(0);
});

test('a gear is dragged along the axis with what it meshes, or moved by keyboard, and that is undone', async ({
  page,
  request,
}) => {
  await page.goto(await freshTrain(request, 'pan-rake'));
  const [wheel, pinion] = [gear(page, 'second wheel, 32'), gear(page, 'countershaft, 19')];
  // While the drawing is made anew a part has no place for a moment.
  const x = async (part: typeof wheel) => Math.round((await part.boundingBox())?.x ?? NaN);
  const before = [await x(wheel), await x(pinion)];
  const box = (await wheel.boundingBox())!;
  const last = (await gear(page, 'output shaft, 37').boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + 20);
  await page.mouse.down();
  await page.mouse.move(last.x + 30, box.y + 24, { steps: 8 });
  await page.mouse.move(last.x + 60, box.y + 24, { steps: 4 });
  await page.mouse.up();
  await expect(card(page)).toHaveCount(0);
  await expect.poll(async () => (await x(wheel)) > (await x(gear(page, 'output shaft, 37')))).toBe(true);
  await expect.poll(async () => (await x(pinion)) - (await x(wheel))).toBe(0);
  await page.keyboard.press('Control+z');
  await expect.poll(async () => [await x(wheel), await x(pinion)]).toEqual(before);
  await wheel.press('Shift+ArrowRight');
  await expect.poll(async () => (await x(wheel)) > (await x(gear(page, 'third wheel, 25')))).toBe(true);
  await expect(ratio(page)).toHaveText('4.923');
});

test('a wheel is copied with its clutch and pasted, and into another train it comes with what it can', async ({
  page,
  request,
}) => {
  await page.goto(await freshTrain(request, 'pan-rake'));
  await gear(page, 'second wheel, 32').press('e');
  await card(page).getByRole('button', { name: 'second wheel…' }).click();
  await card(page).getByRole('button', { name: 'Copy' }).click();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+v');
  await expect(card(page)).toContainText('second wheel 2');
  await page.keyboard.press('Escape');
  await gear(page, 'second wheel 2, 32').click();
  await teeth(page).fill('38');
  await teeth(page).press('Enter');
  await page.keyboard.press('n');
  await page
    .getByRole('button', { name: 'Clutch Second 2, second wheel 2 with output shaft: off. Engage it.' })
    .press('Enter');
  // 32/19 · 38/19
  await expect(ratio(page)).toHaveText('3.368');
  await saved(page);

  await page.goto(await freshTrain(request, 'sluice-winch'));
  await gear(page, 'crank, 14').focus();
  await page.keyboard.press('Control+v');
  await expect(card(page)).toContainText('second wheel');
  await page.keyboard.press('Escape');
  await gear(page, 'crank, 14').focus();
  await page.keyboard.press('Control+c');
  await expect(page.getByRole('status').filter({ hasText: 'Copied gear 14 on crank' })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(gear(page, 'second wheel, 32')).toHaveCount(0);
});

test('a finding is mended by one press, another set aside with a note that stays', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'sluice-winch'));
  await page.getByRole('tab', { name: 'Checks' }).click();
  const checks = page.getByRole('list', { name: 'Checks' });
  const shared = checks.getByRole('listitem').filter({ hasText: 'The 15- and 45-tooth gears share the factor 15.' });
  await shared.getByRole('button', { name: 'Gear 45 → 46' }).click();
  await expect(shared).toHaveCount(0);
  await expect(gear(page, 'drum, 46')).toBeVisible();

  const undercut = checks.getByRole('listitem').filter({ hasText: 'A standard gear of 14 teeth is undercut.' });
  await undercut.getByRole('button', { name: 'Set aside…' }).click();
  await undercut.getByRole('button', { name: 'Set aside', exact: true }).click();
  await expect(undercut.getByRole('alert')).toHaveText('Say in a few words why it may stay as it is.');
  await undercut.getByLabel('Why it may stay').fill('cut with a profile shift');
  await undercut.getByLabel('Why it may stay').press('Enter');
  await expect(undercut).toHaveCount(0);
  await saved(page);
  await page.reload();
  await page.getByRole('tab', { name: 'Checks' }).click();
  const aside = page.getByRole('region', { name: 'Set aside' });
  await expect(aside).toContainText('cut with a profile shift');
  await aside.getByRole('button', { name: 'Reopen' }).click();
  await expect(undercut).toHaveCount(1);
});

test('capacity and tip speed are checked against the input that is typed', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'pan-rake'));
  await page.getByRole('button', { name: /^Clutch Second,/ }).press('e');
  await card(page).getByLabel('Capacity').fill('40');
  await card(page).getByLabel('Capacity').press('Enter');
  await page.keyboard.press('Escape');
  await gear(page, 'input shaft, 19').press('e');
  await card(page).getByLabel('Module').fill('2');
  await card(page).getByLabel('Module').press('Enter');
  await card(page).getByText('Kind and material').click();
  await card(page).getByLabel('Material').selectOption('printed');
  await expect(card(page)).toContainText('Its tips run at 0.06597 m/s here.');
  await page.keyboard.press('Escape');
  await page.getByRole('tab', { name: 'Checks' }).click();
  const checks = page.getByRole('list', { name: 'Checks' });
  await expect(checks).not.toContainText('Slipping in position');
  await page.getByLabel('Input torque').fill('15');
  await expect(checks).toContainText('Slipping in position 2: Second.');
  await page.getByLabel('Input speed').fill('3000');
  await expect(checks).toContainText('The tips of gear 19 on input shaft run at 6.597 m/s');
});

test('a worm that locks itself and a one-way clutch are set on their cards', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'sluice-winch'));
  await gear(page, 'crank, 14').press('e');
  await card(page).getByText('Kind and material').click();
  await card(page).getByRole('combobox', { name: 'Kind' }).selectOption('worm');
  await card(page).getByText('Meshes with').click();
  await card(page)
    .getByLabel(/^Self-locking/)
    .check();
  await card(page).getByLabel('They turn').selectOption('same');
  await page.keyboard.press('Escape');
  await page.getByText('Back-drive').click();
  await expect(page.getByRole('complementary', { name: 'Explanation' })).toContainText(/jam|cannot/i);
});
