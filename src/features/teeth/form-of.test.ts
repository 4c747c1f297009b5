import { readWritten } from '@/core/tooth-search';
import { demoTrain } from '@/testing/demo-train';
import { firstForm, spanAround, writtenSearch, type TeethForm } from './form';
import { teethFormOf } from './form-of';

const train = demoTrain('stirrer');
const first = firstForm(train, null);

const FORMS: Readonly<Record<string, Partial<TeethForm>>> = {
  'a chain as it opens': {},
  'a chain with everything': {
    stages: [2, 4],
    wanted: { ...first.wanted, form: 'tip', speedIn: '1450 rpm', rimSpeed: '30 mm/s', diameter: '1.2 m' },
    wheels: {
      ...first.wheels,
      min: '14',
      max: '90',
      module: '1.5',
      bore: '10',
      wall: '2',
      space: '120',
      undercut: true,
      pressureAngle: '25',
      shift: '0.1',
    },
    coprime: 'required',
    equalCentres: true,
    internal: true,
    turning: 'opposite',
    maxError: '0.05',
  },
  'a chain with limits of its own in each stage': {
    stages: [3, 3],
    perStage: [
      ['12', '40'],
      ['14', '60'],
      ['16', '80'],
    ],
  },
  'a chain out of stock': { wheels: { ...first.wheels, stock: '20 24 36', min: '', max: '' }, same: true },
  'two sets': {
    kind: 'planetary',
    set: { ...first.set, shape: 'stepped' },
    behind: { ...first.set, input: 'ring', held: 'sun' },
  },
  'a progressive ladder': {
    kind: 'ladder',
    ladder: { from: '9/2', to: '0.8', positions: '7', progressive: true, factor: '1.08' },
  },
  ranges: { kind: 'ranges', ranges: { step: '1.3', positions: '6', ranges: '3', first: '5/4' } },
  outputs: { kind: 'outputs', between: [1, 3], toFirst: [2, 5], coaxial: true, motor: '3 rpm' },
  'a fit': {
    kind: 'fit',
    coprime: 'required',
    fit: {
      free: { ...first.fit.free, [train.gears[0]!.id]: { ...spanAround(30, 6), free: true } },
      targets: { slow: { ratio: '3.7', weight: '2' } },
      holdCentres: false,
    },
  },
};

test.each(Object.entries(FORMS))('%s: kept and opened again it asks the same', (_, change) => {
  const form = { ...first, ...change };
  const written = writtenSearch(form, train);
  const read = readWritten(JSON.parse(JSON.stringify(written)));
  expect(read).toMatchObject({ ok: true });
  // Opened over a form that asks something else altogether.
  const other: TeethForm = {
    ...first,
    kind: 'ladder',
    stages: [1, 5],
    equalCentres: true,
    same: true,
    maxError: '3',
    perStage: [['9', '9']],
  };
  expect(writtenSearch(teethFormOf(written, other), train)).toEqual(written);
});

test('a stock is typed with ranges, a ratio as one number to another', () => {
  const read = (stock: string) => writtenSearch({ ...first, wheels: { ...first.wheels, stock } }, train).teeth?.stock;
  expect(read('17 20-24, 30')).toEqual([17, 20, 21, 22, 23, 24, 30]);
  expect(read('20 – 22')).toEqual([20, 21, 22]);
  for (const wrong of ['24-20', '10-9000', '12 x'])
    expect(readWritten(writtenSearch({ ...first, wheels: { ...first.wheels, stock: wrong } }, train)).ok).toBe(false);
  const target = (ratio: string) =>
    writtenSearch({ ...first, wanted: { ...first.wanted, form: 'ratio', ratio } }, train).wanted;
  expect(target('3:1')).toEqual({ form: 'ratio', ratio: '3' });
  expect(target('360 : 7')).toEqual({ form: 'ratio', ratio: '360/7' });
});
