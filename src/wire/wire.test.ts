import { setTeeth } from '@/core/train';
import { demoTrain } from '@/testing/demo-train';
import { held } from '@/testing/held';
import { apiServer } from '@/testing/api-server';
import * as wire from '.';
import * as replies from './replies';

const server = apiServer();

test('every call of the client is answered by the routes as its schema says', async () => {
  const added = held(replies.storedReply, await wire.postTrain(demoTrain('sluice-winch')));
  const kept = held(replies.trainReply, await wire.fetchTrain(added.id));
  expect(kept).toMatchObject({ id: added.id, version: 1, train: demoTrain('sluice-winch') });
  const edit = setTeeth(kept.train, 'c', 20);
  if (!edit.ok) throw new Error(edit.message);
  const saved = held(replies.storedReply, await wire.putTrain({ ...kept, train: edit.train }));
  expect(saved.version).toBe(2);
  held(replies.trainDrawnReply, await wire.readShelfDrawing(added.id, 2));
  held(replies.drawnReply, await wire.readBenchDrawing(added.id, 2));
  const { revisions } = held(replies.revisionsReply, await wire.readRevisions(added.id));
  expect(revisions.map(({ version }) => version)).toEqual([2, 1]);
  held(replies.nothingReply, await wire.putRevisionName(added.id, 1, ' As built '));
  expect(held(replies.revisionsReply, await wire.readRevisions(added.id)).revisions.at(-1)!.name).toBe('As built');
  expect(held(replies.revisionReply, await wire.readRevision(added.id, 1)).train).toEqual(kept.train);
  const search = {
    format: 'tin-wheel/search',
    version: 1,
    target: '9.87',
    stages: 2,
    teeth: { min: 12, max: 60 },
  } as const;
  held(replies.nothingReply, await wire.putBeside('searches', added.id, 'a', ' Slow drum ', search));
  held(
    replies.nothingReply,
    await wire.putBeside('searches', added.id, 'a', 'Slow drum', { ...search, target: '9.9' }),
  );
  held(replies.nothingReply, await wire.putBeside('searches', added.id, 'b', 'To be forgotten', search));
  held(replies.nothingReply, await wire.deleteBeside('searches', added.id, 'b'));
  const scenario = {
    format: 'tin-wheel/scenario',
    version: 1,
    motor: { kind: 'hand', torqueNm: 2, rpm: 40 },
    load: {},
    order: ['wind'],
  };
  held(replies.nothingReply, await wire.putBeside('scenarios', added.id, 'a', 'By hand', scenario));
  const reading = { id: 'r1', kind: 'turns', position: 'wind', member: 'drum', turns: 2, inputTurns: 24 } as const;
  const entry = { id: 'r1', kind: 'reading', document: reading } as const;
  held(replies.nothingReply, await wire.addToTrainLog(added.id, [entry]));
  // A record is never changed: under the same id the first one stays.
  held(replies.nothingReply, await wire.addToTrainLog(added.id, [{ ...entry, document: { ...reading, turns: 3 } }]));
  const dot = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8BQDwAEhQGAhKmMIQAAAABJRU5ErkJggg==',
    'base64',
  );
  const picture = held(replies.pictureReply, await wire.postPicture(added.id, new Blob([dot], { type: 'image/png' })));
  const copy = held(replies.storedReply, await wire.postTrainCopy(kept));
  expect(held(replies.trainReply, await wire.fetchTrain(copy.id)).train.name).toBe(`${kept.train.name} (copy)`);
  const second = held(replies.storedReply, await wire.postTrainCopy(kept));
  expect(held(replies.trainReply, await wire.fetchTrain(second.id)).train.name).toBe(`${kept.train.name} (copy 2)`);
  held(replies.nothingReply, await wire.deleteTrain({ id: second.id, version: 1 }));
  for (const id of [added.id, copy.id])
    expect(held(replies.besideReply, await wire.readBeside('searches', id)).kept).toEqual([
      { id: 'a', name: 'Slow drum', savedAt: expect.any(String), document: { ...search, target: '9.9' } },
    ]);
  expect(held(replies.besideReply, await wire.readBeside('scenarios', copy.id)).kept).toEqual([
    { id: 'a', name: 'By hand', savedAt: expect.any(String), document: scenario },
  ]);
  for (const id of [added.id, copy.id]) {
    expect(held(replies.logReply, await wire.readTrainLog(id)).entries).toEqual([
      { ...entry, savedAt: expect.any(String) },
    ]);
    const shown = await fetch(wire.pictureAddress(id, picture.id));
    expect(shown.headers.get('content-type')).toBe('image/png');
    expect(Buffer.from(await shown.arrayBuffer()).equals(dot)).toBe(true);
  }
  held(replies.nothingReply, await wire.deleteTrain({ id: copy.id, version: 1 }));
  held(replies.trainReply, await wire.postRestore(copy.id));
  expect(held(replies.besideReply, await wire.readBeside('searches', copy.id)).kept).toHaveLength(1);
  const { examples } = held(replies.examplesReply, await wire.fetchExamples());
  held(replies.storedReply, await wire.postExampleRestore(examples[0]!.id));
});

