import { readFileSync } from 'node:fs';
import { faultsOf } from './accessibility';
import { gear, saved } from './bench-steps';
import { expect, test } from './journey';
import { freshTrain } from './shelf-copies';
import { field, follows, handle, motorAndLoad, ran, runPane, says, threeSpeedBox } from './shifting-steps';
import { alert } from './teeth-steps';

test('the two shift points of a three-speed box are found, and followed in a run up', async ({ page, request }) => {
  await page.goto(await threeSpeedBox(request));
  await motorAndLoad(page, '1.5');
  await says(page, 'Shift points');
  // Both steps are r = 1/2: down at a third of 300 rpm, which lands at two thirds; up only above that.
  const points = follows(page).getByRole('list', { name: 'When to shift' }).getByRole('listitem');
  await expect(points).toHaveCount(2);
  for (const point of await points.all()) {
    await expect(point).toContainText('at u = 0.3333 (100.0 rpm), which lands at u = 0.6667 (200.0 rpm)');
    await expect(point).toContainText('only above u = 0.6667 (200.0 rpm)');
  }
  await follows(page).getByLabel('Share of peak power, per cent').fill('75');
  await expect(follows(page)).toContainText(
    'a step may go down to r = 0.3333; the spread of these positions, 4.000, then takes at least 3',
  );
  await page.getByRole('button', { name: 'Suggest thresholds' }).click();
  await says(page, 'Points');
  // 1.5 N·m: second sits at 1 − 1.5/4 of no load, 187.5 rpm in, 93.75 out.
  await expect(follows(page).getByRole('row', { name: /^2/ })).toContainText('93.75');
  await says(page, 'Verdict');
  // Third would turn at 75 rpm and second at 93.75: third is never better, and second does not run up to where third
  // comes in.
  await expect(follows(page)).toContainText('3 is never better than 2 here');
  await ran(page, '20 s, 1 shift');
});

test('thresholds too near each other hunt; the band offered mends it, and the runs lie over one another', async ({
  page,
  request,
}) => {
  await page.goto(await threeSpeedBox(request));
  await motorAndLoad(page, '3.2');
  await field(page, 'Minimum time in a position').fill('0');
  await field(page, '2 down to 1 at').fill('0.3');
  await field(page, '3 down to 2 at').fill('0.3');
  // By the keyboard, on the picture: from 0.7167 of no load down to a little above one half.
  const up = handle(page, '1 up to 2');
  await up.focus();
  for (let i = 0; i < 4; i++) await page.keyboard.press('Shift+ArrowLeft');
  await expect(field(page, '1 up to 2 at')).toHaveValue('0.5167');
  await expect(up).toHaveAttribute('aria-valuetext', /hunts/);
  await expect(follows(page)).toContainText('It hunts');
  const band = follows(page).getByRole('listitem').filter({ hasText: 'A wider band' });
  await expect(band).toContainText('Fixes it', { timeout: 20_000 });
  await band.getByRole('button').click();
  await expect(field(page, '1 up to 2 at')).toHaveValue(/^0\.716/);
  await expect(follows(page)).toContainText('It neither hunts nor chatters nor stalls.');
  const compared = runPane(page).getByRole('table', { name: 'Runs side by side' });
  await expect(compared.getByRole('row').nth(1)).toContainText('hunting');
  await expect(compared.getByRole('row').nth(2)).toContainText('sound');
  await runPane(page)
    .getByRole('button', { name: /^Only this run/ })
    .click();
  await expect(compared).toBeHidden();
});

test('through neutral a slow torque detector chatters; two paths cure it', async ({ page, request }) => {
  await page.goto(await threeSpeedBox(request));
  await motorAndLoad(page, '3');
  await page.getByLabel('Shift cue').selectOption({ label: 'output torque' });
  for (const [label, torque] of [
    ['3 down to 2', '1.8'],
    ['2 down to 1', '3.6'],
    ['1 up to 2', '1.2'],
    ['2 up to 3', '1.2'],
  ])
    await field(page, `${label} at`).fill(torque!);
  await page.getByRole('form', { name: 'What is given' }).getByText('Detector', { exact: true }).click();
  await field(page, 'Follows within').fill('0.2');
  await field(page, 'Scale on an arm of').fill('200');
  await expect(page.getByRole('list', { name: 'The thresholds at the detector' })).toContainText(
    '3 down: the scale at 9.000 N',
  );
  await page.getByLabel('In between').selectOption({ label: 'neutral: nothing engaged' });
  await field(page, 'A shift takes').fill('0.6');
  await field(page, 'Minimum time in a position').fill('0');
  await page.getByLabel('A run begins in').selectOption('3');
  await field(page, 'at an output speed of').fill('100');
  await expect(follows(page)).toContainText('It chatters');
  const paths = follows(page).getByRole('listitem').filter({ hasText: 'two paths' });
  await expect(paths).toContainText('Fixes it: 1 shift.', { timeout: 20_000 });
  await expect(follows(page).getByRole('listitem').filter({ hasText: 'before the selector' })).toContainText(
    'Then it hunts',
  );
  await paths.getByRole('button').click();
  await expect(page.getByLabel('In between')).toHaveValue('overlap');
  await expect(follows(page)).not.toContainText('It chatters');
  await ran(page, '20 s, 1 shift');
});

