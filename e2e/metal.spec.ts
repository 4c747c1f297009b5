import { readFileSync } from 'node:fs';
import type { Locator } from '@playwright/test';
import { faultsOf } from './accessibility';
import { expect, test, type Page } from './journey';
import { freshTrain } from './shelf-copies';

const card = (page: Page) =>
  page.getByRole('dialog').filter({ has: page.getByRole('button', { name: 'Close', exact: true }) });
const gear = (page: Page, words: string) =>
  page.getByRole('button', { name: `Gear on ${words} teeth. Change its teeth.` });
const fill = async (field: Locator, text: string) => {
  await field.fill(text);
  await field.press('Enter');
};
const teethFigures = (page: Page) => page.getByRole('region', { name: 'Teeth' });

test('a centre is typed, the shifts that it asks for are taken', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'printed-hoist'));
  await gear(page, 'crank, 13').press('e');
  await card(page).getByText('Meshes with').click();
  await expect(card(page).getByLabel('Centre distance')).toHaveAttribute('placeholder', 'follows: 60.00');
  await fill(card(page).getByLabel('Centre distance'), '20');
  await page.keyboard.press('Escape');
  await page.getByRole('tab', { name: 'Checks' }).click();
  const checks = page.getByRole('list', { name: 'Checks' });
  await expect(checks).toContainText('13 and 47 cannot run at 20 mm.');
  await gear(page, 'crank, 13').press('e');
  await card(page).getByText('Meshes with').click();
  await fill(card(page).getByLabel('Centre distance'), '61');
  await page.keyboard.press('Escape');
  await expect(checks).toContainText('13 and 47 run loose at 61 mm');
  await checks
    .getByRole('button', { name: /both slide alike/ })
    .first()
    .click();
  await expect(checks).not.toContainText('run loose');
  await page.getByRole('tab', { name: 'Figures' }).click();
  await expect(teethFigures(page)).toContainText('61.00');
  await gear(page, 'crank, 13').press('e');
  await expect(card(page)).toContainText(/Cut and held.*shift 0\.\d+/);
  // A shift that is none is said, and nothing changes.
  await card(page).getByText('Cut and held').click();
  await fill(card(page).getByLabel('Profile shift'), '9');
  await expect(card(page).getByRole('alert')).toContainText('A profile shift is from −2 to 2 modules.');
});

test('forces are drawn; the weakest wheel is made wider until it is not', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'printed-hoist'));
  await page.getByLabel('Forces').check();
  await expect(page.locator('[data-drawing="side-view"]')).toContainText('N');
  await page.getByRole('tab', { name: 'Figures' }).click();
  const hardest = teethFigures(page).getByRole('row').filter({ hasText: 'the most' });
  await expect(hardest).toContainText('15 on layshaft');
  const widen = async (width: string) => {
    for (const words of ['layshaft, 15', 'drum, 46']) {
      await gear(page, words).press('e');
      await fill(card(page).getByLabel('Face width'), width);
      await page.keyboard.press('Escape');
    }
  };
  const advice = teethFigures(page).getByText(/15 on layshaft and its mate [\d.]+ mm wide instead of/);
  const wanted = (await advice.textContent())?.match(/mate ([\d.]+) mm/)?.[1] ?? '';
  // As wide as it was told to be it is used as hard as the next, and nothing more is told.
  await widen(wanted);
  await expect(advice).toBeHidden();
  await widen('24');
  await expect(hardest).toContainText('13 on crank');
  await expect(teethFigures(page)).toContainText('not a rating');
  await page.getByLabel('Input torque').fill('20');
  await expect(page.locator('[data-drawing="side-view"]')).toContainText(/1.538 N/);
  expect(await faultsOf(page, 'aside')).toEqual([]);
});

test('the thrusts of two helices on one shaft cancel, until one of them is turned round', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'pump-step-down'));
  await page.getByRole('tab', { name: 'Figures' }).click();
  const shaft = teethFigures(page).getByRole('row', { name: /^countershaft/ });
  await expect(shaft.getByRole('cell').nth(3)).toHaveText('0');
  await gear(page, 'pump shaft, 52').press('e');
  await card(page).getByText('Cut and held').click();
  await fill(card(page).getByLabel('Helix angle'), '8');
  await page.keyboard.press('Escape');
  await page.getByRole('tab', { name: 'Checks' }).click();
  await page.getByRole('button', { name: 'Gear 17: helix −8°' }).click();
  await page.getByRole('tab', { name: 'Figures' }).click();
  await expect(shaft.getByRole('cell').nth(3)).not.toHaveText('0');
});

test('a wheel is typed at Shapes, is in the train after a reload, and its DXF has its size', async ({
  page,
  request,
}) => {
  const address = await freshTrain(request, 'printed-hoist');
  await page.goto(`${address}/sheet`);
  await page.getByRole('tab', { name: 'Shapes' }).click();
  await page.getByLabel('Which').selectOption({ label: '15 on layshaft' });
  await page.getByLabel('Profile shift').fill('0.3');
  await page.getByLabel('Bore', { exact: false }).first().fill('9');
  // Half of a keyway waits where it was typed.
  await page.getByLabel('Keyway, width').fill('3');
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Profile shift')).toHaveValue('0.3');
  await expect(page.getByLabel('Keyway, width')).toHaveValue('3');
  await page.getByLabel('Keyway, width').fill('');
  const coming = page.waitForEvent('download');
  await page.getByRole('button', { name: 'DXF' }).click();
  const dxf = readFileSync(await (await coming).path(), 'latin1');
  const lines = dxf.split(/\r?\n/).map((line) => line.trim());
  const values = (code: string) =>
    lines.flatMap((line, i) => (i % 2 === 0 && line === code ? [Number(lines[i + 1])] : []));
  const [xs, ys] = [values('10'), values('20')];
  const reach = Math.max(...xs.map((x, i) => Math.hypot(x, ys[i] ?? 0)));
  // m z / 2 + m (1 + x), less what clears the mate's roots.
  expect(reach).toBeLessThanOrEqual((2.5 * 15) / 2 + 2.5 * 1.3 + 0.01);
  expect(reach).toBeGreaterThan((2.5 * 15) / 2 + 2.5 * 1.05);
  // On the Bench it stands on the card.
  await page.goto(address);
  await gear(page, 'layshaft, 15').press('e');
  await expect(card(page)).toContainText('shift 0.3');
});
