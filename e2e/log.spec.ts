import { readFileSync } from 'node:fs';
import { behavioursOf } from '../src/core/faults';
import { toNumber } from '../src/core/rational';
import type { Train } from '../src/core/train';
import { figure as figureText } from '../src/core/units';
import { faultsOf } from './accessibility';
import { saved, typeTeeth } from './bench-steps';
import { expect, test } from './journey';
import { entry, figure, logIt, proof, reading, readings } from './log-steps';
import { freshTrain } from './shelf-copies';
import { alert } from './teeth-steps';

const demo = (name: string) => JSON.parse(readFileSync(`demo/trains/${name}.train.json`, 'utf8')) as Train;
const [RAKE, TRAM] = [demo('pan-rake'), demo('mud-tram')];

test('a whole box is read on the simulated bench, and its readings tell that two clutches are swapped', async ({
  page,
  request,
}) => {
  await page.goto(`${await freshTrain(request, 'pan-rake')}/log`);
  await expect(page.getByText('Nothing is logged yet.')).toBeVisible();
  await page.getByText('Simulated bench', { exact: true }).click();
  await page.getByLabel('Seed').fill('2');
  await page.getByLabel('Wrong with it').selectOption({ label: 'two couplers swapped' });
  await page.getByLabel('Turns of the input').fill('20');
  await page.getByRole('button', { name: 'Read every position' }).click();
  const odd = reading(page, 'does not agree');
  await expect(odd).not.toHaveCount(0);
  await page.getByRole('button', { name: 'What was wrong?' }).click();
  const secret = await page.getByText(/are swapped\.$/).innerText();
  const swapped = RAKE.couplers.filter(({ name }) => secret.includes(name)).map(({ id }) => id);
  expect(swapped).toHaveLength(2);
  // Only positions that use one of the two are odd, and each is explained by what is really engaged.
  for (const row of await odd.all()) {
    const name = (await row.getByRole('cell').first().innerText()).trim();
    const position = RAKE.positions.find((one) => one.name === name)!;
    expect(position.engaged.some((id) => swapped.includes(id))).toBe(true);
    await row.getByRole('button').first().click();
    await expect(proof(page).getByRole('list', { name: 'What would explain it' })).toContainText(
      /agrees (with|without)/,
    );
  }
  await expect(reading(page, 'simulated')).not.toHaveCount(0);
});

test('by keyboard: position, letter, figures, Enter; a slip is corrected, and both stay', async ({ page, request }) => {
  const address = await freshTrain(request, 'mud-tram');
  await page.goto(`${address}/log`);
  await page.keyboard.press('1');
  await page.keyboard.press('m');
  await page.keyboard.type('16.25');
  await expect(entry(page).getByRole('status', { name: 'The arithmetic' })).toContainText(
    '24 marks × 1 turns in / (16.25 ± 0.5) passed = 1.477 (1.433 to 1.524) : 1; computed 2.435 : 1: does not agree',
  );
  await page.keyboard.press('Enter');
  await expect(proof(page)).toContainText('It does not agree');
  await expect(proof(page)).toContainText('agrees with position 2');
  // What was set up stays, what was read is gone, and the next figure can be typed.
  await expect(figure(page, 'Marks that passed')).toBeFocused();
  await expect(figure(page, 'Marks that passed')).toHaveValue('');
  await proof(page).page().getByRole('button', { name: 'Correct it…' }).click();
  await expect(figure(page, 'Marks that passed')).toHaveValue('16.25');
  await figure(page, 'Marks that passed').fill('10');
  await logIt(page);
  await expect(alert(page)).toContainText('Say why it is corrected.');
  await entry(page).getByLabel('Why').fill('counted in second');
  await logIt(page);
  await expect(proof(page)).toContainText('It agrees, and no other position would.');
  await expect(page.getByRole('region', { name: 'What it was before' })).toContainText('passed 16.25');
  await page.reload();
  await expect(readings(page).getByRole('row')).toHaveCount(2);
  await expect(reading(page, 'corrected: counted in second')).toContainText('agrees');
  const { entries } = (await (await request.get(`/api${address}/log`)).json()) as { entries: { kind: string }[] };
  expect(entries.map(({ kind }) => kind)).toEqual(['reading', 'correction']);
});

