import { toNumber } from '@/core/rational';
import { refusalText } from '@/core/result';
import { readSchemeFile } from '@/core/schemes';
import { demoTrain } from '@/testing/demo-train';
import { setsOfTrain } from '@/core/schemes';
import { addressOfSets, setsInAddress } from '@/features/train/scheme-address';
import { firstForm, formOfFile, formOfSets, ladder, newSet, readForm, writtenForm } from './form';

test('what is typed at first asks something', () => {
  const read = readForm(firstForm());
  if (!read.ok) throw new Error(refusalText(read));
  const { question } = read.value;
  expect(question.forward.map(toNumber)).toEqual([2.6, 1.6, 1]);
  expect(question.tolerance).toBeCloseTo(0.05, 12);
  expect([question.atMost, question.brakes, question.engaged, question.single]).toEqual([5, null, 2, 'preferred']);
});

test('positions from a first ratio over a spread: even steps, or steps that shrink', () => {
  const form = { positions: '5', first: '4', spread: '16', steps: 'even' as const };
  const even = ladder(form).map(Number);
  expect(even).toHaveLength(5);
  for (const [i, ratio] of even.entries()) expect(ratio).toBeCloseTo(4 / 2 ** i, 3);
  const progressive = ladder({ ...form, steps: 'progressive' }).map(Number);
  expect(progressive[0]! / progressive[4]!).toBeCloseTo(16, 2);
  const steps = progressive.slice(1).map((ratio, i) => progressive[i]! / ratio);
  expect(steps).toEqual([...steps].sort((a, b) => b - a));
  expect(ladder({ ...form, positions: '2.5' })).toEqual([]);
});

test('what cannot be asked is told where it was typed', () => {
  const wrong = (change: Partial<ReturnType<typeof firstForm>>) => {
    const read = readForm({ ...firstForm(), ...change });
    return read.ok ? 'read' : refusalText(read);
  };
  expect(wrong({ ratios: '2.6 two' })).toMatch(/wanted\.forward\[1\]: "two" is no ratio/);
  expect(wrong({ memberSpeed: 'fast' })).toMatch(/limits\.memberSpeed/);
  expect(wrong({ sets: [{ ...newSet([]), free: true, least: '3', most: '2' }] })).toMatch(/sets\[0\]/);
  expect(wrong({ sets: [{ ...newSet([]), sun: '' }] })).toMatch(/sets\[0\]/);
});

test('the sets of a train go into an address, and come out of it as they are', () => {
  const address = addressOfSets(demoTrain('mud-tram'), 'tram');
  const params = new URL(address ?? '', 'http://here').searchParams;
  const from = setsInAddress({
    set: params.getAll('set'),
    ratio: params.getAll('ratio'),
    train: params.getAll('train'),
  });
  expect(from?.train).toBe('tram');
  expect(from?.sets.map(({ sun, ring }) => [sun, ring])).toEqual([
    [30, 78],
    [33, 69],
    [40, 80],
  ]);
  for (const train of ['crawler', 'brine-lift', 'draisine-hub'].map(demoTrain)) {
    const { searchParams } = new URL(addressOfSets(train, null) ?? '', 'http://here');
    expect(setsInAddress({ set: searchParams.getAll('set') })?.sets).toEqual(setsOfTrain(train));
  }
  const read = readForm({ ...formOfSets(from?.sets ?? [], from?.forward ?? []), atMost: '7' });
  expect(read.ok && read.value.question.sets).toHaveLength(3);
  expect(setsInAddress({})).toBeNull();
  expect(setsInAddress({ set: 'front,simple,many,78' })).toBeNull();
  expect(setsInAddress({ set: 'front,stepped,30,78' })).toBeNull();
  expect(setsInAddress({ set: 'front,constructor,30,78' })).toBeNull();
  expect(addressOfSets(demoTrain('sluice-winch'), null)).toBeNull();
});

test('a search file is typed in, and written again as it was', () => {
  const form = {
    ...firstForm(),
    sets: [
      { ...newSet([]), kind: 'stepped' as const, planet: '31', second: '17' },
      { ...newSet([]), id: 'rear', free: true, least: '1.5', most: '2.5' },
    ],
    ratios: '3.1, 17/10, 1',
    reverse: 'range' as const,
    brakes: '2',
    engaged: '2',
    single: 'required' as const,
    input: 'rear.ring',
    nested: true,
    efficiency: '94.5',
  };
  const text = JSON.stringify(writtenForm(form));
  const file = readSchemeFile(text);
  if (!file.ok) throw new Error(refusalText(file));
  expect(JSON.parse(JSON.stringify(writtenForm(formOfFile(file.value))))).toEqual(JSON.parse(text));
  expect(readSchemeFile('{"sets":').ok).toBe(false);
});
