import { demoTrain } from '@/testing/demo-train';
import { held } from '@/testing/held';
import { apiServer } from '@/testing/api-server';
import { database } from '@/server/database';
import * as wire from '@/wire';
import * as replies from '@/wire/replies';

apiServer();

const search = { format: 'tin-wheel/search', version: 1, target: '9.87', stages: 2, teeth: { min: 12, max: 60 } };
const reading = { kind: 'turns', position: 'wind', member: 'drum', turns: 2, inputTurns: 24 };
const answer = { at: '2026-11-26T08:00:00.000Z', train: 'Winch', skill: 'ratio', right: true, slip: null };

/** Behind the application's back, as a damaged disk or another program would. */
const damage = async (table: string, set: string, id: string) =>
  (await database()).write(({ sql }) => sql(`UPDATE ${table} SET ${set} WHERE id = '${id}'`));

async function furnished(): Promise<string> {
  const { id } = held(replies.storedReply, await wire.postTrain(demoTrain('sluice-winch')));
  for (const key of ['a', 'b']) held(replies.nothingReply, await wire.putBeside('searches', id, key, key, search));
  const entries = ['r1', 'r2'].map((key) => ({ id: key, kind: 'reading' as const, document: { id: key, ...reading } }));
  held(replies.nothingReply, await wire.addToTrainLog(id, entries));
  return id;
}

const CUT = '{"format":"tin-wh';
/** Pasted into a list, this would be two entries of it. */
const CRAFTED = `{}},{"id":"fake","kind":"reading","savedAt":"2026-11-26T08:00:00.000Z","document":{}`;

test.each([
  ['cut off', CUT],
  ['crafted', CRAFTED],
  ['empty', ''],
  ['a number', '7'],
])('a search that is %s is listed by its name, the others as ever, and it can be had as it is', async (_, text) => {
  const id = await furnished();
  await damage('searches', `document = '${text}'`, 'a');
  const { kept } = held(replies.besideReply, await wire.readBeside('searches', id));
  expect(kept.find((one) => one.id === 'a')).toEqual({
    id: 'a',
    name: 'a',
    savedAt: expect.any(String),
    unreadable: expect.stringMatching(/./),
  });
  expect(kept.find((one) => one.id === 'b')).toMatchObject({ document: search });
  expect(kept).toHaveLength(2);
  expect(await (await fetch(wire.asKeptAddress('searches', id, 'a'))).text()).toBe(text);
  held(replies.nothingReply, await wire.deleteBeside('searches', id, 'a'));
  // It is gone from the list, not from the database.
  expect(
    await (await database()).sql("SELECT document FROM put_aside WHERE kind = 'searches' AND owner = ?", [id]),
  ).toEqual([{ document: text }]);
  expect(held(replies.besideReply, await wire.readBeside('searches', id)).kept).toHaveLength(1);
});

test.each([
  ['cut off', `document = '${CUT}'`],
  ['crafted', `document = '${CRAFTED}'`],
  ['no reading', `document = '{"id":"r1","kind":"song"}'`],
  ['of a kind that there is not', `kind = 'poem'`],
])('a log with an entry that is %s gives the others, and adds none that was never written', async (_, set) => {
  const id = await furnished();
  await damage('log_entries', set, 'r1');
  const { entries } = held(replies.logReply, await wire.readTrainLog(id));
  expect(entries.map((entry) => [entry.id, 'document' in entry]).sort()).toEqual([
    ['r1', false],
    ['r2', true],
  ]);
  const text = await (await fetch(wire.asKeptAddress('log', id, 'r1'))).text();
  expect(set.includes(text) || JSON.parse(text).id === 'r1').toBe(true);
});

test('times that do not parse are told as unknown, and nothing else suffers', async () => {
  const id = await furnished();
  const { id: other } = held(replies.storedReply, await wire.postTrain(demoTrain('stirrer')));
  await damage('searches', `saved_at = 'soon'`, 'a');
  await damage('log_entries', `saved_at = 'once'`, 'r1');
  await damage('trains', `updated_at = 'never'`, id);
  await (await database()).write(({ sql }) => sql(`UPDATE revisions SET saved_at = 'x' WHERE train_id = '${id}'`));
  const { kept } = held(replies.besideReply, await wire.readBeside('searches', id));
  expect(kept.find((one) => one.id === 'a')).toMatchObject({ savedAt: 'unknown', document: search });
  const { entries } = held(replies.logReply, await wire.readTrainLog(id));
  expect(entries.find((one) => one.id === 'r1')).toMatchObject({ savedAt: 'unknown', kind: 'reading' });
  expect(held(replies.revisionsReply, await wire.readRevisions(id)).revisions[0]).toMatchObject({ savedAt: 'unknown' });
  expect(held(replies.trainReply, await wire.fetchTrain(id))).toMatchObject({ updatedAt: 'unknown', version: 1 });
  const shelf = await wire.readShelf();
  if (!shelf.ok) throw new Error(shelf.message);
  expect(shelf.value.trains.map((one) => one.id)).toEqual(expect.arrayContaining([id, other]));
});

