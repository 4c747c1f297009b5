import { serialiseTrain } from '@/core/train';
import { demoTrain } from '@/testing/demo-train';
import { failure, guarded, readJson, savedResponse } from './http';

const request = (body: BodyInit | null, headers: Record<string, string> = { 'content-type': 'application/json' }) =>
  new Request('http://127.0.0.1/api/trains', { method: 'POST', body, headers });
const errorOf = async (response: Response) =>
  ((await response.json()) as { error: { code: string; message: string } }).error;

async function refusal(sent: Request): Promise<{ status: number; code: string; message: string }> {
  const body = await readJson(sent);
  if (body.ok) throw new Error('The body was taken.');
  return { status: body.response.status, ...(await errorOf(body.response)) };
}

describe('reading a body', () => {
  test('takes JSON, with a charset too', async () => {
    expect(await readJson(request('{"a": [1, "é"]}'))).toEqual({ ok: true, value: { a: [1, 'é'] } });
    expect(await readJson(request('1', { 'content-type': 'application/json; charset=utf-8' }))).toEqual({
      ok: true,
      value: 1,
    });
    expect(await readJson(request('1', { 'content-type': 'Application/JSON ; charset=UTF-8' }))).toEqual({
      ok: true,
      value: 1,
    });
  });

  test('refuses another type, broken JSON and an empty body, each with what to do', async () => {
    expect(await refusal(request('a=1', { 'content-type': 'application/x-www-form-urlencoded' }))).toMatchObject({
      status: 415,
      code: 'not-json',
    });
    expect(await refusal(request('1', { 'content-type': 'application/jsonlines' }))).toMatchObject({ status: 415 });
    expect(await refusal(request('{"a": '))).toMatchObject({
      status: 400,
      code: 'bad-json',
      message: 'The body is not valid JSON.',
    });
    expect(await refusal(request(''))).toMatchObject({ status: 400, code: 'bad-json' });
  });

  test('refuses what says that it is too large before reading it', async () => {
    const sent = request('{}', { 'content-type': 'application/json', 'content-length': '3000000' });
    expect(await refusal(sent)).toMatchObject({ status: 413, code: 'too-large' });
  });

  test('stops reading what turns out too large', async () => {
    let pulled = 0;
    const endless = new ReadableStream<Uint8Array>({
      pull(controller) {
        pulled++;
        controller.enqueue(new Uint8Array(500_000).fill(32));
      },
    });
    const sent = new Request('http://127.0.0.1/api/trains', {
      method: 'POST',
      body: endless,
      headers: { 'content-type': 'application/json' },
      duplex: 'half',
    } as RequestInit);
    expect(await refusal(sent)).toMatchObject({ status: 413, code: 'too-large' });
    expect(pulled).toBeLessThan(10);
  });
});

describe('answers', () => {
  const stored = {
    id: 'x',
    version: 3,
    updatedAt: '2026-11-23T00:00:00.000Z',
    name: 'Sluice winch',
    document: serialiseTrain(demoTrain('sluice-winch')),
    unreadable: null,
  };

  test('a save is told with its version, a new train as created', async () => {
    const saved = savedResponse({ outcome: 'saved', stored });
    expect([saved.status, ((await saved.json()) as { version: number }).version]).toEqual([200, 3]);
    expect(savedResponse({ outcome: 'saved', stored }, true).status).toBe(201);
  });

  test('a stale save comes with what is there now', async () => {
    const response = savedResponse({ outcome: 'stale', current: stored });
    expect(response.status).toBe(409);
    expect((await errorOf(response)) as unknown).toMatchObject({
      code: 'stale',
      current: { version: 3, train: demoTrain('sluice-winch') },
    });
  });

  test('a missing train and a bad document', async () => {
    expect(savedResponse({ outcome: 'missing' }).status).toBe(404);
    const refused = savedResponse({
      outcome: 'refused',
      problems: [
        { path: ['gears', 0, 'teeth'], message: 'A tooth count must be a whole number.' },
        { path: ['input'], message: 'There is no member "x".' },
      ],
    });
    expect(refused.status).toBe(422);
    expect((await errorOf(refused)) as unknown).toMatchObject({
      code: 'bad-train',
      path: ['gears', 0, 'teeth'],
      problems: [expect.stringContaining('whole number'), expect.stringContaining('no member')],
    });
  });

  test('what breaks inside is logged, and only a sentence leaves', async () => {
    const log = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    const response = await guarded(() => Promise.reject(new Error('the key to the store room')));
    expect(response.status).toBe(500);
    expect(JSON.stringify(await response.json())).not.toContain('store room');
    expect(log).toHaveBeenCalled();
    log.mockRestore();
  });

  test('an error says its code and more where there is more', async () => {
    expect((await errorOf(failure(400, 'bad', 'No.', { path: ['x'] }))) as unknown).toEqual({
      code: 'bad',
      message: 'No.',
      path: ['x'],
    });
  });
});
