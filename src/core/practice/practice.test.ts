import { runs, someOf } from '@/testing/runs';
import fc from 'fast-check';
import { answeredAgain } from '@/testing/answered-again';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { demoTrain } from '@/testing/demo-train';
import { abs, fraction, parseRational, toFraction, toNumber, type Rational } from '../rational';
import type { Train } from '../train';
import {
  skillsWithoutQuestions,
  drill,
  mark,
  practise,
  randomTrain,
  RANDOM_KINDS,
  SKILLS,
  SLIPS,
  subjectOf,
  type PracticeQuestion,
  type Skill,
} from '.';

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

/** Skills whose answer was reached by another route. */
const again = new Set<string>();

function sound(train: Train, question: PracticeQuestion): void {
  const { answer, slips } = question;
  const expected = answeredAgain(train, question);
  if (expected !== undefined) {
    again.add(question.skill);
    expect([question.text, answer.value]).toEqual([question.text, expected]);
  }
  expect(question.working.length).toBeGreaterThan(0);
  expect(new Set(slips.map(({ value }) => value)).size).toBe(slips.length);
  expect(mark(question, answer.value)).toEqual({ verdict: 'right' });
  if (answer.kind === 'choice') {
    // No two choices are right.
    expect(new Set(answer.choices).size).toBe(answer.choices.length);
    for (const choice of answer.choices)
      expect(mark(question, choice).verdict).toBe(choice === answer.value ? 'right' : 'wrong');
    for (const { value } of slips) expect(answer.choices).toContain(value);
  }
  if (answer.kind === 'parts' || answer.kind === 'order') {
    expect(new Set(answer.choices).size).toBe(answer.choices.length);
    for (const id of answer.value) expect(answer.choices).toContain(id);
  }
  // Each slip leads to its own sentence, exactly or written to three figures, and never to a right mark.
  for (const { value, slip } of slips) {
    const given = answer.kind === 'parts' || answer.kind === 'order' ? value.split(',') : value;
    expect(mark(question, given)).toEqual({ verdict: 'wrong', slip });
    expect(SLIPS[slip].says.length).toBeGreaterThan(20);
    if (answer.kind === 'number')
      expect(mark(question, toNumber(parseRational(value)!).toPrecision(3)).verdict).toBe('wrong');
  }
}

test('gears that are alike are told by their pair, whose mate is named once', () => {
  // Two gears of 12 on the countershaft, each with one of 9.
  const train: Train = {
    format: 'tin-wheel/train',
    version: 1,
    name: 'Two pairs alike',
    members: ['crank', 'drum', 'countershaft'].map((id) => ({ id, name: id })),
    gears: [
      { id: 'a', member: 'crank', teeth: 9, type: 'external' },
      { id: 'b', member: 'countershaft', teeth: 12, type: 'external' },
      { id: 'c', member: 'countershaft', teeth: 12, type: 'external' },
      { id: 'd', member: 'drum', teeth: 9, type: 'external' },
    ],
    meshes: [
      { id: 'first', gears: ['a', 'b'] },
      { id: 'second', gears: ['c', 'd'] },
    ],
    couplers: [],
    positions: [{ id: 'run', name: 'run', engaged: [] }],
    input: 'crank',
    outputs: ['drum'],
  };
  const { questions } = practise(train, { seed: 3, count: 8, skill: 'drives' });
  expect(questions.length).toBeGreaterThan(0);
  for (const question of questions) {
    sound(train, question);
    expect(question.text).toMatch(/: (9 on (crank|drum) meshes with 12 on countershaft|12 on countershaft meshes)/);
  }
});

test(
  'every question of the demo trains, of 200 random ones and of random ones ' +
    'of every kind, answered again by other routes',
  () => {
    const seen = new Set<string>();
    for (const name of DEMO)
      for (const question of practise(demoTrain(name), { seed: 7, count: 60 }).questions) {
        sound(demoTrain(name), question);
        seen.add(question.skill);
      }
    for (const { key } of RANDOM_KINDS)
      for (const seed of someOf([1, 2, 3])) {
        const train = randomTrain(key, seed);
        for (const question of practise(train, { seed, count: 12 }).questions) sound(train, question);
      }
    fc.assert(
      fc.property(
        arbitraryTrain({ oneWays: true, outputs: true, worms: true }),
        fc.integer({ min: 0, max: 1_000_000 }),
        (train, seed) => {
          for (const question of practise(train, { seed, count: 12 }).questions) sound(train, question);
        },
      ),
      { numRuns: runs(120) },
    );
    expect([...seen].sort()).toEqual(Object.keys(SKILLS).sort());
    expect([...again].sort()).toEqual(Object.keys(SKILLS).sort());
  },
);

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
  expect(winch.skipped).toEqual(expect.arrayContaining(['order', 'change', 'status', 'elements', 'overrun']));
  expect(practise(demoTrain('sluice-winch'), { seed: 1, count: 5, skill: 'order' })).toEqual({
    questions: [],
    skipped: ['order'],
  });
});

