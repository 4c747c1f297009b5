import { randomBytes } from 'node:crypto';
import { crc32, deflateSync } from 'node:zlib';
import { demoTrain } from '../src/testing/demo-train';
import { BASE, median, quantile, withApplication } from './application';
import { waitsDuring, waitsText, type Saving, type Waits } from './others';

const REPEATS = 3;
const WINCH = demoTrain('sluice-winch');
const JSON_TYPE = { 'content-type': 'application/json' };

/** Many people and much data on one server: what each piece of work takes, and what everybody else waits meanwhile. */
export const benchMany = (): Promise<void> =>
  withApplication(async () => {
    console.log('\n== many at once, production build (limit: others p99 within 50 ms of idle)');
    for (let i = 0; i < 50; i++) await text(await fetch(`${BASE}/api/trains/sluice-winch`));
    const idle = await waitsDuring(() => new Promise((done) => setTimeout(done, 2_000)));
    console.log(`idle: p50 ${quantile(idle.times, 0.5).toFixed(1)} ms, p99 ${quantile(idle.times, 0.99).toFixed(1)}`);
    const report = async (what: string, work: () => Promise<unknown>, saving: Saving | null = null) => {
      const waits = await waitsDuring(work, saving);
      console.log(`${what}: ${waits.took.toFixed(0)} ms; ${waitsText(waits, saving ? await idleSaves() : idle)}`);
    };
    const id = await added();
    await fillLog(id);
    await report('a log of 50 000 entries', () => repeated(() => get(`/api/trains/${id}/log`)));
    await keepScenarios(id);
    await report('41 scenarios of 700 kB', () => repeated(() => get(`/api/trains/${id}/scenarios`)));
    await report('a train of 2 MB added and saved', () => repeated(sendLarge));
    await report('a scenario of 700 kB kept', () => repeated(() => keepScenario(id, 'again', 700_000)));
    await report('2 000 log entries in one request', async () =>
      repeated(async () => postEntries(await added(), 2_000)),
    );
    await postLogs(idle);
    await saveTrains();
    const heavy = await withPictures(20);
    let zip = Buffer.alloc(0);
    await report('a bundle of 98 MB made', async () => {
      zip = Buffer.from(await (await fetch(`${BASE}/api/bundle?train=${heavy}`)).arrayBuffer());
    });
    console.log(`  ${(zip.length / 1e6).toFixed(0)} MB`);
    await report('it is read', () => send('/api/bundle', 'POST', zip, {}));
    const restore = () => send(`/api/bundle?restore&train-${heavy}=both`, 'POST', zip, {});
    await report('it is restored, others read', restore);
    await report('it is restored, others save (limit: at most 250 ms)', restore, await saving());
  });

const text = (response: Response) => response.text();
const get = async (path: string) => text(await answered(await fetch(BASE + path)));

async function repeated(work: () => Promise<unknown>): Promise<void> {
  for (let i = 0; i < REPEATS; i++) await work();
}

async function answered(response: Response): Promise<Response> {
  if (!response.ok) throw new Error(`${response.url}: ${response.status} ${await response.text()}`);
  return response;
}

const send = async (path: string, method: string, body: unknown, headers: Record<string, string> = JSON_TYPE) =>
  answered(
    await fetch(BASE + path, {
      method,
      headers,
      body: Buffer.isBuffer(body) ? new Uint8Array(body) : JSON.stringify(body),
    }),
  );

async function added(train: object = WINCH): Promise<string> {
  return ((await (await send('/api/trains', 'POST', train)).json()) as { id: string }).id;
}

const saving = async (): Promise<Saving> => ({ id: await added(), version: 1, document: WINCH });

const idleSaves = async (): Promise<Waits> =>
  waitsDuring(() => new Promise((done) => setTimeout(done, 1_500)), await saving());

let entries = 0;
const entry = () => {
  const id = `r${entries++}`;
  return {
    id,
    kind: 'reading',
    document: {
      id,
      kind: 'turns',
      position: 'wind',
      member: 'drum',
      turns: 2,
      inputTurns: 24,
      note: 'the third morning on the wharf',
    },
  };
};
const postEntries = (id: string, count: number) =>
  send(`/api/trains/${id}/log`, 'POST', { entries: Array.from({ length: count }, entry) });

async function fillLog(id: string): Promise<void> {
  for (let i = 0; i < 25; i++) await postEntries(id, 2_000);
}

const keepScenario = (id: string, key: string, letters: number) => {
  const points = (count: number) =>
    Array.from({ length: count }, (_, i) => [i + 0.123456789012, 2.000000000001 + (i % 7) / 9.7]);
  const count = Math.floor(letters / 2 / 36);
  const document = {
    format: 'tin-wheel/scenario',
    version: 1,
    motor: { kind: 'table', points: points(count) },
    load: { profile: points(count) },
    order: ['wind'],
  };
  return send(`/api/trains/${id}/scenarios/${key}`, 'PUT', { name: key, document });
};

