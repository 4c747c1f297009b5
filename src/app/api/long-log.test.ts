import { apiServer } from '@/testing/api-server';
import { demoTrain } from '@/testing/demo-train';
import { held } from '@/testing/held';
import * as wire from '@/wire';
import * as replies from '@/wire/replies';

apiServer();

const reading = { kind: 'turns', position: 'wind', member: 'drum', turns: 2, inputTurns: 24 };

test('a log is sent whole however long it is, an empty one too', async () => {
  const { id } = held(replies.storedReply, await wire.postTrain(demoTrain('sluice-winch')));
  expect(held(replies.logReply, await wire.readTrainLog(id)).entries).toEqual([]);
  const keys = Array.from({ length: 3000 }, (_, i) => `r${2999 - i}`);
  for (let at = 0; at < keys.length; at += 1500) {
    const some = keys.slice(at, at + 1500);
    const entries = some.map((key) => ({ id: key, kind: 'reading' as const, document: { id: key, ...reading } }));
    held(replies.nothingReply, await wire.addToTrainLog(id, entries));
  }
  const read = held(replies.logReply, await wire.readTrainLog(id)).entries;
  expect(read.map((entry) => entry.id)).toEqual(keys);
  expect(read[7]).toEqual({
    id: 'r2992',
    kind: 'reading',
    savedAt: expect.any(String),
    document: { id: 'r2992', ...reading },
  });
});