test('a drill goes through the skills that are wanted, and asks of another train what one cannot be asked', () => {
  const subjects = ['sluice-winch', 'mud-tram'].map((name) => subjectOf(demoTrain(name)));
  const skills: readonly Skill[] = ['order', 'ratio', 'torque'];
  const asked = drill(subjects, { seed: 5, count: 6, skills });
  expect(asked.map(({ skill }) => skill)).toEqual([...skills, ...skills]);
  // Only the tram has positions to put in order.
  expect(asked.filter(({ skill }) => skill === 'order').map(({ train }) => train)).toEqual([1, 1]);
  expect(new Set(asked.map(({ train }) => train)).size).toBe(2);
  expect(drill(subjects, { seed: 5, count: 6, skills })).toEqual(asked);
  expect(drill([subjects[0]!], { seed: 5, count: 4, skills: ['order', 'pair'] }).map(({ skill }) => skill)).toEqual(
    Array(4).fill('pair'),
  );
  expect(drill([subjects[0]!], { seed: 5, count: 4, skills: ['order'] })).toEqual([]);
  expect(skillsWithoutQuestions([subjects[0]!], skills)).toEqual(['order']);
  expect(skillsWithoutQuestions(subjects, skills)).toEqual([]);
});

const slipOf = (question: PracticeQuestion, value: Rational) =>
  question.slips.find((one) => one.value === toFraction(abs(value)))?.slip;

test('slips by hand: first of the rake is 32/19 · 38/13', () => {
  const all = practise(demoTrain('pan-rake'), { seed: 3, count: 40, skill: 'ratio' }).questions;
  const first = all.find(({ position }) => position === '1')!;
  expect(first.answer).toEqual({ kind: 'number', value: '64/13', unit: '' });
  expect(slipOf(first, fraction(13, 64))).toBe('upside-down');
  expect(slipOf(first, fraction(32, 19))).toBe('stage-left-out');
  expect(slipOf(first, fraction(38, 13))).toBe('stage-left-out');
  expect(slipOf(first, fraction(32 * 13 + 38 * 19, 19 * 13))).toBe('added');
  expect(slipOf(first, fraction(640, 13))).toBe('factor-of-ten');
});

test('a slip that would be written like the right answer is none; random kinds build and repeat', () => {
  for (const { key } of RANDOM_KINDS) {
    expect(randomTrain(key, 11)).toEqual(randomTrain(key, 11));
    const counts = [1, 2, 3, 4, 5].map((seed) => JSON.stringify(randomTrain(key, seed).gears));
    expect(new Set(counts).size).toBeGreaterThan(1);
  }
  expect(() => randomTrain('turbine', 1)).toThrow('no kind of train "turbine"');
});

test('a drill asks nothing twice, of direct drive at most one in five, and of nothing that is no question', () => {
  for (const name of DEMO) {
    const train = demoTrain(name);
    const subject = subjectOf(train);
    const asked = drill([subject], { seed: 11, count: 30, skills: Object.keys(SKILLS) as Skill[] });
    expect(new Set(asked.map(({ text }) => text)).size).toBe(asked.length);
    for (const { text, answer } of asked) {
      expect(text).not.toMatch(/of the frame\?|Engaged is|gear of 1 teeth/);
      if ('choices' in answer) expect([name, text, answer.choices.length]).not.toEqual([name, text, 1]);
    }
    const direct = asked.filter(({ position }) =>
      subject.driving.some(({ id, ratio }) => id === position && toNumber(ratio) ** 2 === 1),
    );
    const others = subject.driving.some(({ ratio }) => toNumber(ratio) ** 2 !== 1);
    if (others) expect([name, direct.length <= Math.ceil(asked.length / 5) + 1]).toEqual([name, true]);
  }
});