test('a correction keeps where, when and in which run a reading was taken, wherever the train stands now', async ({
  page,
  request,
}) => {
  const address = await freshTrain(request, 'mud-tram');
  const entriesNow = async () =>
    ((await (await request.get(`/api${address}/log`)).json()) as { entries: Record<string, unknown>[] }).entries;
  for (const viewport of [
    { width: 1280, height: 800 },
    { width: 390, height: 844 },
  ]) {
    await page.setViewportSize(viewport);
    await page.goto(`${address}/log`);
    await page.keyboard.press('1');
    await page.keyboard.press('m');
    await page.keyboard.type('10');
    await page.keyboard.press('Enter');
    await expect(entry(page).getByRole('status').last()).toContainText('Logged.');
    const [taken] = (await entriesNow()).slice(-1) as { document: { at: string; revision: number } }[];
    // Meanwhile the train is looked at in another position.
    await entry(page).getByRole('combobox', { name: 'Position' }).selectOption({ label: '3' });
    await page.getByRole('button', { name: 'Correct it…' }).first().click();
    await expect(entry(page).getByRole('combobox', { name: 'Position' })).toHaveValue('1');
    await figure(page, 'Marks that passed').fill('9.75');
    await entry(page).getByLabel('Why').fill('read again');
    await logIt(page);
    await expect(entry(page).getByRole('status').last()).toContainText('Corrected: both stay.');
    const [last] = (await entriesNow()).slice(-1) as unknown as {
      document: { reading: { position: string; at: string; revision: number; passed: number } };
    }[];
    expect(last!.document.reading).toMatchObject({
      ...{ position: '1', passed: 9.75, at: taken!.document.at, revision: taken!.document.revision },
    });
  }
});

test('one-way that no longer holds is found from what positions do, by the proposed tests', async ({
  page,
  request,
}) => {
  await page.goto(`${await freshTrain(request, 'mud-tram')}/log`);
  await page.getByRole('tab', { name: 'Fault finder' }).click();
  const suspects = page.getByRole('region', { name: 'Suspects' });
  await page.getByLabel('1 was seen', { exact: true }).selectOption('neutral');
  await page.getByLabel('4 was seen', { exact: true }).selectOption('ok');
  await expect(suspects).toContainText('suspects explain everything');
  await expect(suspects.getByRole('listitem').filter({ hasText: 'Front roller never holds' })).toContainText('2 of 2');
  // Answered as a train does whose front roller does not hold, test by test.
  const truly = behavioursOf(TRAM)([{ fault: 'never-holds', part: 'front roller' }]);
  const next = page.getByRole('region', { name: 'Next test' });
  for (let tests = 0; tests < 12 && (await next.isVisible()); tests++) {
    const title = await next.getByRole('heading').innerText();
    const asked = title.replace(/^Next test: (position )?/, '');
    const position = TRAM.positions.find(({ name }) => title.includes('position') && name === asked);
    const engaged =
      position?.engaged ?? asked.split(' + ').map((name) => TRAM.couplers.find((one) => one.name === name)!.id);
    const { status, ratio: found } = truly(engaged);
    const words = found ? `${figureText(Math.abs(toNumber(found)))} : 1` : status;
    const outcome = next.getByRole('listitem').filter({ hasText: words });
    await outcome.first().getByRole('button').click();
    await expect(next.getByRole('heading', { name: title, exact: true })).toBeHidden();
  }
  await expect(suspects.getByRole('heading')).toHaveText('1 suspect explains everything');
  await expect(suspects.getByRole('listitem').first()).toContainText('Front roller never holds');
});

test('a measured efficiency is taken into the model, and undone', async ({ page, request }) => {
  const address = await freshTrain(request, 'pan-rake');
  await page.goto(`${address}/log`);
  await page.keyboard.press('1');
  await page.keyboard.press('s');
  await page.keyboard.type('450');
  await figure(page, 'Input torque').fill('0.1');
  await logIt(page);
  // 450 g at 100 mm are 0.4413 N·m of the 0.4923 that 64/13 would give.
  await expect(proof(page)).toContainText('Of the ideal torque 89.64 % comes through');
  await page.getByRole('tab', { name: 'Efficiency' }).click();
  await expect(page.getByRole('region', { name: 'Measured efficiency' })).toContainText('94.68 × 2');
  await page.getByRole('button', { name: 'Use it in the model' }).click();
  await saved(page);
  const efficiency = async () =>
    ((await (await request.get(`/api${address}`)).json()) as { train: { efficiency?: number } }).train.efficiency;
  expect(await efficiency()).toBeCloseTo(Math.sqrt(0.8964), 3);
  await page.keyboard.press('Control+z');
  await saved(page);
  expect(await efficiency()).toBeUndefined();
});

