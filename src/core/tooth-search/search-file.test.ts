import { readSearch } from './search-file';
import { searchManyStages } from './many-stages';
import { toFraction } from '../rational';
import { refusalText } from '../result';
import { KEY, spoiled } from '@/testing/spoiled';

const SPEC = { format: 'tin-wheel/search', version: 1, target: '9.87', stages: 2, teeth: { min: 15, max: 60 } };
const told = (spec: unknown): string => {
  const read = readSearch(typeof spec === 'string' ? spec : JSON.stringify(spec));
  return read.ok ? 'read' : refusalText(read);
};

test.each([
  ['{', /^This is not JSON/],
  [{ ...SPEC, format: 'other' }, /^format: The format must be "tin-wheel\/search"/],
  [{ ...SPEC, target: '0' }, /^target: the ratio must be above 0/],
  [{ ...SPEC, target: '-3/2' }, /^target: the ratio must be above 0/],
  [{ ...SPEC, target: 'three' }, /^target: "three" is no number/],
  [{ ...SPEC, target: '1e13' }, /^target: the ratio can be at most 10\^12/],
  [{ ...SPEC, target: undefined }, /^target: give the wanted ratio/],
  [{ ...SPEC, stages: 9 }, /^stages: .* from 1 to 5/],
  [{ ...SPEC, stages: [4, 2] }, /^stages: /],
  [{ ...SPEC, teeth: { min: 60, max: 15 } }, /^teeth: The smallest wheel is larger than the largest/],
  [{ ...SPEC, teeth: undefined }, /^Say which wheels there are/],
  [{ ...SPEC, teeth: undefined, stock: [] }, /^stock: The stock is empty/],
  [{ ...SPEC, stock: [12] }, /^teeth and stock: give one of them/],
  [{ ...SPEC, teeth: { min: 1, max: 100_000 } }, /^teeth: 100000 different wheels are too many/],
  [{ ...SPEC, extra: 1 }, /^There is no such field: extra/],
  [{ ...SPEC, 'two\nlines': 1 }, /^There is no such field: two lines\.$/],
  [{ ...SPEC, stages: undefined }, /^Say what is looked for/],
  [{ ...SPEC, ladder: { from: '1', to: '2', positions: 3 } }, /^Ask for one of stages and ladder/],
  [
    { format: SPEC.format, version: 1, teeth: SPEC.teeth, ladder: { from: '1', to: '2', positions: 1 } },
    /at least 2 positions/,
  ],
  [
    { format: SPEC.format, version: 1, fit: { train: 'a.json', free: {}, targets: { 1: '2' } } },
    /^fit.free: free at least one gear/,
  ],
  [
    { format: SPEC.format, version: 1, fit: { train: 'a.json', free: { a: [9, 3] }, targets: { 1: '2' } } },
    /^fit.free.a: /,
  ],
  [
    { format: SPEC.format, version: 1, fit: { train: 'a.json', free: { a: [3, 9] }, targets: { 1: '0' } } },
    /^fit.targets.1: the ratio must be above 0/,
  ],
  [
    {
      format: SPEC.format,
      version: 1,
      fit: { train: 'a.json', free: { a: [3, 9] }, targets: { 1: '2' }, weights: { 2: 1 } },
    },
    /^fit.weights: position "2" has no target/,
  ],
])('%j is refused with its place', (spec, message) => {
  expect(told(spec)).toMatch(message);
});

test('a set whose members are not three is refused', () => {
  const planetary = {
    input: 'sun',
    output: 'sun',
    held: 'ring',
    sun: [12, 60],
    planet: [12, 60],
    ring: [12, 200],
    copies: [3, 4],
  };
  expect(told({ format: SPEC.format, version: 1, target: '4', planetary })).toMatch(/three different members/);
  expect(told({ format: SPEC.format, version: 1, target: '4', planetary: { ...planetary, output: 'carrier' } })).toBe(
    'read',
  );
});

test('several numbers of stages: each ratio once, by the chain of fewest teeth, stock however written', () => {
  for (const wheels of [{ stock: [12, 18, 24, 36] }, { teeth: { stock: [36, 24, 18, 12, 12] } }]) {
    const read = readSearch(
      JSON.stringify({ ...SPEC, teeth: undefined, ...wheels, target: 3, stages: [1, 3], limit: 4 }),
    );
    if (!read.ok || read.value.kind !== 'chains') throw new Error('must be read as chains');
    expect(read.value.question.wheels).toEqual([12, 18, 24, 36]);
    const { results } = searchManyStages(read.value.stages, read.value.question);
    expect(toFraction(results[0]!.ratio)).toBe('3');
    expect(results[0]!.made).toEqual([[12, 36]]);
    expect(new Set(results.map(({ ratio }) => toFraction(ratio))).size).toBe(4);
  }
});

test.each([
  {
    ...SPEC,
    teeth: { ...SPEC.teeth, module: 1, bore: 5, wall: 2, space: 90, undercut: { pressureAngle: 20, shift: 0 } },
  },
  { ...SPEC, perStage: [{ min: 12, max: 40 }, { stock: [12, 18] }], equalCentres: true, same: false, maxError: 0.1 },
  { ...SPEC, coprime: 'any', internal: true, turning: 'same', limit: 4, timeS: 3 },
  { ...SPEC, stages: undefined, ladder: { from: '4', to: 1, positions: 3, steps: 'progressive', factor: 1.1 } },
  { ...SPEC, stages: undefined, ranges: { step: 1.2, positions: 3, ranges: 2, first: 1 } },
  { ...SPEC, outputs: [{ name: 'slow', wanted: { form: 'turns', in: '3', out: '1' } }], target: undefined },
  { ...SPEC, stages: undefined, fit: { train: 'a', free: { a: [1, 2] }, targets: { 1: 2 }, weights: { 1: 1 } } },
])('what is wrong with a search is said in words, never by keys of its file: %#', (spec) => {
  for (const wrong of spoiled(JSON.parse(JSON.stringify(spec)))) {
    const read = readSearch(JSON.stringify(wrong));
    if (!read.ok) expect(read.problems[0].message).not.toMatch(KEY);
  }
});