test('a save from an old version is told with what is there now', async () => {
  const { id } = held(replies.storedReply, await wire.postTrain(demoTrain('sluice-winch')));
  const kept = { id, version: 1, train: demoTrain('sluice-winch') };
  await wire.putTrain(kept);
  const late = await wire.putTrain(kept);
  expect(late).toMatchObject({ ok: false, code: 'stale', current: { version: 2, train: kept.train } });
  expect(replies.failureReply.safeParse({ error: late }).success).toBe(true);
});

test('a search that does not read, or has no train, is not kept', async () => {
  const { id } = held(replies.storedReply, await wire.postTrain(demoTrain('sluice-winch')));
  const search = {
    format: 'tin-wheel/search',
    version: 1,
    target: '0',
    stages: 2,
    teeth: { min: 12, max: 60 },
  } as const;
  expect(await wire.putBeside('searches', id, 'a', 'None', search)).toMatchObject({
    ok: false,
    code: 'bad-document',
    message: expect.stringMatching(/^target: the ratio must be above 0/),
  });
  expect(await wire.putBeside('searches', id, 'a', '', { ...search, target: '3' })).toMatchObject({
    ok: false,
    code: 'bad-request',
  });
  expect(await wire.putBeside('searches', 'no such train', 'a', 'None', { ...search, target: '3' })).toMatchObject({
    ok: false,
    code: 'no-train',
  });
  expect(await wire.putBeside('scenarios', id, 'a', 'None', { format: 'tin-wheel/scenario' })).toMatchObject({
    ok: false,
    code: 'bad-document',
    message: expect.stringMatching(/^version/),
  });
  expect(await wire.deleteBeside('searches', id, 'a')).toMatchObject({ ok: false, code: 'not-kept' });
  expect(held(replies.besideReply, await wire.readBeside('searches', id)).kept).toEqual([]);
});

test('entries that do not read, and pictures that are none, are not kept', async () => {
  const { id } = held(replies.storedReply, await wire.postTrain(demoTrain('sluice-winch')));
  const good = {
    id: 'a',
    kind: 'reading',
    document: { id: 'a', kind: 'event', part: 'drum', what: 'pin sheared' },
  } as const;
  const bad = {
    id: 'b',
    kind: 'reading',
    document: { id: 'b', kind: 'frames', member: 'drum', frames: 0, frameRate: 50 },
  } as const;
  expect(await wire.addToTrainLog(id, [good, bad])).toMatchObject({
    ok: false,
    code: 'bad-entry',
    message: 'entries[1].frames: The number of frames is a number above 0.',
  });
  // All or none.
  expect(held(replies.logReply, await wire.readTrainLog(id)).entries).toEqual([]);
  expect(await wire.addToTrainLog('no such train', [good])).toMatchObject({ ok: false, code: 'no-train' });
  expect(await wire.postPicture(id, new Blob(['<svg/>'], { type: 'image/png' }))).toMatchObject({
    ok: false,
    code: 'no-picture',
  });
  expect(await wire.postPicture(id, new Blob([new Uint8Array(5_000_001)]))).toMatchObject({
    ok: false,
    code: 'too-large',
  });
});

test('what is refused comes with the server’s sentence', async () => {
  expect(await wire.fetchTrain('no such train')).toMatchObject({ ok: false, code: 'no-train' });
  const bad = await wire.postTrain({ ...demoTrain('sluice-winch'), input: 'nothing' });
  expect(bad).toMatchObject({ ok: false, code: 'bad-train', message: expect.stringContaining('nothing') });
});

test('a server that is away, or another than this page was made for, is told as what it is', async () => {
  server.away = true;
  expect(await wire.fetchTrain('stirrer')).toMatchObject({ ok: false, code: 'unreachable' });
  server.away = false;
  server.answer = () => Response.json({ something: 'else' });
  expect(await wire.fetchTrain('stirrer')).toMatchObject({ ok: false, code: 'unclear' });
  server.answer = () => new Response('<html>', { status: 502 });
  expect(await wire.fetchTrain('stirrer')).toMatchObject({ ok: false });
});
