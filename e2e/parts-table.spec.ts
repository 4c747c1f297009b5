import { faultsOf } from './accessibility';
import { expect, test, type Page } from './journey';
import { freshTrain } from './shelf-copies';

const ratio = (page: Page) => page.getByTestId('ratio');
const grid = (page: Page, name: string) => page.getByRole('grid', { name, exact: true });
const cell = (page: Page, name: string) =>
  page.getByRole('combobox', { name, exact: true }).or(page.getByRole('textbox', { name, exact: true }));
const openTable = (page: Page) => page.getByRole('button', { name: 'Table', exact: true }).click();

/** The four-set automatic of the saltworks, as its builder has it on paper. */
const SETS = [
  ['40', 'double sun', '20', 'front planet', '3', '80', 'held ring', 'final ring'],
  ['36', 'double sun', '24', 'engine planet', '4', '84', 'link drum', 'input'],
  ['50', 'link drum', '18', 'link planet', '3', '86', 'drive drum', 'wheel carrier'],
  ['25', 'drive drum', '29', 'final planet', '3', '83', 'final ring', 'output'],
];
const COUPLERS = [
  ['A', 'brake', 'double sun'],
  ['B', 'brake', 'held ring'],
  ['C', 'clutch', 'input', 'drive drum'],
  ['D', 'clutch', 'wheel carrier', 'output'],
  ['E', 'clutch', 'link drum', 'drive drum'],
];
const POSITIONS = [
  'A + B + C',
  'A + B + E',
  'B + C + E',
  'B + D + E',
  'B + C + D',
  'C + D + E',
  'A + C + D',
  'A + D + E',
];

test('a four-set automatic with eight positions is typed from a blank page, in fewer presses than 150', async ({
  page,
}) => {
  test.slow();
  let presses = 0;
  const press = async (key: string) => {
    presses++;
    await page.keyboard.press(key);
  };
  const type = async (text: string) => {
    presses++;
    await page.keyboard.insertText(text);
  };
  const row = async (cells: readonly string[], last: string) => {
    for (const [i, text] of cells.entries()) {
      await type(text);
      await press(i === cells.length - 1 ? last : 'Tab');
    }
  };
  await page.goto('/');
  await page.getByRole('button', { name: 'New train' }).click();
  await page.getByRole('button', { name: 'Open it on the Bench' }).click();
  await openTable(page);
  await cell(page, 'Sun, sets row 1').click();
  presses += 4;
  for (const set of SETS) await row(set, 'Enter');
  await expect(page.getByRole('button', { name: 'Gear on double sun, 40 teeth. Change its teeth.' })).toBeVisible();
  await cell(page, 'Name, couplers row 1').click();
  presses++;
  for (const [i, coupler] of COUPLERS.entries()) {
    await row(coupler, 'Tab');
    if (i < COUPLERS.length - 1) {
      // A clutch ends in the style, a brake before the second member.
      await cell(page, `Name, couplers row ${i + 2}`).click();
      presses++;
    }
  }
  await cell(page, 'Name, positions row 1').click();
  presses++;
  for (const [i, engaged] of POSITIONS.entries()) await row([String(i + 1), engaged], 'Enter');
  await expect(grid(page, 'Positions').getByRole('row')).toHaveCount(POSITIONS.length + 2);
  // As the harvester of the shelf: 108/25 in first, 7/10 in eighth.
  await page.getByRole('button', { name: 'Close, back to the end view and the crank' }).click();
  await page.keyboard.press('1');
  await expect(ratio(page)).toHaveText('4.320');
  await page.keyboard.press('8');
  await expect(ratio(page)).toHaveText('0.7000');
  expect(presses).toBeLessThan(150);
});

test('the same sets are pasted from a spreadsheet, a count is typed over, and that is one step of undo', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New train' }).click();
  await page.getByRole('button', { name: 'Open it on the Bench' }).click();
  await openTable(page);
  const block = [
    ['Sun', 'Sun is on', 'Planet', 'Price', 'Ring', 'Ring is on', 'Carrier'],
    ['20', 'input', '16', '9.50', '52', 'outer', 'output'],
    ['30', 'second sun', '15', '8.20', '60', 'outer', 'output'],
  ];
  await cell(page, 'Sun, sets row 1').click();
  await page.evaluate(
    (text) => {
      const data = new DataTransfer();
      data.setData('text/plain', text);
      document.activeElement?.dispatchEvent(
        new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
      );
    },
    block.map((row) => row.join('\t')).join('\n'),
  );
  await expect(grid(page, 'Sets').getByRole('row')).toHaveCount(5);
  await expect(page.getByRole('alert').first()).toContainText('Left out, for there is no such column: Price.');
  await cell(page, 'Sun, sets row 1').fill('24');
  await page.keyboard.press('Enter');
  const gear = (teeth: number) =>
    page.getByRole('button', { name: `Gear on input, ${teeth} teeth. Change its teeth.` });
  await expect(gear(24)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(gear(20)).toBeVisible();
  // The row under the pointer lights on the drawing, and the other way round.
  await gear(20).hover();
  await expect(grid(page, 'Sets').getByRole('row').nth(1)).toHaveClass(/bg-base-200/);
});

