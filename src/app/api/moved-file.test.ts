import { copyFileSync, renameSync } from 'node:fs';
import { apiServer } from '@/testing/api-server';
import { demoTrain } from '@/testing/demo-train';
import { held } from '@/testing/held';
import * as wire from '@/wire';
import * as replies from '@/wire/replies';

apiServer();

const health = async () => (await fetch('/api/health')).status;

test(
  'a database that is moved away or replaced under the server is told by ' +
    'its health and by saves, until it is back',
  async () => {
    const { id } = held(replies.storedReply, await wire.postTrain(demoTrain('sluice-winch')));
    expect(await health()).toBe(200);
    const file = process.env.TINWHEEL_DB!;
    const told = { ok: false, code: 'database', message: expect.stringContaining('moved away or replaced') };
    renameSync(file, `${file}.away`);
    expect(await health()).toBe(503);
    expect(await wire.putTrain({ id, version: 1, train: demoTrain('sluice-winch') })).toMatchObject(told);
    copyFileSync(`${file}.away`, file);
    expect(await health()).toBe(503);
    expect(await wire.putTrain({ id, version: 1, train: demoTrain('sluice-winch') })).toMatchObject(told);
    renameSync(`${file}.away`, file);
    expect(await health()).toBe(200);
    expect(
      held(replies.storedReply, await wire.putTrain({ id, version: 1, train: demoTrain('sluice-winch') })).version,
    ).toBe(2);
  },
);