test('the conveyor’s two paths are found by themselves, with what letting one go leaves', async ({ page }) => {
  await page.goto('/trains/conveyor-shifter/shifting');
  await says(page, 'Couplers');
  const paths = follows(page).getByRole('region', { name: 'Two paths' });
  await expect(paths).toContainText('adds up two paths, 1.027 in/out together');
  await expect(paths.getByRole('row').nth(1)).toContainText('34.25 %');
  await expect(paths.getByRole('row').nth(2)).toContainText('65.75 %');
  await expect(paths.getByRole('list')).toContainText('3.000 : 1 in/out is left');
  // A dog of twice the radius takes half the force.
  const pull = follows(page)
    .getByRole('region', { name: 'Couplers at each shift' })
    .getByRole('row')
    .filter({ hasText: 'releases' })
    .getByRole('cell')
    .nth(1);
  const before = Number(await pull.innerText());
  await follows(page).getByLabel('Mean radius, mm').fill('30');
  await expect(pull).toHaveText((before / 2).toPrecision(4));
});

test('a sleeve that jams is shown, dragged, and shortened at a press; undo takes it back', async ({
  page,
  request,
}) => {
  const address = await freshTrain(request, 'pan-rake', (train) => ({
    ...train,
    selectors: [
      {
        id: 'fork',
        name: 'fork',
        spans: [
          { coupler: 'first', from: 0, to: 9 },
          { coupler: 'second', from: 7.5, to: 16 },
        ],
      },
    ],
  }));
  await page.goto(`${address}/shifting`);
  await says(page, 'Travel');
  const travel = follows(page).getByRole('region', { name: 'Travel of fork' });
  await expect(travel.getByRole('list').first().getByRole('listitem')).toHaveText([
    /0 to 7.5 mm.*position 1: 4\.923 : 1/,
    /7.5 to 9 mm.*locked/,
    /9 to 16 mm.*position 2: 2\.837 : 1/,
  ]);
  const jam = follows(page).getByRole('region', { name: 'Where it jams' });
  await expect(jam).toContainText('From 7.5 to 9 mm');
  await expect(jam).toContainText('lock it');
  await jam.getByRole('button', { name: /^Do it: Let .* end 2.5 mm sooner; 1 mm of neutral is left/ }).click();
  await expect(jam).toBeHidden();
  await expect(travel.getByRole('listitem').nth(1)).toContainText('neutral');
  await saved(page);
  // Dragged by the keyboard into the other again, and undone as one step.
  await travel
    .getByRole('slider', { name: / ends$/ })
    .first()
    .focus();
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowRight');
  await expect(jam).toContainText('From 7.5 to 8.5 mm');
  await page.keyboard.press('Control+z');
  await expect(jam).toBeHidden();
  await page.keyboard.press('Control+z');
  await expect(jam).toContainText('From 7.5 to 9 mm');
});

test(
  'sliding wheels have spans by their face widths, given on the Bench, ' +
    'and stations; taken over they are the train’s',
  async ({ page, request }) => {
    const address = await freshTrain(request, 'pan-rake');
    await page.goto(`${address}/shifting`);
    await says(page, 'Travel');
    await expect(follows(page)).toContainText('Give the wheels of its sliding meshes face widths');
    await page.keyboard.press('Shift+Digit1');
    for (const words of ['countershaft, 14', 'reverse idler, 21', 'output shaft, 37']) {
      await gear(page, words).first().click({ button: 'right' });
      await page.getByLabel('Face width').fill('8');
      await page.getByLabel('Face width').press('Enter');
      await page.keyboard.press('Escape');
    }
    await page.keyboard.press('Shift+Digit3');
    await follows(page).getByRole('button', { name: 'Use these spans' }).first().click();
    await saved(page);
    const { train } = (await (await request.get(`/api${address}`)).json()) as {
      train: { selectors: { spans: object[] }[] };
    };
    // The idler slides into both at once: its faces overlap theirs from 8 mm before to 8 mm behind.
    expect(train.selectors[0]!.spans).toEqual([
      { coupler: 'idler-a', from: -8, to: 8 },
      { coupler: 'idler-b', from: -8, to: 8 },
    ]);
  },
);

