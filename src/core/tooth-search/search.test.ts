import { checkDesign } from '../checks';
import { countershaftBox } from '@/testing/countershaft-box';
import { demoTrain } from '@/testing/demo-train';
import { networkOf } from '../kinematics';
import { abs, sign, toFraction, toNumber } from '../rational';
import { solveEngaged } from '../solve';
import type { Train } from '../train';
import { countsText } from './findings';
import { search } from './search';
import { readWritten } from './search-file';
import { trainOfFinding } from './train-of-finding';
import type { SearchQuestion } from './question';
import { modelOf } from '../model';
import { refusalText } from '../result';

const HEAD = { format: 'tin-wheel/search', version: 1 };

function questionOf(written: object): SearchQuestion {
  const read = readWritten({ ...HEAD, ...written });
  if (!read.ok) throw new Error(refusalText(read));
  return read.value;
}

function trainOf(question: SearchQuestion, place = 0, open: Train | null = null): Train {
  const finding = search(question, open).findings[place]!;
  const edit = trainOfFinding(question, finding, 'Found at the saltworks', open);
  if (!edit.ok) throw new Error(edit.message);
  return edit.train;
}

/** Input over output as the train solves it, in its first position or with nothing engaged. */
const solvedRatio = (train: Train) => solveEngaged(modelOf(train).open, train.positions[0]?.engaged ?? []).ratio!;

const teeth = { min: 12, max: 60 };

test.each([
  ['two stages', { target: '9.87', stages: 2, teeth }, null],
  ['with an idler', { target: '9.87', stages: 2, teeth, turning: 'opposite' }, -1],
  ['with a wheel inside', { target: '9.87', stages: 2, teeth, turning: 'opposite', internal: true }, -1],
  ['three turning the same way', { target: '31.4', stages: 3, teeth, turning: 'same' }, 1],
  ['between the same two shafts', { target: '6', stages: 2, teeth, equalCentres: true }, null],
  [
    'inside and outside between the same two',
    { target: '6.1', stages: 2, teeth, equalCentres: true, internal: true, turning: 'opposite' },
    -1,
  ],
  [
    'a set',
    {
      target: '4.2',
      planetary: {
        input: 'sun',
        output: 'carrier',
        held: 'ring',
        sun: [12, 60],
        planet: [12, 60],
        ring: [12, 200],
        copies: [3, 4],
      },
    },
    1,
  ],
  [
    'stepped',
    {
      target: '4.2',
      planetary: {
        shape: 'stepped',
        input: 'sun',
        output: 'carrier',
        held: 'ring',
        sun: [14, 24],
        planet: [14, 24],
        second: [12, 20],
        ring: [12, 200],
        copies: [3, 3],
      },
    },
    1,
  ],
  [
    'a double pinion',
    {
      target: '2.6',
      planetary: {
        shape: 'double-pinion',
        input: 'sun',
        output: 'ring',
        held: 'carrier',
        sun: [20, 30],
        planet: [14, 20],
        second: [14, 20],
        ring: [60, 80],
        copies: [2, 3],
      },
    },
    1,
  ],
  [
    'two sets in series',
    {
      target: '16.4',
      planetary: {
        input: 'sun',
        output: 'carrier',
        held: 'ring',
        sun: [14, 24],
        planet: [14, 24],
        ring: [12, 200],
        copies: [3, 3],
        behind: {
          input: 'sun',
          output: 'ring',
          held: 'carrier',
          sun: [14, 24],
          planet: [14, 24],
          ring: [12, 200],
          copies: [3, 3],
        },
      },
    },
    -1,
  ],
] as const)('%s: as a train it gives the ratio that was found, the way that was wanted', (_, written, way) => {
  const question = questionOf(written);
  const { findings } = search(question, null);
  expect(findings.length).toBeGreaterThan(0);
  for (const [i, finding] of findings.slice(0, 5).entries()) {
    const train = trainOf(question, i);
    const ratio = solvedRatio(train);
    expect(toFraction(abs(ratio))).toBe(toFraction(abs(finding.ratios[0]!.ratio)));
    if (way !== null) expect(sign(ratio)).toBe(way);
    expect(countsText(finding)).toMatch(/\d/);
    // What is found can be made: no check calls it wrong.
    expect(checkDesign(train).filter(({ weight }) => weight === 'wrong')).toEqual([]);
  }
});

test('a ladder, its ranges and several dials are trains whose positions and outputs give what was found', () => {
  const ladder = questionOf({ teeth, ladder: { from: '4', to: '1', positions: 5 } });
  const ranges = questionOf({ teeth: { min: 12, max: 90 }, ranges: { step: 1.25, positions: 3, ranges: 3 } });
  for (const question of [ladder, ranges]) {
    const [finding] = search(question, null).findings;
    const train = trainOf(question);
    const solved = modelOf(train).positions();
    expect(train.positions.map(({ id }) => toFraction(abs(solved.get(id)!.ratio!)))).toEqual(
      finding!.ratios.map(({ ratio }) => toFraction(ratio)),
    );
    expect(checkDesign(train).filter(({ weight }) => weight === 'wrong')).toEqual([]);
  }
  // By hand: 1.25 cubed is 1.953125 from range to range.
  const factors = search(ranges, null).findings[0]!.ratios.map(({ ratio }) => toNumber(ratio));
  [1.953125 ** 2, 1.953125, 1].forEach((factor, i) => expect(Math.abs(factors[i]! / factor - 1)).toBeLessThan(0.02));

  const dials = questionOf({
    teeth,
    outputs: [
      { name: 'fast', target: '5' },
      { name: 'slow', target: '37.2' },
    ],
  });
  const [finding] = search(dials, null).findings;
  const train = trainOf(dials);
  const solved = solveEngaged(modelOf(train).open, []);
  expect(train.outputs).toEqual(['fast', 'slow']);
  const { speeds } = solved.state;
  const { memberIds } = networkOf(train);
  finding!.ratios.forEach(({ name, ratio }) => {
    const [input, output] = ['input', name].map((id) => toNumber(speeds.of(memberIds.indexOf(id))!));
    expect(Math.abs(input! / output!)).toBeCloseTo(toNumber(ratio), 9);
  });
});

