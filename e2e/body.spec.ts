import { readFileSync } from 'node:fs';
import { faultsOf } from './accessibility';
import { expect, test, type Page } from './journey';
import { freshTrain } from './shelf-copies';

const pane = (page: Page) => page.getByRole('region', { name: 'Body' });
const drawing = (page: Page) => pane(page).locator('[data-drawing=body]');

/** The picture as it is seen, and how much of it is not paper. */
async function picture(page: Page): Promise<{ readonly inked: number; readonly sum: number }> {
  const png = (await drawing(page).screenshot()).toString('base64');
  return page.evaluate(async (data) => {
    const image = new Image();
    image.src = `data:image/png;base64,${data}`;
    await image.decode();
    const copy = document.createElement('canvas');
    [copy.width, copy.height] = [image.width, image.height];
    const pen = copy.getContext('2d')!;
    pen.drawImage(image, 0, 0);
    const { data: values } = pen.getImageData(0, 0, copy.width, copy.height);
    const paper = values.slice(0, 3).join();
    let [inked, sum] = [0, 0];
    for (let i = 0; i < values.length; i += 4) {
      if (values.slice(i, i + 3).join() !== paper) inked++;
      sum = (sum * 31 + values[i]! + 7 * values[i + 1]! + 13 * values[i + 2]!) % 4294967291;
    }
    return { inked: inked / (values.length / 4), sum };
  }, png);
}

/** Waits until the picture is another one than before. */
async function changes(page: Page, act: () => Promise<unknown>): Promise<void> {
  const before = await picture(page);
  await act();
  await expect.poll(async () => (await picture(page)).sum).not.toBe(before.sum);
}

/** The picture once it stands: what moves may be drawn plainer. */
async function standing(page: Page): Promise<{ readonly inked: number; readonly sum: number }> {
  let last = await picture(page);
  await expect(async () => {
    await page.waitForTimeout(600);
    const before = last;
    last = await picture(page);
    expect(last).toEqual(before);
  }).toPass();
  return last;
}

async function openBody(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Body', exact: true }).first().click();
  await expect.poll(async () => (await picture(page)).inked, { timeout: 20_000 }).toBeGreaterThan(0.05);
}

test('a train is sawn open, turned by the crank, drawn apart and looked at from all sides', async ({
  page,
  request,
}) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await page.goto(await freshTrain(request, 'harvester'));
  await openBody(page);
  await changes(page, () => page.getByRole('button', { name: 'Turn exactly 1' }).click());
  await changes(page, () => pane(page).getByLabel('Cut out').fill('180'));
  await changes(page, () => pane(page).getByLabel('At', { exact: true }).fill('40'));
  await changes(page, () => pane(page).getByLabel('Apart').fill('60'));
  const body = pane(page).getByRole('group', { name: /^Body of/ });
  await body.focus();
  await changes(page, () => page.keyboard.press('ArrowLeft'));
  await changes(page, () => page.keyboard.press('+'));
  await changes(page, () => pane(page).getByRole('button', { name: 'Along the axis, from the left' }).click());
  await expect(body).toHaveAccessibleDescription(/a sector of 180° taken out, its sets drawn apart/);
  // Another position: other couplers hold, other members are lit.
  await changes(page, () => page.keyboard.press('3'));
  await changes(page, async () => {
    const box = (await drawing(page).boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2 + 90, box.y + box.height / 2 + 20, { steps: 4 });
    await page.mouse.up();
  });
  expect(await faultsOf(page, 'section[aria-label=Body]')).toEqual([]);
  await page.reload();
  await expect(pane(page)).toBeVisible();
});

test('a part that is pressed opens its card; members are hidden, or one is seen alone', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'stirrer'));
  await openBody(page);
  const whole = (await standing(page)).inked;
  const box = (await drawing(page).boundingBox())!;
  await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2);
  const close = pane(page).getByRole('button', { name: 'Close' }).first();
  await expect(close).toBeVisible();
  await close.click();
  await pane(page).getByText('Members', { exact: true }).click();
  await pane(page)
    .getByRole('button', { name: /alone$/ })
    .first()
    .click();
  expect((await standing(page)).inked).toBeLessThan(whole);
  await pane(page).getByRole('button', { name: 'Show all' }).click();
  expect((await standing(page)).inked).toBeCloseTo(whole, 2);
  await pane(page)
    .getByRole('button', { name: /^Card of/ })
    .first()
    .click();
  await expect(close).toBeVisible();
});

test('on a phone the table takes its room, and it is there again when that is closed', async ({ page, request }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(await freshTrain(request, 'stirrer'));
  await openBody(page);
  const inked = (await standing(page)).inked;
  await page.getByRole('button', { name: 'Table', exact: true }).click();
  await expect(drawing(page)).toBeHidden();
  // What changes meanwhile is drawn nowhere.
  await page.keyboard.press('2');
  await page
    .getByRole('button', { name: /^Close/ })
    .first()
    .click();
  await expect(drawing(page)).toBeVisible();
  expect((await standing(page)).inked).toBeCloseTo(inked, 1);
});

test('it is saved as a picture, as an assembly that turns, and as solids; what would touch is checked', async ({
  page,
  request,
}) => {
  await page.goto(await freshTrain(request, 'pan-rake'));
  await openBody(page);
  await page.getByRole('tab', { name: 'Checks' }).click();
  await expect(
    page
      .getByRole('list', { name: 'Checks' })
      .getByText(/want the same room/)
      .first(),
  ).toBeVisible();
  await pane(page).getByText('Save', { exact: true }).click();
  for (const [name, begins] of [
    ['Picture (PNG)', '\u0089PNG'],
    ['Assembly that turns (glTF)', 'glTF'],
    ['Solids in place (STL, zip)', 'PK'],
  ] as const) {
    const waiting = page.waitForEvent('download');
    await pane(page).getByRole('button', { name }).click();
    const bytes = readFileSync(await (await waiting).path());
    expect(bytes.toString('latin1', 0, begins.length)).toBe(begins);
    expect(bytes.length).toBeGreaterThan(2000);
  }
});

test('without WebGL it is said plainly, the side view is a press away, and files are there all the same', async ({
  page,
  request,
}) => {
  await page.addInitScript(() => {
    const known = HTMLCanvasElement.prototype.getContext;
    HTMLCanvasElement.prototype.getContext = function (this: HTMLCanvasElement, kind: string, ...more: unknown[]) {
      return kind.startsWith('webgl') ? null : (known as (...all: unknown[]) => unknown).call(this, kind, ...more);
    } as typeof known;
  });
  await page.goto(await freshTrain(request, 'stirrer'));
  await page.getByRole('button', { name: 'Body', exact: true }).click();
  await expect(pane(page).getByRole('status').filter({ hasText: 'WebGL is off or missing' })).toBeVisible();
  await pane(page).getByText('Save', { exact: true }).click();
  const waiting = page.waitForEvent('download');
  await pane(page).getByRole('button', { name: 'Assembly that turns (glTF)' }).click();
  expect(readFileSync(await (await waiting).path()).toString('latin1', 0, 4)).toBe('glTF');
  await page.getByRole('button', { name: 'Body', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Side view' })).toBeVisible();
});