test(
  'a winch with too much on its drum stalls, and what it would take is ' +
    'said; by hand it goes down through the drum',
  async ({ page, request }) => {
    await page.goto(await threeSpeedBox(request));
    await page.getByLabel('Begin with').selectOption({ label: 'Winch with a weight' });
    await expect(follows(page)).toContainText('It neither hunts nor chatters nor stalls.');
    await field(page, 'of').fill('8');
    // 8 kg on 80 mm are 3.138 N·m; 0.6 N·m of the motor take 5.230.
    await expect(follows(page)).toContainText('Stalls on this load in 1, 2 and 3.');
    await expect(follows(page)).toContainText('A motor held near a stall burns.');
    await expect(follows(page)).toContainText(/takes more than\s+5\.23\d\s+: 1 in\/out from this motor; 1 has 4\.000/);
    await expect(runPane(page).getByRole('list', { name: 'What happened' })).toContainText('it stalls in 1');
    await page.getByLabel('Mass').selectOption({ label: 'weight on a drum, let down' });
    await expect(follows(page)).not.toContainText('Stalls on this load');
    await page.getByLabel('Mass').selectOption({ label: 'weight on a drum, raised' });
    await field(page, 'of').fill('1');
    await field(page, 'Shifts (s, position)').fill('4, 3\n12, 1');
    await page.getByLabel('The selector goes').selectOption({ label: 'drum: one after another' });
    await ran(page, '20 s, 4 shifts');
    await runPane(page)
      .getByRole('button', { name: /shift from 2 to 3 begins/ })
      .click();
    await expect(page.getByRole('slider', { name: 'Time that is looked at' })).toHaveAttribute(
      'aria-valuetext',
      /^4\.\d\d s$/,
    );
  },
);

test('what is wrong stands at its field, and what stood before stays; limits are said', async ({ page, request }) => {
  await page.goto(await threeSpeedBox(request));
  const wrong = async (label: string, text: string, message: string | RegExp) => {
    const before = await field(page, label).inputValue();
    await field(page, label).fill(text);
    await expect(alert(page)).toContainText([message]);
    await expect(page.getByRole('group', { name: 'Output torque over output speed' })).toBeVisible();
    await field(page, label).fill(before);
    await expect(alert(page)).toHaveCount(0);
  };
  await wrong('Stall torque', '0', 'a number above 0');
  await wrong('Constant', 'much', 'is a number from');
  await wrong('2 up to 3 at', '0.2', 'is left upward at 0.2, which must lie above');
  await wrong('A run lasts', '100000', 'at most 3600');
  await page.getByLabel('Its line').selectOption({ label: 'measured line' });
  await wrong('Measured line (rpm, N·m)', '0, 1\n100, 0.8\n50, 0.4', 'must rise from point to point');
  await field(page, 'Measured line (rpm, N·m)').fill('0, 0.5\n100, 0.8\n200, 0');
  await expect(page.getByText('Its torque rises with speed somewhere.')).toBeVisible();
  await ran(page, /^60 s/);
  await page.getByLabel('Shift cue').selectOption({ label: 'by hand, at times' });
  await wrong('Shifts (s, position)', '3, ninth', 'Position "ninth" is not in order');
  // The same list as a file of figures, with a head.
  await page.getByLabel('Measured line: open a CSV file').setInputFiles({
    name: 'bench.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('rpm,Nm\n0,0.6\n250,0\n'),
  });
  await expect(field(page, 'Measured line (rpm, N·m)')).toHaveValue('0, 0.6\n250, 0');
});

test('a scenario is kept with its train and is a file; a reading says what the box eats; samples come as CSV', async ({
  page,
  request,
}) => {
  await page.goto(await threeSpeedBox(request));
  await page.getByText('One reading with the box on').click();
  await field(page, 'It turns, unloaded, at').fill('225');
  await expect(page.getByText('Gearbox drag: 0.06000 N·m at the motor, 1.414 W lost.')).toBeVisible();
  await page.getByRole('button', { name: 'Use the motor as it comes through the box' }).click();
  await expect(field(page, 'Stall torque')).toHaveValue('0.54');
  await field(page, 'Name of the scenario').fill('Ramp, worn box');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('“Ramp, worn box” is saved with this train.')).toBeVisible();
  await field(page, 'Stall torque').fill('3');
  await page.reload();
  await expect(field(page, 'Stall torque')).toHaveValue('3');
  await page.getByLabel('Open a saved scenario').selectOption({ label: 'Ramp, worn box' });
  await expect(field(page, 'Stall torque')).toHaveValue('0.54');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as a file' }).click(),
  ]);
  expect(file.suggestedFilename()).toBe('ramp-worn-box.scenario.json');
  const written = JSON.parse(readFileSync(await file.path(), 'utf8')) as { motor: object };
  expect(written.motor).toEqual({ kind: 'linear', stallTorqueNm: 0.54, noLoadRpm: 225, supply: 1 });
  await ran(page, /^60 s/);
  await runPane(page).getByRole('button', { name: 'Table' }).click();
  const [samples] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'All 6001 samples as CSV' }).click(),
  ]);
  const lines = readFileSync(await samples.path(), 'utf8')
    .trim()
    .split(/\r?\n/);
  expect(lines[0]).toBe('timeS,inputRpm,outputRpm,inputTorqueNm,outputTorqueNm,powerShare,read,position');
  expect(lines).toHaveLength(6002);
});