test('a fit gives the open train with other counts, one step that holds what has to hold', () => {
  const train = demoTrain('stirrer');
  const free = Object.fromEntries(
    train.gears.map((gear) => [gear.id, [Math.max(12, gear.teeth - 12), gear.teeth + 12]]),
  );
  const question = questionOf({ fit: { free, targets: { slow: '3.7' } } });
  const fitted = trainOf(question, 0, train);
  const { findings } = search(question, train);
  expect(toFraction(modelOf(fitted).positions().get('slow')!.ratio!)).toBe(toFraction(findings[0]!.ratios[0]!.ratio));
  const wrong = (one: Train) =>
    checkDesign(one)
      .filter(({ weight }) => weight === 'wrong')
      .map(({ kind }) => kind);
  expect(wrong(fitted)).toEqual(wrong(train));
});

test('centre distances are held where that is asked, and every choice that holds them was tried', () => {
  const box = countershaftBox([
    [
      [20, 40],
      [30, 30],
    ],
    [[20, 50]],
  ]);
  const free = { 'a1 driver': [15, 25], 'a1 driven': [30, 50], 'a2 driver': [22, 38], 'a2 driven': [22, 38] };
  const question = questionOf({ limit: 1, fit: { free, targets: { 1: '5.5', 2: '2.4' }, holdCentres: true } });
  const { findings, proven } = search(question, box);
  let best = Infinity;
  for (let a = 15; a <= 25; a++)
    for (let b = 30; b <= 50; b++)
      for (let c = 22; c <= 38; c++) {
        const d = a + b - c;
        if (d < 22 || d > 38) continue;
        best = Math.min(best, Math.max(Math.abs(((b / a) * 2.5) / 5.5 - 1), Math.abs(((d / c) * 2.5) / 2.4 - 1)));
      }
  expect(proven).toBe(true);
  expect(findings[0]!.error).toBeCloseTo(best, 12);
});

test.each([
  [
    { target: '200', stages: 2, teeth },
    /2 stages of these wheels reach from 0.04000 to 25.00, and 200.0 lies beyond: take 4 stages, or a wheel of 170 on a pinion of 12/,
  ],
  [{ target: '30', stages: 2, teeth: { stock: [20, 40, 60] } }, /reach from 0.1111 to 9.000/],
  [{ target: '3', stages: 2, teeth: { stock: [20, 40, 60] }, coprime: 'required' }, /no chain with no common factor/],
  [
    { target: '3.1', stages: 2, teeth, same: true, maxError: 1e-9 },
    /“The same pair in every stage” and “the largest error” exclude each other/,
  ],
  [
    { target: '3.1', stages: 2, teeth: { stock: [20, 31, 62] }, equalCentres: true, maxError: 1e-6 },
    /“All stages between the same two shafts” and “the largest error” exclude each other/,
  ],
  [
    { target: '6', stages: 2, teeth, equalCentres: true, turning: 'opposite' },
    /exclude each other: an idler would move the shafts apart/,
  ],
  [
    {
      target: '4',
      planetary: {
        input: 'sun',
        output: 'carrier',
        held: 'ring',
        sun: [12, 12],
        planet: [60, 60],
        ring: [12, 200],
        copies: [5, 6],
      },
    },
    /No set within these spans/,
  ],
  [
    { teeth: { stock: [20, 30] }, ladder: { from: '4', to: '1', positions: 5 } },
    /No centre distance has 5 different pairs/,
  ],
] as const)('%j: says why nothing, or nothing near, is found', (written, message) => {
  expect(search(questionOf(written), null).why).toMatch(message);
});

test('what is refused names its place', () => {
  const told = (written: object) => {
    const read = readWritten({ ...HEAD, ...written });
    return read.ok ? 'read' : refusalText(read);
  };
  expect(told({ wanted: { form: 'period', in: '12', time: 'soon' }, stages: 2, teeth })).toMatch(
    /^wanted.time: Write the time/,
  );
  expect(told({ target: '3', wanted: { form: 'ratio', ratio: '3' }, stages: 2, teeth })).toMatch(/give one of them/);
  expect(told({ target: '3', stages: 3, perStage: [teeth, teeth] })).toMatch(
    /^perStage: 2 limits are given for 3 stages/,
  );
  expect(told({ target: '3', stages: 2, teeth: { ...teeth, module: 1, bore: 90 } })).toMatch(
    /^teeth: No wheel is left: the bore of 90 mm/,
  );
  expect(
    told({
      outputs: [
        { name: 'a', target: '3' },
        { name: 'a', target: '4' },
      ],
      teeth,
    }),
  ).toMatch(/two shafts are called “a”/);
  expect(told({ ranges: { step: 1.2, positions: 4, ranges: 1 }, teeth })).toMatch(/at least 2 ranges/);
  expect(
    told({
      target: '4',
      planetary: {
        shape: 'stepped',
        input: 'sun',
        output: 'carrier',
        held: 'ring',
        sun: [12, 20],
        planet: [12, 20],
        ring: [30, 90],
        copies: [3, 3],
      },
    }),
  ).toMatch(/planetary.second/);
  expect(told({ target: '3', stages: 2, perStage: [teeth, { stock: [20, 30] }] })).toBe('read');
});
