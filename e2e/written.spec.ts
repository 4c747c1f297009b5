import { faultsOf } from './accessibility';
import { expect, test, type Page } from './journey';
import { freshTrain } from './shelf-copies';

const ratio = (page: Page) => page.getByTestId('ratio');
const editor = (page: Page) => page.getByRole('textbox', { name: 'The train in writing' });
const told = (page: Page) => page.getByRole('region', { name: 'Build' }).getByRole('status');
const openText = (page: Page) => page.getByRole('button', { name: 'Text', exact: true }).click();

/** Presses of the keyboard and the pointer, as they are counted for somebody who knows the keys. */
function counting(page: Page) {
  let presses = 0;
  return {
    type: async (text: string) => {
      presses += 1;
      await page.keyboard.insertText(text);
    },
    press: async (key: string) => {
      presses += 1;
      await page.keyboard.press(key);
    },
    click: async (name: string) => {
      presses += 1;
      await page.getByRole('button', { name, exact: true }).click();
    },
    count: () => presses,
  };
}

const FIVE_SPEED = [
  'train Pan winch',
  'input input shaft',
  'output output shaft',
  'pair: 18 on input shaft drives 36 on countershaft',
  'pair: 14 on countershaft drives 40 on first gear',
  'pair: 20 on countershaft drives 34 on second gear',
  'pair: 25 on countershaft drives 29 on third gear',
  'pair: 30 on countershaft drives 22 on fifth gear',
  'pair: 13 on countershaft drives 20 on reverse idler drives 38 on reverse gear',
  'clutch First: first gear with output shaft, dog',
  'clutch Second: second gear with output shaft, dog',
  'clutch Third: third gear with output shaft, dog',
  'clutch Direct: input shaft with output shaft, dog',
  'clutch Fifth: fifth gear with output shaft, dog',
  'clutch Reverse: reverse gear with output shaft, dog',
  'member output shaft',
  'position 1: First',
  'position 2: Second',
  'position 3: Third',
  'position 4: Direct',
  'position 5: Fifth',
  'position R: Reverse',
];

test('a five-speed box with reverse is written from a blank page, in fewer presses than sixty', async ({ page }) => {
  await page.goto('/');
  const hand = counting(page);
  await hand.click('New train');
  await page.getByText('Paste or write').click();
  await expect(editor(page)).toBeFocused();
  await hand.press('Control+a');
  for (const [i, line] of FIVE_SPEED.entries()) {
    await hand.type(line);
    if (i < FIVE_SPEED.length - 1) await hand.press('Enter');
  }
  const positions = page.getByRole('table', { name: 'What the positions give' });
  // 18/36 · 13/20 · 20/38 and so on
  await expect(positions.getByRole('row')).toContainText([
    /Position/,
    /5\.714/,
    /3\.400/,
    /2\.320/,
    /1\.000/,
    /1\.467/,
    /5\.846/,
  ]);
  await hand.click('Open it on the Bench');
  await expect(ratio(page)).toHaveText('5.714');
  await expect(editor(page)).toContainText('pair: 14 on countershaft drives 40 on first gear');
  expect(hand.count()).toBeLessThan(60);
});

test('the drawing follows the text, a settled edit is one step of undo, and the drawing finds its place', async ({
  page,
  request,
}) => {
  await page.goto(await freshTrain(request, 'stirrer'));
  await openText(page);
  await expect(told(page)).toHaveText('Read. The drawing follows.');
  await page.getByText('set:').first().click();
  await page.keyboard.press('Home');
  for (let i = 0; i < 'set: sun 2'.length; i++) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Delete');
  await page.keyboard.type('8');
  await expect(page.getByRole('button', { name: 'Gear on sun, 28 teeth. Change its teeth.' })).toBeVisible();
  await expect(ratio(page)).toHaveText('3.571');
  await page.waitForTimeout(1100);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(ratio(page)).toHaveText('4.000');
  await expect(editor(page)).toContainText('sun 24 on sun');
  // The other way round: a count that is typed on the drawing stands in the text.
  await page.getByRole('button', { name: 'Gear on sun, 24 teeth. Change its teeth.' }).click();
  await page.getByRole('textbox', { name: 'Teeth' }).fill('30');
  await page.getByRole('textbox', { name: 'Teeth' }).press('Enter');
  await expect(editor(page)).toContainText('sun 30 on sun');
});

