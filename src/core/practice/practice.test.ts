import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { bruteForce } from '@/testing/all-subsets';
import { demoTrain } from '@/testing/demo-train';
import { abs, compare, fraction, inverse, mul, parseRational, sign, toFraction, type Rational } from '../rational';
import type { Train } from '../train';
import { practise, SKILLS, type Question, type Skill } from '.';

const DEMO = [
  'pan-rake',
  'mud-tram',
  'harvester',
  'stirrer',
  'ferry-hub',
  'conveyor-shifter',
  'sluice-winch',
  'crawler',
] as const;
const size = (ratio: Rational): string => toFraction(abs(ratio));
const placeOf = (train: Train, { position }: Question) => train.positions.find(({ id }) => id === position)!;

/** The answer of a question again, by the brute force that tries every set of one-way clutches; undefined where this route has none. */
function again(train: Train, question: Question): string | readonly string[] | undefined {
  const numbers = (question.text.match(/\d+/g) ?? []).map(Number);
  const brute = question.position === null ? null : bruteForce(train, new Set(placeOf(train, question).engaged));
  const ratio = brute?.ratio ?? null;
  switch (question.skill as Skill) {
    case 'pair': {
      const [driver, driven] = numbers;
      return toFraction(fraction(driven!, driver!));
    }
    case 'way':
      return sign(ratio!) > 0 ? 'same way' : 'reverse';
    case 'faster':
      return ['faster', 'as fast', 'slower'][1 + compare(abs(ratio!), fraction(1, 1))];
    case 'torque-change':
      return ['less', 'as much', 'more'][1 + compare(abs(ratio!), fraction(1, 1))];
    case 'ratio':
      return size(ratio!);
    case 'turns': {
      const crank = Number(/makes (\d+) turns/.exec(question.text)![1]);
      return size(mul(fraction(crank, 1), inverse(ratio!)));
    }
    case 'torque': {
      const put = Number(/: (\d+) N·m are put in/.exec(question.text)![1]);
      return size(mul(fraction(put, 1), ratio!));
    }
    case 'order': {
      const ratios = new Map(train.positions.map(({ id, engaged }) => [id, bruteForce(train, new Set(engaged)).ratio]));
      return [...(question.answer.value as readonly string[])].sort((a, b) => compare(ratios.get(b)!, ratios.get(a)!));
    }
    case 'change': {
      const value = question.answer.value as readonly string[];
      const from = placeOf(train, question).engaged;
      // What is put in and let go, applied to where it begins, leads to a position by the name that was asked for.
      const to = [...from.filter((id) => !value.includes(id)), ...value.filter((id) => !from.includes(id))].sort();
      const name = / to (.*): which elements/.exec(question.text)![1];
      return train.positions.some((one) => (one.name || one.id) === name && [...one.engaged].sort().join() === to.join()) ? value : []; // prettier-ignore
    }
    default:
      return undefined;
  }
}

function sound(train: Train, question: Question): void {
  const { answer, slips } = question;
  const expected = again(train, question);
  if (expected !== undefined) expect([question.text, answer.value]).toEqual([question.text, expected]);
  expect(question.working.length).toBeGreaterThan(0);
  expect(new Set(slips.map(({ value }) => value)).size).toBe(slips.length);
  // No slip is ever right, and no two choices are.
  for (const { value } of slips) expect(value).not.toBe(answer.value);
  if (answer.kind === 'choice') {
    expect(answer.choices.filter((one) => one === answer.value)).toHaveLength(1);
    for (const { value } of slips) expect(answer.choices).toContain(value);
  }
  if (answer.kind === 'number') {
    expect(parseRational(answer.value)!.n).toBeGreaterThan(0n);
    for (const { value } of slips) expect(parseRational(value)!.n).toBeGreaterThan(0n);
  }
}

test('every question of the demo trains and of 200 random ones, worked out again by another way', () => {
  const seen = new Set<string>();
  for (const name of DEMO)
    for (const question of practise(demoTrain(name), { seed: 7, count: 30 }).questions) {
      sound(demoTrain(name), question);
      seen.add(question.skill);
    }
  fc.assert(
    fc.property(arbitraryTrain({ oneWays: true }), fc.integer({ min: 0, max: 1_000_000 }), (train, seed) => {
      for (const question of practise(train, { seed, count: 10 }).questions) sound(train, question);
    }),
    { numRuns: 200 },
  );
  expect([...seen].sort()).toEqual(Object.keys(SKILLS).sort());
});

test('the same seed asks the same, another one something else; one question is not asked twice', () => {
  const ask = (seed: number) => practise(demoTrain('mud-tram'), { seed, count: 20 }).questions;
  expect(ask(7)).toEqual(ask(7));
  expect(ask(7).map(({ text }) => text)).not.toEqual(ask(8).map(({ text }) => text));
  expect(new Set(ask(7).map(({ text }) => text)).size).toBe(20);
  expect(ask(7).map(({ id }) => id)).toEqual(Array.from({ length: 20 }, (_, i) => `q${i + 1}`));
});

test('one skill alone; what a train cannot be asked is skipped, and said', () => {
  const only = practise(demoTrain('pan-rake'), { seed: 1, count: 5, skill: 'torque' });
  expect(only.questions.map(({ skill }) => skill)).toEqual(Array(5).fill('torque'));
  const winch = practise(demoTrain('sluice-winch'), { seed: 1, count: 40 });
  expect(winch.questions).toHaveLength(40);
  // One position and no coupler: nothing to put in order, to change or to engage.
  expect(winch.skipped).toEqual(expect.arrayContaining(['order', 'change', 'status']));
  expect(practise(demoTrain('sluice-winch'), { seed: 1, count: 5, skill: 'order' })).toEqual({ questions: [], skipped: ['order'] }); // prettier-ignore
});

test('slips by hand: first of the rake is 32/19 · 38/13', () => {
  const all = practise(demoTrain('pan-rake'), { seed: 3, count: 40, skill: 'ratio' }).questions;
  const first = all.find(({ position }) => position === '1')!;
  expect(first.answer).toEqual({ kind: 'number', value: '64/13' });
  const slip = (value: Rational) => first.slips.find((one) => one.value === toFraction(value))?.slip;
  expect(slip(fraction(13, 64))).toBe('upside-down');
  expect(slip(fraction(32, 19))).toBe('stage-left-out');
  expect(slip(fraction(38, 13))).toBe('stage-left-out');
  expect(slip(fraction(32 * 13 + 38 * 19, 19 * 13))).toBe('added');
  expect(slip(fraction(640, 13))).toBe('factor-of-ten');
});