async function keepScenarios(id: string): Promise<void> {
  for (let i = 0; i < 41; i++) await keepScenario(id, `s${i}`, 700_000);
}

async function sendLarge(): Promise<void> {
  const setAside = Array.from({ length: 400 }, (_, i) => ({
    finding: `${i} ${'worn '.repeat(190)}`,
    note: 'seen '.repeat(98),
  }));
  const large = { ...WINCH, setAside };
  const id = await added(large);
  await send(`/api/trains/${id}`, 'PUT', { version: 1, train: large });
}

/** Eight clients post entries one after another. */
async function postLogs(idle: Waits): Promise<void> {
  const ids = await Promise.all(Array.from({ length: 8 }, () => added()));
  let posts = 0;
  const waits = await waitsDuring(async () => {
    const end = performance.now() + 4_000;
    await Promise.all(
      ids.map(async (id) => {
        for (; performance.now() < end; posts++) await postEntries(id, 1);
      }),
    );
  });
  console.log(
    `8 clients post log entries: ${(posts / (waits.took / 1000)).toFixed(0)} a ` +
      `second (limit 300); ${waitsText(waits, idle)}`,
  );
  const refused = await refusals(8);
  console.log(
    `  posts that are refused before the database: ${(refused.length / (REFUSED_MS / 1000)).toFixed(0)} a second`,
  );
}

const REFUSED_MS = 4_000;

/**
 * How long each of so many clients waits for an answer that needs nothing but the way to a route and back: what no
 * writing can be quicker than on this machine.
 */
async function refusals(clients: number): Promise<readonly number[]> {
  const id = await added();
  const times: number[] = [];
  const end = performance.now() + REFUSED_MS;
  await Promise.all(
    Array.from({ length: clients }, async () => {
      for (let start = performance.now(); start < end; start = performance.now()) {
        const path = `${BASE}/api/trains/${id}/log`;
        await text(await fetch(path, { method: 'POST', headers: JSON_TYPE, body: '{"entries":[]}' }));
        times.push(performance.now() - start);
      }
    }),
  );
  return times;
}

/** Twenty clients save trains, each a little after it has its answer. */
async function saveTrains(): Promise<void> {
  const ids = await Promise.all(Array.from({ length: 20 }, () => added()));
  for (const [pause, what] of [
    [400, 'as often as the Bench does'],
    [50, 'every 50 ms'],
    [0, 'without a pause'],
  ] as const) {
    const times: number[] = [];
    const versions = await Promise.all(
      ids.map(async (id) => ((await (await fetch(`${BASE}/api/trains/${id}`)).json()) as { version: number }).version),
    );
    await Promise.all(
      ids.map(async (id, i) => {
        await new Promise((done) => setTimeout(done, (pause * i) / ids.length));
        for (let n = 0; n < 40; n++) {
          const start = performance.now();
          await send(`/api/trains/${id}`, 'PUT', { version: versions[i]! + n, train: { ...WINCH, notes: String(n) } });
          times.push(performance.now() - start);
          await new Promise((done) => setTimeout(done, pause));
        }
      }),
    );
    console.log(
      `20 clients save trains ${what}: median ${median(times).toFixed(1)} ms (limit 25), p99 ` +
        `${quantile(times, 0.99).toFixed(1)} (limit 150), worst ${Math.max(...times).toFixed(1)}`,
    );
  }
  console.log(`  refused before the database, without a pause: median ${median(await refusals(20)).toFixed(1)} ms`);
}

/** A train with so many pictures of 4.9 MB. */
async function withPictures(count: number): Promise<string> {
  const id = await added();
  for (let i = 0; i < count; i++)
    await send(`/api/trains/${id}/pictures`, 'POST', noise(), { 'content-type': 'image/png' });
  return id;
}

/** A PNG of noise, which no packing makes smaller. */
function noise(): Buffer {
  const [width, height] = [1400, 1165];
  const rows = Buffer.concat(
    Array.from({ length: height }, () => Buffer.concat([Buffer.of(0), randomBytes(width * 3)])),
  );
  const chunk = (type: string, data: Buffer) => {
    const body = Buffer.concat([Buffer.from(type), data]);
    const [size, sum] = [Buffer.alloc(4), Buffer.alloc(4)];
    size.writeUInt32BE(data.length);
    sum.writeUInt32BE(crc32(body));
    return Buffer.concat([size, body, sum]);
  };
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.set([8, 2, 0, 0, 0], 8);
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk('IHDR', head),
    chunk('IDAT', deflateSync(rows, { level: 0 })),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}
