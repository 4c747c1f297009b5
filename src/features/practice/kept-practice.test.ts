import { drill, subjectOf, SKILLS, worksheetOf, type Skill } from '@/core/practice';
import { demoTrain } from '@/testing/demo-train';
import { readPractice, writePractice } from './kept-practice';
import { createPracticeStore, type OpenDrill, type OpenSheet } from './store';

const train = demoTrain('pan-rake');
const subject = subjectOf(train);
const questions = drill([subject], { seed: 7, count: 12, skills: Object.keys(SKILLS) as Skill[] });
const running: OpenDrill = {
  id: 'd',
  trains: [{ id: 'pan-rake', train, subject }],
  questions,
  at: 1,
  answers: [{ given: '3', mark: { verdict: 'wrong', slip: null } }],
  begunAt: 1,
  endedAt: null,
};
const made = worksheetOf({
  format: 'tin-wheel/worksheet',
  version: 1,
  name: 'First week',
  trains: [{ id: 'pan-rake', train }],
  questions: questions.slice(0, 4).map(({ skill, seed }) => ({ train: 0, skill: skill as Skill, seed })),
});
if (!made.ok) throw new Error('The worksheet can be made.');
const sheet: OpenSheet = {
  ...made.value,
  id: 's',
  given: { q1: '4', q2: ['a', 'b'] },
  marked: ['q1'],
  atOnce: true,
  answersOnPaper: false,
  changed: [],
};
const state = () => {
  const { mode, wanted, hunt } = createPracticeStore(true).getState();
  return { mode, wanted, hunt, drill: running, sheet };
};

/** Written down as text, and read again. */
const again = () =>
  readPractice(JSON.parse(JSON.stringify(writePractice(state()))) as ReturnType<typeof writePractice>);

test('a drill that runs goes on with the very questions, and what was answered', () => {
  const read = again().drill!;
  expect(read.questions).toEqual(questions);
  expect([read.at, read.answers, read.begunAt]).toEqual([1, running.answers, 1]);
  expect(read.trains[0]!.train).toEqual(train);
  expect(read.trains[0]!.subject.places.map(({ name }) => name)).toEqual(subject.places.map(({ name }) => name));
});

test('a worksheet comes back filled in, with the same questions', () => {
  const read = again().sheet!;
  expect(read.sheet.questions).toEqual(sheet.sheet.questions);
  expect([read.given, read.marked, read.atOnce, read.answersOnPaper]).toEqual([sheet.given, ['q1'], true, false]);
});

test('what can no longer be made is left out, and the rest stays', () => {
  const written = writePractice(state());
  const broken = { ...written, drill: { ...written.drill!, trains: [{ train: { ...train, gears: [] } }] } };
  expect(readPractice(broken)).toMatchObject({ drill: null, sheet: { id: 's' } });
  const unread = { ...written, sheet: { ...written.sheet!, text: '{' } };
  expect(readPractice(unread)).toMatchObject({ sheet: null, drill: { id: 'd' } });
  const strange = written.drill!.questions.map((question) => ({ ...question, train: 4 }));
  expect(readPractice({ ...written, drill: { ...written.drill!, questions: strange } }).drill).toBeNull();
});