test('the load is dragged, the run plays on the side view, another box runs beside it; everyone can read it', async ({
  page,
  request,
}) => {
  await page.goto(`${await freshTrain(request, 'pan-rake')}/shifting`);
  await ran(page, /^60 s/);
  const load = handle(page, 'Load, its constant part');
  const at = (await load.boundingBox())!;
  await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2);
  await page.mouse.down();
  await page.mouse.move(at.x + at.width / 2, at.y - 60, { steps: 5 });
  await page.mouse.up();
  const dragged = Number(await field(page, 'Constant').inputValue());
  expect(dragged).toBeGreaterThan(0.3);
  await expect(follows(page)).toContainText('Stalls on this load in 4.');
  await runPane(page).getByLabel('Another train on the same motor and load').focus();
  await runPane(page)
    .getByLabel('Another train on the same motor and load')
    .selectOption({ label: 'Salt conveyor shifter' });
  await expect(runPane(page).getByRole('table', { name: 'Runs side by side' })).toContainText('Salt conveyor shifter');
  const time = page.getByRole('slider', { name: 'Time that is looked at' });
  await time.focus();
  await page.keyboard.press('Home');
  await page.getByRole('button', { name: 'Play the run' }).click();
  await expect.poll(async () => Number(await time.getAttribute('aria-valuenow'))).toBeGreaterThan(0.5);
  await page.getByRole('button', { name: 'Pause' }).click();
  await page.keyboard.press('3');
  await expect(
    page.getByRole('group', { name: 'Position whose power is drawn' }).getByRole('button', { name: '3' }),
  ).toHaveAttribute('aria-pressed', 'true');
  expect(await faultsOf(page)).toEqual([]);
});

test('sleeves are named and typed in mm, couplers go from one to another, what is typed is undone', async ({
  page,
  request,
}) => {
  await page.goto(`${await freshTrain(request, 'pan-rake')}/shifting`);
  await says(page, 'Travel');
  const pane = follows(page);
  await pane.getByRole('button', { name: 'Add a sleeve' }).click();
  await pane.getByRole('button', { name: 'Add a drum' }).click();
  const named = pane.getByLabel('Name of sleeve');
  await named.fill('front fork');
  await named.press('Enter');
  const [front, drum] = ['front fork', 'drum'].map((name) => pane.getByRole('region', { name: `Travel of ${name}` }));
  await pane.getByLabel('First is on').selectOption('front fork');
  await pane.getByLabel('Second is on').selectOption('front fork');
  await expect(front!.getByRole('listitem').filter({ hasText: '4.923 : 1' })).toContainText('0 to 6 mm');
  await front!.getByLabel('Second from, mm').fill('9.5');
  await front!.getByLabel('Second from, mm').press('Tab');
  await expect(front!.getByRole('listitem').filter({ hasText: '2.837 : 1' })).toContainText('9.5 to 14 mm');
  await front!.getByLabel('Second to, mm').fill('3');
  await expect(front!.getByLabel('Second to, mm')).toHaveAttribute('aria-invalid', 'true');
  await front!.getByLabel('Second to, mm').press('Tab');
  await expect(front!.getByLabel('Second to, mm')).toHaveValue('14');
  // Dragged onto the drum, it keeps its stretch.
  const handle = (await front!.getByTitle('Drag Second onto another sleeve').boundingBox())!;
  const goal = (await drum!.boundingBox())!;
  await page.mouse.move(handle.x + 6, handle.y + 6);
  await page.mouse.down();
  await page.mouse.move(handle.x + 20, handle.y + 30, { steps: 4 });
  await page.mouse.move(goal.x + 60, goal.y + goal.height / 2, { steps: 8 });
  await page.mouse.up();
  await expect(drum!.getByLabel('Second from, mm')).toHaveValue('9.5');
  await expect(front!.getByLabel('Second from, mm')).toHaveCount(0);
  // What is typed at the left is undone in one order with it.
  const load = page.getByLabel('Constant', { exact: true }).or(page.getByRole('textbox', { name: /^Constant N/ }));
  const before = await load.first().inputValue();
  await load.first().fill('0.05');
  await load.first().press('Escape');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(load.first()).toHaveValue(before);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(front!.getByLabel('Second from, mm')).toHaveValue('9.5');
  await page.getByRole('button', { name: 'Redo' }).click();
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(load.first()).toHaveValue('0.05');
});