test('one module is filled down to all wheels in one step', async ({ page, request }) => {
  await page.goto(`${await freshTrain(request, 'harvester')}#table`);
  const moduleOf = (n: number) => cell(page, `Module, mm, wheels row ${n}`);
  await expect(moduleOf(1)).toBeVisible();
  const last = await grid(page, 'Wheels').getByRole('row').count();
  await moduleOf(1).fill('1.25');
  await page.keyboard.press('Control+d');
  await expect(moduleOf(1)).toHaveValue('1.25');
  await expect(moduleOf(last - 1)).toHaveValue('1.25');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(moduleOf(last - 1)).not.toHaveValue('1.25');
});

test('a name joins after one question, another makes a member; a removal says what goes along', async ({
  page,
  request,
}) => {
  await page.goto(`${await freshTrain(request, 'harvester')}#table`);
  const ringIsOn = cell(page, 'Ring is on, sets row 1');
  await ringIsOn.fill('own ring');
  await ringIsOn.press('Enter');
  await expect(grid(page, 'Members').getByRole('textbox', { name: 'Name, members row 13' })).toHaveValue('own ring');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(ringIsOn).toHaveValue('held ring');
  // Two of one name: asked once, with what it does to the positions.
  const name = cell(page, 'Name, members row 6');
  await expect(name).toHaveValue('wheel carrier');
  await name.fill('wheel shaft');
  await name.press('Enter');
  const question = page.getByRole('alertdialog', { name: '“wheel shaft” is there already. Are the two one member?' });
  await expect(question).toContainText('Output');
  await question.getByRole('button', { name: 'They are one' }).press('Enter');
  await expect(grid(page, 'Couplers')).not.toContainText('Output');
  await page.getByRole('button', { name: 'Undo' }).click();
  // A row that is removed.
  await page.getByRole('button', { name: /^Sets, row 4\./ }).focus();
  await page.keyboard.press('Delete');
  await expect(page.getByRole('alertdialog')).toContainText('This also changes what follows.');
  await page.getByRole('button', { name: 'Remove it' }).press('Enter');
  await expect(grid(page, 'Sets').getByRole('row')).toHaveCount(5);
});

test('a row that is not whole waits with what it lacks, also after a reload; by keyboard, read by everyone', async ({
  page,
  request,
}) => {
  await page.goto(await freshTrain(request, 'stirrer'));
  await page.getByRole('button', { name: 'Table', exact: true }).press('Enter');
  await cell(page, 'Sun, sets row 1').focus();
  await page.keyboard.press('ArrowDown');
  await expect(cell(page, 'Sun, sets row 2')).toBeFocused();
  await page.keyboard.type('18');
  await page.keyboard.press('Tab');
  await expect(page.getByText('Waits for the sun’s member, the planets’ count, its carrier.')).toBeVisible();
  await page.keyboard.type('4o');
  await page.keyboard.press('Escape');
  await expect(cell(page, 'Sun is on, sets row 2')).toHaveValue('');
  await page.reload();
  await openTable(page);
  await expect(cell(page, 'Sun, sets row 2')).toHaveValue('18');
  // What is no count is said at its row, and the train stays.
  const slip = page.getByRole('alert').filter({ hasText: '“2x” is not a tooth count' });
  await cell(page, 'Sun, sets row 1').fill('2x');
  await page.keyboard.press('Enter');
  await expect(slip).toBeVisible();
  // The slip stays where it was typed, also after a reload, until Escape takes it back.
  await page.reload();
  await openTable(page);
  await expect(cell(page, 'Sun, sets row 1')).toHaveValue('2x');
  await expect(slip).toBeVisible();
  await cell(page, 'Sun, sets row 1').press('Escape');
  await expect(cell(page, 'Sun, sets row 1')).toHaveValue('24');
  await cell(page, 'Name, positions row 1').press('Alt+ArrowDown');
  await expect(cell(page, 'Name, positions row 1')).toHaveValue('direct');
  // A row is dragged by its number, and copied whole.
  const rowNumber = (n: number) => page.getByRole('button', { name: new RegExp(`^Members, row ${n}\\.`) });
  // Rows near an edge would be scrolled while they are dragged.
  await page.getByRole('grid', { name: 'Members' }).evaluate((grid) => grid.scrollIntoView({ block: 'center' }));
  const [from, to] = [(await rowNumber(1).boundingBox())!, (await rowNumber(3).boundingBox())!];
  await page.mouse.move(from.x + 8, from.y + 8);
  await page.mouse.down();
  await page.mouse.move(to.x + 8, to.y + 4, { steps: 6 });
  await page.mouse.move(to.x + 8, to.y + 10, { steps: 3 });
  await page.mouse.up();
  await expect(cell(page, 'Name, members row 3')).toHaveValue('sun');
  const copied = await page.evaluate(() => {
    const data = new DataTransfer();
    const number = [...document.querySelectorAll('[data-row]')].find((one) =>
      one.getAttribute('aria-label')?.startsWith('Couplers, row 1.'),
    );
    number?.dispatchEvent(new ClipboardEvent('copy', { clipboardData: data, bubbles: true, cancelable: true }));
    return data.getData('text/plain');
  });
  expect(copied).toBe('Hold\tbrake\tring\tframe\t');
  expect(await faultsOf(page, '[aria-label=Build]')).toEqual([]);
});

