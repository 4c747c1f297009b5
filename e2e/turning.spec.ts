import { expect, test, type Page } from './journey';
import { freshTrain } from './shelf-copies';

const turns = (page: Page, member: string) => page.getByTestId(`turns ${member}`);
const cut = (page: Page) => page.getByRole('region', { name: 'End view' }).getByRole('img');

test('one turn of the stepped lift is read as 11 on the pump’s counter, and back is back', async ({
  page,
  request,
}) => {
  await page.goto(await freshTrain(request, 'brine-lift'));
  await page.getByRole('button', { name: 'Turn exactly 1' }).click();
  await expect(turns(page, 'pump')).toHaveText('11');
  await expect(turns(page, 'sails')).toHaveText('1');
  await expect(turns(page, 'ring')).toHaveText('0');
  await expect(page.getByTestId('teeth s')).toHaveText('198');
  await page.getByLabel('Turns to make').fill('1/3');
  await page.getByLabel('Turns to make').press('Enter');
  await expect(turns(page, 'pump')).toHaveText('44/3');
  await page.getByRole('button', { name: 'Back 1' }).click();
  await expect(turns(page, 'pump')).toHaveText('11/3');
  await page.getByRole('checkbox', { name: 'exact turns' }).uncheck();
  await expect(turns(page, 'pump')).toHaveText('3.667');
  await page.getByRole('button', { name: 'Reset' }).click();
  await expect(turns(page, 'pump')).toHaveText('0');
});

test('counters go on when the position changes while the crank plays, and stop on exact steps', async ({
  page,
  request,
}) => {
  await page.goto(await freshTrain(request, 'pan-rake'));
  await page.keyboard.press('Space');
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();
  await expect(turns(page, 'out')).not.toHaveText('0');
  await page.keyboard.press('4');
  const then = await turns(page, 'in').textContent();
  await expect(turns(page, 'in')).not.toHaveText(then!);
  await page.keyboard.press('Space');
  await expect(page.getByRole('button', { name: 'Play' })).toBeVisible();
  const [input, lay] = [await turns(page, 'in').textContent(), await turns(page, 'lay').textContent()];
  const value = (text: string) =>
    text
      .replace('−', '-')
      .split('/')
      .map(Number)
      .reduce((a, b) => a / b);
  expect(3600 * value(input!)).toBeCloseTo(Math.round(3600 * value(input!)), 6);
  expect(value(lay!) / value(input!)).toBeCloseTo(-19 / 32, 9);
});

test('a bad number of turns is explained and nothing turns', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'brine-lift'));
  await page.getByLabel('Turns to make').fill('a few');
  await expect(
    page.getByRole('alert').filter({ hasText: 'Type a number of turns, such as 3, 0.5 or 1/3.' }),
  ).toBeVisible();
  await page.getByLabel('Turns to make').press('Enter');
  await expect(turns(page, 'pump')).toHaveText('0');
});

test('the end view steps through the stations, turns with the crank, and takes marks and drags', async ({
  page,
  request,
}) => {
  await page.goto(await freshTrain(request, 'sluice-winch'));
  await expect(page.getByText('station 1 of 2')).toBeVisible();
  await expect(cut(page)).toHaveAccessibleName(
    'Cut at station 1: 14 teeth on crank, 25 teeth on idler, 56 teeth on countershaft',
  );
  const before = await cut(page).screenshot();
  await page.getByLabel('Turns to make').fill('1/5');
  await page.getByLabel('Turns to make').press('Enter');
  await expect(turns(page, 'crank')).toHaveText('1/5');
  expect((await cut(page).screenshot()).equals(before)).toBe(false);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Next station' }).click();
  await expect(page.getByText('station 2 of 2')).toBeVisible();
  await page.getByRole('button', { name: 'Reset' }).click();

  const box = (await cut(page).boundingBox())!;
  const plain = await cut(page).screenshot();
  const wheel = { x: box.x + box.width / 2, y: box.y + 0.62 * box.height };
  await page.mouse.click(wheel.x + 20, wheel.y + 20);
  await page.mouse.move(0, 0);
  expect((await cut(page).screenshot()).equals(plain)).toBe(false);
  await page.mouse.move(wheel.x + 40, wheel.y);
  await page.mouse.down();
  await page.mouse.move(wheel.x + 30, wheel.y + 30, { steps: 6 });
  await page.mouse.up();
  await expect(turns(page, 'drum')).not.toHaveText('0');
  await expect(turns(page, 'crank')).not.toHaveText('0');
});

test('someone who wants little movement gets exact turns at once', async ({ page, request }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await page.goto(await freshTrain(request, 'brine-lift'));
  await page.getByLabel('Turns to make').fill('1000');
  await page.getByLabel('Turns to make').press('Enter');
  await expect(turns(page, 'pump')).toHaveText('11000', { timeout: 500 });
});

test('the drawing zooms, pans and fits', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'harvester'));
  const drawing = page.getByRole('group', { name: /^Side view of/ }).locator('> g');
  await page.getByRole('button', { name: 'Larger' }).click();
  await expect(drawing).toHaveAttribute('transform', /scale\(1\.25\)/);
  await page.getByRole('button', { name: 'Fit to the space' }).click();
  await expect(drawing).toHaveAttribute('transform', 'translate(0,0) scale(1)');
});

test('the end view cuts where the side view stands, also once a better one has come', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'harvester'));
  // At once the engine's set stands first; drawn without a crossing it is the held one.
  await expect(cut(page)).toHaveAccessibleName(/^Cut at station 1: 40 teeth on double sun, 80 teeth on held ring/);
});
