/**
 * Writes of every kind by several clients at once, while the server is killed again and again: what it has acknowledged
 * must be there.
 * `npm run check:kills [-- SEED]`; needs a build. TINWHEEL_KILLS is how often it is killed (40).
 */
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as later } from 'node:timers/promises';
import { seeded } from '../src/core/chance';

const PORT = 3229;
const HERE = `http://127.0.0.1:${PORT}`;
const KILLS = Number(process.env.TINWHEEL_KILLS ?? 40);
const CLIENTS = 6;
const seed = Number(process.argv[2] ?? Date.now() % 1e6);
const random = seeded(seed);
const below = (most: number): number => Math.floor(random() * most);

const folder = mkdtempSync(join(tmpdir(), 'tin-wheel-kills-'));
const winch = JSON.parse(readFileSync('demo/trains/sluice-winch.train.json', 'utf8')) as object;
const search = { format: 'tin-wheel/search', version: 1, target: '9.87', stages: 2, teeth: { min: 12, max: 60 } };
const scenario = {
  format: 'tin-wheel/scenario',
  version: 1,
  motor: { kind: 'hand', torqueNm: 2, rpm: 40 },
  load: {},
  order: ['wind'],
};
const answer = { at: '2026-11-26T08:00:00.000Z', train: 'Winch', skill: 'ratio', right: true, slip: null };
const DOT = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8BQDwAEhQGAhKmMIQAAAABJRU5ErkJggg==',
  'base64',
);

/** What the server has acknowledged, and how to see that it is there. */
interface Acknowledged {
  readonly what: string;
  readonly isThere: () => Promise<boolean>;
}
const acknowledged: Acknowledged[] = [];

/** The answer to a request; throws where there is none, or a refusal. */
async function send(path: string, method = 'GET', body?: unknown): Promise<unknown> {
  const raw = body instanceof Uint8Array;
  const response = await fetch(HERE + path, {
    method,
    ...(body !== undefined && { body: raw ? new Uint8Array(body) : JSON.stringify(body) }),
    ...(body !== undefined && { headers: { 'content-type': raw ? 'image/png' : 'application/json' } }),
  });
  if (!response.ok) throw new Error(`${method} ${path}: ${response.status} ${await response.text()}`);
  return path.includes('/pictures/') || (path.startsWith('/api/bundle') && method === 'GET')
    ? new Uint8Array(await response.arrayBuffer())
    : response.json();
}

const statusOf = async (path: string) => (await fetch(HERE + path)).status;
let count = 0;
const fresh = (kind: string) => `${kind}-${count++}`;
const addTrain = async (name: string) => ((await send('/api/trains', 'POST', { ...winch, name })) as { id: string }).id;

/** Each does one write, and says how to see it once it is acknowledged. */
const WRITES: Readonly<Record<string, () => Promise<() => Promise<boolean>>>> = {
  'a train is added': async () => {
    const name = fresh('train');
    const id = await addTrain(name);
    return async () => ((await send(`/api/trains/${id}`)) as { train: { name: string } }).train.name === name;
  },
  'a train is saved': async () => {
    const id = await addTrain(fresh('saved'));
    const notes = fresh('notes');
    await send(`/api/trains/${id}`, 'PUT', { version: 1, train: { ...winch, notes } });
    return async () => ((await send(`/api/trains/${id}`)) as { train: { notes: string } }).train.notes === notes;
  },
  'a train is taken off': async () => {
    const id = await addTrain(fresh('off'));
    await send(`/api/trains/${id}?version=1`, 'DELETE');
    return async () => (await statusOf(`/api/trains/${id}`)) === 404;
  },
  'a train is put back': async () => {
    const id = await addTrain(fresh('back'));
    await send(`/api/trains/${id}?version=1`, 'DELETE');
    await send(`/api/trains/${id}`, 'POST');
    return async () => (await statusOf(`/api/trains/${id}`)) === 200;
  },
  'a state is named': async () => {
    const id = await addTrain(fresh('named'));
    await send(`/api/trains/${id}/revisions/1`, 'PATCH', { name: 'As built' });
    return async () =>
      ((await send(`/api/trains/${id}/revisions`)) as { revisions: { name: string }[] }).revisions[0]?.name ===
      'As built';
  },
  'a search is kept': () => keep('searches', search),
  'a scenario is kept': () => keep('scenarios', scenario),
  'entries are logged': async () => {
    const ids = [fresh('r'), fresh('r')];
    const entries = ids.map((id) => ({
      id,
      kind: 'reading',
      document: { id, kind: 'turns', position: 'wind', member: 'drum', turns: 2, inputTurns: 24 },
    }));
    await send('/api/trains/sluice-winch/log', 'POST', { entries });
    return async () => ids.every((id) => logged.has(id));
  },
  'a picture is kept': async () => {
    const train = await addTrain(fresh('pictured'));
    const { id } = (await send(`/api/trains/${train}/pictures`, 'POST', DOT)) as { id: string };
    return async () => ((await send(`/api/trains/${train}/pictures/${id}`)) as Uint8Array).length > 20;
  },
  'someone is added, and answers': async () => {
    const id = fresh('person');
    await send('/api/people', 'POST', { id, name: id });
    await send(`/api/people/${id}/answers`, 'POST', { answers: [{ id: 'a', answer }] });
    return async () => ((await send(`/api/people/${id}/answers`)) as { answers: unknown[] }).answers.length === 1;
  },
  'a worksheet is kept': async () => {
    const key = fresh('sheet');
    const document = {
      format: 'tin-wheel/worksheet',
      version: 1,
      name: key,
      trains: [{ train: winch }],
      questions: [{ train: 0, skill: 'ratio', seed: 1 }],
    };
    await send(`/api/worksheets/${key}`, 'PUT', { name: key, document });
    return async () => (await statusOf(`/api/worksheets/${key}`)) === 200;
  },
  'a bundle is brought': async () => {
    const id = await addTrain(fresh('bundled'));
    const zip = (await send(`/api/bundle?train=${id}`)) as Uint8Array;
    const { plan } = (await send('/api/bundle', 'POST', zip)) as { plan: { trains: { name: string }[] } };
    await send(`/api/bundle?restore&train-${id}=both`, 'POST', zip);
    return async () => names.has(`${plan.trains[0]!.name} (restored)`);
  },
};

