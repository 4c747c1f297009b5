import { readdirSync } from 'node:fs';
import { SKILLS, type Skill, subjectOf, drill } from '@/core/practice';
import { apiServer } from '@/testing/api-server';
import { demoTrain } from '@/testing/demo-train';
import { held } from '@/testing/held';
import * as wire from '.';
import * as replies from './replies';

apiServer();

const answer = { at: '2026-11-26T08:00:00.000Z', train: 'Pan rake', skill: 'ratio', right: false, slip: 'upside-down' };
const people = async () => held(replies.peopleReply, await wire.readPeople()).people;

test('people by name: once each, and what they answered goes with them', async () => {
  held(replies.nothingReply, await wire.postPerson({ id: 'p1', name: ' Ansel ' }));
  held(replies.nothingReply, await wire.postPerson({ id: 'p1', name: 'Ansel' }));
  held(replies.nothingReply, await wire.postPerson({ id: 'p2', name: 'Bette' }));
  expect(await people()).toEqual([
    { id: 'p1', name: 'Ansel' },
    { id: 'p2', name: 'Bette' },
  ]);
  expect(await wire.postPerson({ id: 'p3', name: 'ANSEL' })).toMatchObject({ ok: false, code: 'taken' });
  expect(await wire.postPerson({ id: 'p3', name: ' ' })).toMatchObject({ ok: false, code: 'bad-request' });
  held(
    replies.nothingReply,
    await wire.postAnswers('p1', [
      { id: 'a', answer },
      { id: 'b', answer: { ...answer, right: true, slip: null } },
    ]),
  );
  // Sent again, or changed: it stays as it was written.
  held(replies.nothingReply, await wire.postAnswers('p1', [{ id: 'a', answer: { ...answer, right: true } }]));
  expect(held(replies.answersReply, await wire.fetchAnswers('p1')).answers.map(({ right }) => right)).toEqual([
    false,
    true,
  ]);
  expect(await wire.postAnswers('p1', [{ id: 'c', answer: { ...answer, at: 'yesterday' } }])).toMatchObject({
    ok: false,
    code: 'bad-request',
  });
  expect(await wire.postAnswers('nobody', [{ id: 'a', answer }])).toMatchObject({ ok: false, code: 'no-person' });
  expect(await wire.fetchAnswers('nobody')).toMatchObject({ ok: false, code: 'no-person' });
  held(replies.nothingReply, await wire.deletePerson('p1'));
  held(replies.nothingReply, await wire.postPerson({ id: 'p1', name: 'Ansel' }));
  expect(held(replies.answersReply, await wire.fetchAnswers('p1')).answers).toEqual([]);
});

test('worksheets are kept when all their questions can be made, and come back as they were', async () => {
  const subject = subjectOf(demoTrain('pan-rake'));
  const questions = drill([subject], { seed: 2, count: 6, skills: Object.keys(SKILLS) as Skill[] });
  const sheet = {
    format: 'tin-wheel/worksheet',
    version: 1,
    name: 'Week one',
    trains: [{ id: 'pan-rake', train: subject.train }],
    questions: questions.map(({ train, skill, seed }) => ({ train, skill, seed })),
  };
  held(replies.nothingReply, await wire.putWorksheet('w1', 'Week one', sheet));
  held(replies.nothingReply, await wire.putWorksheet('w1', 'Week one, again', sheet));
  // Beside those that ship with the application.
  const shipped = readdirSync('demo/worksheets').map((file) => file.replace('.worksheet.json', ''));
  const listed = held(replies.worksheetsReply, await wire.readWorksheets()).worksheets;
  expect(listed.map(({ id }) => id)).toEqual(expect.arrayContaining(shipped));
  expect(listed.filter(({ id }) => !shipped.includes(id))).toMatchObject([{ id: 'w1', name: 'Week one, again' }]);
  expect(held(replies.documentReply, await wire.readKeptWorksheet('w1')).document).toEqual(sheet);
  const broken = { ...sheet, questions: [{ train: 3, skill: 'ratio', seed: 1 }] };
  expect(await wire.putWorksheet('w2', 'Broken', broken)).toMatchObject({
    ok: false,
    code: 'bad-worksheet',
    message: 'questions[0].train: there is no train 3, they count from 0.',
  });
  expect(await wire.readKeptWorksheet('w2')).toMatchObject({ ok: false, code: 'no-worksheet' });
  held(replies.nothingReply, await wire.deleteWorksheet('w1'));
  expect(await wire.deleteWorksheet('w1')).toMatchObject({ ok: false, code: 'no-worksheet' });
});