test('a text that does not read says where, leaves the train, and is found again after a reload', async ({
  page,
  request,
}) => {
  const path = await freshTrain(request, 'stirrer');
  await page.goto(path);
  await openText(page);
  await editor(page).press('Control+End');
  await page.keyboard.type('\nbrake Extra: carier');
  await expect(told(page)).toContainText('One thing does not read yet.');
  const wrong = page.getByRole('list', { name: 'What is wrong' });
  await expect(wrong).toContainText('No member is called “carier”. Did you mean “carrier”?');
  await expect(page.getByRole('button', { name: /Brake Extra/ })).toHaveCount(0);
  await page.reload();
  await openText(page);
  await expect(editor(page)).toContainText('brake Extra: carier');
  await wrong.getByRole('button', { name: /Line/ }).click();
  await page.keyboard.type('carrier # mended');
  await expect(told(page)).toHaveText('Read. The drawing follows.');
  await expect(page.getByRole('button', { name: /Brake Extra/ }).first()).toBeVisible();
  // Remarks are the person's own, and stay.
  await expect(page.getByText('Saved', { exact: true }).first()).toBeVisible();
  await page.reload();
  await openText(page);
  await expect(editor(page)).toContainText('# mended');
});

test('by keyboard alone, with words and names offered; everyone can read it', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'stirrer'));
  await page.getByRole('button', { name: 'Text', exact: true }).press('Enter');
  await expect(editor(page)).toBeFocused();
  await page.keyboard.press('Control+End');
  await page.keyboard.type('\nbra');
  await expect(page.getByRole('option', { name: 'brake' })).toBeVisible();
  // What is offered is taken by a key only after it could be seen.
  await page.waitForTimeout(150);
  await page.keyboard.press('Tab');
  await page.keyboard.type(' Arm: car');
  await page.getByRole('option', { name: 'carrier' }).waitFor();
  await page.waitForTimeout(150);
  await page.keyboard.press('Tab');
  await expect(told(page)).toHaveText('Read. The drawing follows.');
  expect(await faultsOf(page, '[aria-label=Build]')).toEqual([]);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Close, back to the end view and the crank' }).press('Enter');
  await expect(page.getByRole('heading', { name: 'End view' })).toBeVisible();
});

test('a text file is imported, what is wrong in one is told by line, and it is saved from the Bench', async ({
  page,
}) => {
  await page.goto('/');
  const file = (text: string) => ({ name: 'winch.train.txt', mimeType: 'text/plain', buffer: Buffer.from(text) });
  const field = page.getByLabel('File to import');
  await field.setInputFiles(file('train Winch\npair: 2o on a drives 30 on b'));
  await expect(page.getByRole('dialog')).toContainText('Line 2, column 7: “2o” is not a tooth count, a whole number.');
  await page.getByRole('button', { name: 'Close' }).click();
  await field.setInputFiles(
    file('train Written winch\ninput a\noutput b\npair: 20 on a drives 30 on b\nposition on: nothing'),
  );
  await page.getByRole('button', { name: 'Add it' }).click();
  await page
    .getByRole('link', { name: /Written winch/ })
    .first()
    .click();
  await expect(ratio(page)).toHaveText('1.500');
  await page.getByRole('button', { name: 'Save as a file' }).click();
  const download = page.waitForEvent('download');
  await page
    .getByRole('row', { name: /The train/ })
    .getByRole('button', { name: 'Text' })
    .click();
  expect((await download).suggestedFilename()).toBe('written-winch.train.txt');
});