/** A point on the lines of a member, on the screen. */
const onShaft = (page: Page, id: string) =>
  page.locator(`[data-part="member:${id}"]`).evaluate((path: SVGPathElement) => {
    const length = path.getTotalLength();
    for (let part = 0.03; part < 1; part += 0.02) {
      const at = path.getPointAtLength(length * part).matrixTransform(path.getScreenCTM()!);
      // Where nothing lies over it.
      if (document.elementFromPoint(at.x, at.y) === path) return { x: at.x, y: at.y };
    }
    throw new Error('All of this shaft lies under something.');
  });

async function dragShaft(page: Page, from: string, to: string): Promise<void> {
  const [a, b] = [await onShaft(page, from), await onShaft(page, to)];
  await page.mouse.move(a.x, a.y);
  await page.mouse.down();
  await page.mouse.move((a.x + b.x) / 2, (a.y + b.y) / 2, { steps: 4 });
  await page.mouse.move(b.x, b.y, { steps: 4 });
  await page.mouse.up();
}

test('a shaft dragged onto another is one with it, with Alt there is a clutch between', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'stirrer'));
  await expect(ratio(page)).toHaveText('4.000');
  await page.keyboard.down('Alt');
  await dragShaft(page, 'sun', 'arm');
  await page.keyboard.up('Alt');
  await expect(page.getByText('A clutch is between sun and carrier.')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Clutch A, sun with carrier/ }).first()).toBeVisible();
  // Input and output are no one member: that is said, and nothing changes.
  await dragShaft(page, 'sun', 'arm');
  await expect(page.getByRole('status').filter({ hasText: /cannot/ })).toBeVisible();
  await page.goto(await freshTrain(request, 'harvester'));
  await expect(ratio(page)).toHaveText('4.320');
  // The better drawing has come.
  await page.waitForTimeout(3000);
  await dragShaft(page, 'c3', 'out');
  const question = page.getByRole('alertdialog', { name: 'Make wheel carrier and wheel shaft one member?' });
  await expect(question).toContainText('Output');
  await question.getByRole('button', { name: 'They are one' }).click();
  await expect(page.getByRole('button', { name: /^Clutch Output/ })).toHaveCount(0);
});

test('a position is written below the chart', async ({ page, request }) => {
  await page.goto(`${await freshTrain(request, 'harvester')}/chart`);
  const field = page.getByRole('textbox', { name: 'New position, in writing' });
  await field.fill('9 = sun brake + lnik');
  await field.press('Enter');
  await expect(page.getByText('No coupler is called “lnik”. Did you mean “Link”?')).toBeVisible();
  await field.fill('9 = sun brake + Ring brake + Link');
  await field.press('Enter');
  const row = page.getByRole('grid', { name: 'Shift chart' }).getByRole('row').filter({ hasText: '3.024' });
  await expect(row).toHaveCount(2);
  await expect(field).toHaveValue('');
});