test('answers and worksheets that do not read are told so, and what reads is there', async () => {
  held(replies.nothingReply, await wire.postPerson({ id: 'p1', name: 'Ansel' }));
  held(
    replies.nothingReply,
    await wire.postAnswers(
      'p1',
      ['a1', 'a2'].map((id) => ({ id, answer })),
    ),
  );
  await damage('practice_answers', `document = '1,2'`, 'a1');
  expect(held(replies.answersReply, await wire.fetchAnswers('p1'))).toEqual({ answers: [answer], unreadable: 1 });
  const sheet = {
    format: 'tin-wheel/worksheet',
    version: 1,
    name: 'One',
    trains: [{ train: demoTrain('sluice-winch') }],
    questions: [{ train: 0, skill: 'ratio', seed: 1 }],
  };
  held(replies.nothingReply, await wire.putWorksheet('w1', 'One', sheet));
  await damage('worksheets', `document = '{"a":1},"b":2', saved_at = 'then'`, 'w1');
  expect(held(replies.worksheetsReply, await wire.readWorksheets()).worksheets).toContainEqual({
    id: 'w1',
    name: 'One',
    savedAt: 'unknown',
  });
  expect(await wire.readKeptWorksheet('w1')).toMatchObject({ ok: false, code: 'unreadable' });
  expect(await (await fetch('/api/worksheets/w1?as-kept')).text()).toBe('{"a":1},"b":2');
});

test('an entry that does not read is put aside, and can still be had; one that reads is never removed', async () => {
  const id = await furnished();
  await damage('log_entries', `document = '${CUT}'`, 'r1');
  held(replies.nothingReply, await wire.postEntryAside(id, 'r1'));
  expect(held(replies.logReply, await wire.readTrainLog(id)).entries.map((entry) => entry.id)).toEqual(['r2']);
  expect(await (await fetch(wire.asKeptAddress('log', id, 'r1'))).text()).toBe(CUT);
  expect(await wire.postEntryAside(id, 'r2')).toMatchObject({ ok: false, code: 'reads' });
  expect(await wire.postEntryAside(id, 'none')).toMatchObject({ ok: false, code: 'no-entry' });
});

test('answers that do not read can be had as they are, and put aside; a name that does not is listed', async () => {
  held(replies.nothingReply, await wire.postPerson({ id: 'p9', name: 'Berit' }));
  held(
    replies.nothingReply,
    await wire.postAnswers(
      'p9',
      ['a1', 'a2', 'a3'].map((id) => ({ id, answer })),
    ),
  );
  for (const [id, text] of [
    ['a1', '[]'],
    ['a2', CUT],
  ] as const)
    await damage('practice_answers', `document = '${text}'`, id);
  expect(held(replies.answersReply, await wire.fetchAnswers('p9')).unreadable).toBe(2);
  expect(await (await fetch(wire.unreadableAnswersAddress('p9'))).text()).toBe(`[]\n${CUT}`);
  held(replies.nothingReply, await wire.postAnswersAside('p9'));
  expect(held(replies.answersReply, await wire.fetchAnswers('p9'))).toEqual({ answers: [answer], unreadable: 0 });
  await damage('people', `name = x'00ff'`, 'p9');
  const { people } = held(replies.peopleReply, await wire.readPeople());
  expect(people).toContainEqual({ id: 'p9', name: 'p9 (the name cannot be read)' });
});

test('a picture that is none is never sent as one, and can be had as it is', async () => {
  const id = await furnished();
  const put = (key: string, type: string, bytes: string) =>
    database().then(({ write }) =>
      write(({ sql }) => sql(`INSERT INTO pictures VALUES (?, ?, ?, ${bytes}, '2026-11-26')`, [id, key, type])),
    );
  await put('script', 'text/html', `x'${Buffer.from('<script>').toString('hex')}'`);
  await put('claims', 'image/png', `x'${Buffer.from('<script>').toString('hex')}'`);
  await put('text', 'image/png', `'no bytes'`);
  for (const key of ['script', 'claims', 'text']) {
    const answer = await fetch(wire.pictureAddress(id, key));
    expect([answer.status, answer.headers.get('content-type')]).toEqual([422, 'application/json']);
  }
  const kept = await fetch(wire.asKeptAddress('pictures', id, 'script'));
  expect([await kept.text(), kept.headers.get('content-disposition')]).toEqual([
    '<script>',
    expect.stringMatching(/^attachment/),
  ]);
});

test('an address with what ends a statement is nowhere, not an error of the server', async () => {
  for (const path of [
    'trains/%00',
    'trains/a%00b/log',
    'people/%00/answers',
    'worksheets/x%00',
    'trains/a/searches/%00',
  ])
    expect([400, 404]).toContain((await fetch(`/api/${path}`)).status);
});

test('an import is taken back as one thing, with what was corrected of it; all of it can still be had', async () => {
  const id = await furnished();
  const brought = { ...reading, import: 'bench.json, 2026-11-29T10:00:00.000Z' };
  const entries = [
    { id: 'i1', kind: 'reading' as const, document: { id: 'i1', ...brought } },
    { id: 'c1', kind: 'correction' as const, document: { of: 'i1', why: 'slip', reading: { id: 'c1', ...reading } } },
    { id: 'c2', kind: 'correction' as const, document: { of: 'c1', why: 'again', reading: { id: 'c2', ...reading } } },
    { id: 'c3', kind: 'correction' as const, document: { of: 'r1', why: 'own', reading: { id: 'c3', ...reading } } },
  ];
  held(replies.nothingReply, await wire.addToTrainLog(id, entries));
  await damage('log_entries', "document = 'cut off'", 'r2');
  const ids = async () => held(replies.logReply, await wire.readTrainLog(id)).entries.map((one) => one.id);
  expect(await wire.deleteImport(id, 'another')).toMatchObject({ ok: false, code: 'no-import' });
  expect(held(replies.takenReply, await wire.deleteImport(id, brought.import)).taken).toBe(3);
  expect(await ids()).toEqual(['r1', 'r2', 'c3']);
  const kept = await (await fetch(wire.asKeptAddress('log', id, 'i1'))).text();
  expect(JSON.parse(kept)).toEqual({ id: 'i1', ...brought });
  // The same file again is in the log again.
  held(replies.nothingReply, await wire.addToTrainLog(id, entries.slice(0, 1)));
  expect(await ids()).toContain('i1');
});