async function keep(kind: 'searches' | 'scenarios', document: object): Promise<() => Promise<boolean>> {
  const key = fresh(kind);
  const train = await addTrain(fresh('beside'));
  await send(`/api/trains/${train}/${kind}/${key}`, 'PUT', { name: key, document });
  return async () => (await statusOf(`/api/trains/${train}/${kind}/${key}`)) === 200;
}

let logged = new Set<string>();
let names = new Set<string>();

async function lookOnce(): Promise<void> {
  const { entries } = (await send('/api/trains/sluice-winch/log')) as { entries: { id: string }[] };
  logged = new Set(entries.map(({ id }) => id));
  const { trains } = (await send('/api/trains')) as { trains: { name: string }[] };
  names = new Set(trains.map(({ name }) => name));
}

let server: ChildProcess | null = null;
let up = false;

async function start(): Promise<void> {
  server = spawn(process.execPath, ['dist/serve.cjs'], {
    env: {
      ...process.env,
      PORT: String(PORT),
      TINWHEEL_DB: join(folder, 'kills.sqlite'),
      NEXT_TELEMETRY_DISABLED: '1',
    },
    stdio: 'ignore',
  });
  for (let i = 0; i < 300; i++) {
    if ((await statusOf('/api/people').catch(() => 0)) === 200) {
      up = true;
      return;
    }
    await later(100);
  }
  throw new Error('The server did not start. Run npm run build first.');
}

async function kill(): Promise<void> {
  up = false;
  const gone = new Promise((done) => server!.once('exit', done));
  server!.kill('SIGKILL');
  await gone;
}

let over = false;
/** Does one write after another; those that get no answer were not acknowledged. */
async function client(): Promise<void> {
  const kinds = Object.keys(WRITES);
  while (!over) {
    if (!up) {
      await later(20);
      continue;
    }
    const what = kinds[below(kinds.length)]!;
    try {
      const isThere = await WRITES[what]!();
      acknowledged.push({ what, isThere });
    } catch (error) {
      // The server went away in the middle. A refusal is a fault.
      if (/: \d{3} /.test((error as Error).message)) throw error;
    }
  }
}

/** Clients write while the server is killed and started again; then everything that was acknowledged is looked up. */
async function run(): Promise<readonly string[]> {
  await start();
  const clients = Array.from({ length: CLIENTS }, client);
  for (let i = 0; i < KILLS; i++) {
    await later(1_500 + below(3_000));
    await kill();
    await start();
  }
  over = true;
  await Promise.all(clients);
  await lookOnce();
  const lost: string[] = [];
  for (const { what, isThere } of acknowledged) if (!(await isThere().catch(() => false))) lost.push(what);
  return lost;
}

console.log(`seed ${seed}`);
try {
  const lost = await run();
  const told = Object.keys(WRITES).map((what) => `${what}: ${acknowledged.filter((one) => one.what === what).length}`);
  console.log(`${KILLS} kills, ${acknowledged.length} writes acknowledged (${told.join(', ')}); lost: ${lost.length}`);
  for (const what of lost) console.log(`  lost: ${what}`);
  process.exitCode = lost.length > 0 ? 1 : 0;
} finally {
  over = true;
  await kill();
  rmSync(folder, { recursive: true });
}
