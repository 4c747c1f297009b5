import { readFileSync } from 'node:fs';
import { expect, test, type Page } from './journey';
import { freshTrain } from './shelf-copies';

const HOSTILE = '=<img src=x onerror=alert(1)>"|`';

async function take(page: Page, what: string): Promise<{ readonly name: string; readonly bytes: Buffer }> {
  const waiting = page.waitForEvent('download');
  await page.getByRole('dialog', { name: 'Save as a file' }).getByRole('button', { name: what, exact: true }).click();
  const download = await waiting;
  return { name: download.suggestedFilename(), bytes: readFileSync(await download.path()) };
}

test('figures and working are saved as CSV and Markdown, for one position or all', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'pan-rake'));
  await page.keyboard.press('2');
  await page.getByRole('button', { name: 'Save as a file' }).click();
  const figures = await take(page, 'Figures as CSV');
  expect(figures.name).toBe('pan-rake-gearbox-figures-position-2.csv');
  const lines = figures.bytes.toString().trim().split('\r\n');
  expect(lines[0]).toBe(
    'Position,"Ratio, in/out",Status,Member,Turns per turn put in,"Speed, rpm",Direction,"Torque, N·m","Power, W",State',
  );
  expect(lines).toContain('2,1024/361,drive,output shaft,361/1024,10.57617,same way,28.36565,31.41593,gives power out');
  expect(lines).toHaveLength(8);

  await page.getByRole('radio', { name: 'All positions' }).check();
  const all = await take(page, 'Figures as CSV');
  expect(all.bytes.toString().trim().split('\r\n')).toHaveLength(1 + 7 * 7);
  const working = (await take(page, 'Working as Markdown')).bytes.toString();
  expect(working.match(/^## Position /gm)).toHaveLength(7);
  expect(working).toContain('   ω = -19/32 × -19/32 = 361/1024');
  expect((await take(page, 'Working as CSV')).bytes.toString()).toContain('4,1,"1. turned: input shaft, ω = 1"');
  expect((await take(page, 'Figures as Markdown')).bytes.toString()).toContain(
    'It is locked. Engaged: First and Second.',
  );
  expect((await take(page, 'The train as JSON')).bytes.toString()).toBe(
    readFileSync('demo/trains/pan-rake.train.json', 'utf8'),
  );
});

test('both views are saved as SVG and PNG that stand alone', async ({ page, request }) => {
  await page.goto(await freshTrain(request, 'pan-rake'));
  await page.getByRole('button', { name: 'Larger' }).click();
  await page.getByRole('button', { name: 'Save as a file' }).click();
  const side = (await take(page, 'Side view as SVG')).bytes.toString();
  expect(side).toContain('<title>Pan rake gearbox, side view</title>');
  expect(side).toContain('>countershaft</text>');
  expect(side).not.toMatch(/var\(--|class=|role=|aria-|scale\(/);
  const end = (await take(page, 'End view as SVG')).bytes.toString();
  expect(end.match(/<path /g)!.length).toBeGreaterThan(4);
  for (const view of ['Side view', 'End view']) {
    const { name, bytes } = await take(page, `${view} as PNG`);
    expect(name).toMatch(/\.png$/);
    expect(bytes.subarray(1, 4).toString()).toBe('PNG');
    expect(bytes.readUInt32BE(16)).toBeGreaterThan(1000);
  }
  // Browsers take the drawings as they are.
  for (const svg of [side, end]) {
    const drawn = await page.evaluate(async (text) => {
      const image = new Image();
      image.src = URL.createObjectURL(new Blob([text], { type: 'image/svg+xml' }));
      await image.decode();
      return [image.naturalWidth, image.naturalHeight];
    }, svg);
    expect(Math.min(...drawn)).toBeGreaterThan(100);
  }
});

test('names that look like code or formulas stay names in every file', async ({ page, request }) => {
  const document = JSON.parse(readFileSync('demo/trains/sluice-winch.train.json', 'utf8')) as {
    name: string;
    members: { id: string; name: string }[];
  };
  document.name = HOSTILE;
  document.members[0]!.name = HOSTILE;
  const { id } = (await (await request.post('/api/trains', { data: document })).json()) as { id: string };
  const shouted: string[] = [];
  page.on('dialog', (dialog) => (shouted.push(dialog.message()), dialog.dismiss()));
  await page.goto(`/trains/${id}`);
  await expect(page.getByLabel('Name of the train')).toHaveValue(HOSTILE);
  await page.getByRole('button', { name: 'Save as a file' }).click();
  const svg = (await take(page, 'Side view as SVG')).bytes.toString();
  expect(svg).toContain('&lt;img');
  expect(svg).not.toContain('<img');
  const csv = (await take(page, 'Figures as CSV')).bytes.toString();
  expect(csv).toContain(`"'=<img src=x onerror=alert(1)>""|\``);
  const markdown = (await take(page, 'Figures as Markdown')).bytes.toString();
  expect(markdown).not.toMatch(/(?<!\\)<img/);
  const working = (await take(page, 'Working as Markdown')).bytes.toString();
  expect(working.split(/^```/m)[0]).not.toMatch(/(?<!\\)<img/);
  await page.goto('/');
  await expect(page.getByRole('heading', { name: HOSTILE })).toBeVisible();
  expect(shouted).toEqual([]);
});