test('readings come out of a CSV with heads of its own, and go out as CSV and JSON that come in again', async ({
  page,
  request,
}) => {
  await page.goto(`${await freshTrain(request, 'mud-tram')}/log`);
  const csv = 'gear;what I counted;input;remark\n1;10;1;first try\n2;16;1;\n';
  await page
    .getByLabel('Open a file')
    .setInputFiles({ name: 'bench.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  const columns = page.getByRole('region', { name: 'Columns of the file' });
  await expect(columns).toContainText('bench.csv: 2 rows');
  for (const [head, meaning] of [
    ['gear', 'position'],
    ['what I counted', 'passed'],
    ['input', 'inputTurns'],
    ['remark', 'note'],
  ])
    await columns.getByLabel(`Meaning of ${head}`).selectOption(meaning!);
  await columns.getByRole('button', { name: 'Log these readings' }).click();
  // What no column says is asked for at its place.
  await expect(alert(page)).toContainText('Row 2: marks: The number of marks in a turn is a number above 0.');
  const marks = 'position,passed (marks),marks (on a turn),inputTurns (turns),note\n1,10,24,1,first try\n2,16,24,1,\n';
  await page
    .getByLabel('Open a file')
    .setInputFiles({ name: 'bench.csv', mimeType: 'text/csv', buffer: Buffer.from(marks) });
  await columns.getByRole('button', { name: 'Log these readings' }).click();
  await expect(reading(page, 'first try')).toContainText('agrees');
  await expect(readings(page).getByRole('row')).toHaveCount(3);
  const files = page.getByRole('region', { name: 'Files of the log' });
  const [json] = await Promise.all([
    page.waitForEvent('download'),
    files.getByRole('button', { name: 'JSON' }).click(),
  ]);
  const text = readFileSync(await json.path(), 'utf8');
  expect((JSON.parse(text) as { readings: object[] }).readings).toHaveLength(2);
  // The same file again adds nothing: entries go by their ids.
  await page
    .getByLabel('Open a file')
    .setInputFiles({ name: 'log.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await expect(page.getByText('2 entries of log.json are in the log.')).toBeVisible();
  await expect(readings(page).getByRole('row')).toHaveCount(3);
});

test(
  'measured stands beside computed on Bench and Chart; events are marked on ' +
    'the drawing; runs tell what changed between them',
  async ({ page, request }) => {
    await page.goto(`${await freshTrain(request, 'pan-rake')}/log`);
    const run = async (name: string) => {
      await page.getByRole('button', { name: 'New…' }).click();
      await page.getByLabel('Name of the run').fill(name);
      await page.getByRole('button', { name: 'Begin this run' }).click();
      await expect(page.getByLabel('Run that readings belong to')).toContainText(name);
    };
    const marks = async (passed: string) => {
      await page.keyboard.press('Escape');
      await page.keyboard.press('1');
      await page.keyboard.press('m');
      await page.keyboard.type(passed);
      await page.keyboard.press('Enter');
      await expect(entry(page).getByText('Logged.')).toBeVisible();
      await page.keyboard.press('Escape');
    };
    await run('As built');
    await marks('4.875');
    await page.keyboard.press('e');
    await page.keyboard.type('key sheared');
    await entry(page).getByRole('combobox', { name: /^Of/ }).selectOption('lay');
    await logIt(page);
    await expect(reading(page, 'key sheared')).toBeVisible();
    await expect(entry(page).getByLabel('What happened')).toHaveValue('');
    await page.keyboard.press('Escape');
    await page.keyboard.press('Shift+Digit2');
    await expect(page.getByRole('grid', { name: 'Shift chart' }).getByRole('row', { name: /^1\s/ })).toContainText(
      '4.923 agrees',
    );
    await page.keyboard.press('Shift+Digit1');
    await page.getByRole('tab', { name: 'Figures' }).click();
    await expect(page.getByRole('region', { name: 'Measured' })).toContainText(
      'output shaft: 4.923 (4.465 to 5.486) : 1 in/out agrees',
    );
    await expect(page.getByRole('img', { name: 'key sheared' })).toBeVisible();
    await typeTeeth(page, 'input shaft', 19, 20);
    await saved(page);
    await page.keyboard.press('Shift+Digit5');
    await run('New wheel');
    await marks('5.125');
    await page.getByRole('button', { name: 'What changed since “As built”?' }).click();
    await expect(page.getByRole('group', { name: 'Differences' })).toContainText('20');
  },
);

test(
  'what cannot be a reading is said at its field; pictures that are none are ' +
    'refused, a real one is kept; everyone can read it',
  async ({ page, request }) => {
    await page.goto(`${await freshTrain(request, 'pan-rake')}/log`);
    await page.keyboard.press('1');
    await page.keyboard.press('f');
    await page.keyboard.type('0');
    await expect(alert(page)).toContainText('The number of frames is a number above 0.');
    await figure(page, 'It took').fill('31');
    await figure(page, 'at').fill('0');
    await expect(alert(page)).toContainText('The frame rate is a number above 0.');
    await figure(page, 'at').fill('50');
    await expect(alert(page)).toHaveCount(0);
    await entry(page).getByLabel('Position').selectOption('1+2');
    await expect(alert(page)).toContainText('locks, so nothing turns in it');
    await entry(page).getByLabel('Position').selectOption('1');
    await page.getByRole('radio', { name: /Marks passed/ }).click();
    await figure(page, 'Marks that passed').fill('30');
    await expect(alert(page)).toContainText('More marks than the 24 of one turn');
    await figure(page, 'besides full turns').fill('0');
    await expect(alert(page)).toHaveCount(0);
    await figure(page, 'Marks that passed').fill('4.875');
    const bad = { name: 'bench.png', mimeType: 'image/png', buffer: Buffer.from('no picture') };
    await entry(page).locator('input[accept^="image"]').setInputFiles(bad);
    await logIt(page);
    await expect(alert(page)).toContainText('neither a PNG nor a JPEG');
    const dot = Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8BQDwAEhQGAhKmMIQAAAABJRU5ErkJggg==',
      'base64',
    );
    await entry(page)
      .locator('input[accept^="image"]')
      .setInputFiles({ ...bad, buffer: dot });
    await logIt(page);
    await expect(page.getByRole('img', { name: 'Picture of this reading' })).toBeVisible();
    // The train changes: the reading stays as it was read, and can be judged as the train was then.
    await page.keyboard.press('Escape');
    await page.keyboard.press('Shift+Digit1');
    await typeTeeth(page, 'input shaft', 19, 20);
    await saved(page);
    await page.keyboard.press('Shift+Digit5');
    await page.getByRole('button', { name: 'Judge it as the train was then' }).click();
    await expect(page.getByText('As the train was then: computed 4.923 : 1')).toBeVisible();
    expect(await faultsOf(page)).toEqual([]);
  },
);

test('another train’s log is asked about, an import is taken back as one, what contradicts is named', async ({
  page,
  request,
}) => {
  await page.goto(`${await freshTrain(request, 'pan-rake')}/log`);
  const reading = { kind: 'turns', member: 'out', inputTurns: 10, resolution: 0.01 };
  const log = (...readings: object[]) => ({
    name: 'bench.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify({ format: 'tin-wheel/log', version: 1, readings })),
  });
  const file = page.getByLabel('Open a file');
  await file.setInputFiles(log({ ...reading, id: 'x', position: 'ninth', turns: 2 }));
  await expect(alert(page)).toContainText('names positions that this train does not have: ninth');
  await page.getByRole('button', { name: 'Cancel' }).click();
  await file.setInputFiles(
    log(
      { ...reading, id: 'a', position: '1', turns: 2.03, instrument: 'counter' },
      { ...reading, id: 'b', position: '1', turns: 2.4 },
    ),
  );
  await expect(page.getByText('2 entries of bench.json are in the log.')).toBeVisible();
  await expect(readings(page).getByRole('row').filter({ hasText: 'contradicted' })).toHaveCount(2);
  await readings(page).getByRole('row').filter({ hasText: 'does not agree' }).getByRole('button').first().click();
  await expect(page.getByRole('region', { name: 'What contradicts it' })).toContainText(
    'It contradicts another reading',
  );
  // A named instrument brings how finely it was read.
  await page.getByRole('radio', { name: /Turns counted/ }).click();
  await entry(page).getByLabel('Read with').fill('counter');
  await expect(figure(page, 'Resolution ±')).toHaveValue('0.01');
  await page.getByText('1 import', { exact: true }).click();
  await page.getByRole('button', { name: 'Take it back…' }).click();
  await page.getByRole('button', { name: 'Take them out' }).click();
  await expect(page.getByText('What bench.json brought is out of the log.')).toBeVisible();
  await page.reload();
  await expect(page.getByText('Nothing is logged yet.')).toBeVisible();
});
