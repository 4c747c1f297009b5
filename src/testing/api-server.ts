import type * as z from 'zod/mini';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { database } from '@/server/database';
import { BODIES } from '@/wire/bodies';
import { ENDPOINTS } from '@/wire/endpoints';
import { stopWorkers } from '@/server/heavy';
import { dropDueSummaries } from '@/server/trains/shelf';

type Handler = (request: Request, context: { params: Promise<object> }) => Promise<Response>;

interface ApiServer {
  /** It cannot be reached. */
  away: boolean;
  /** Answers instead of the routes. */
  answer: (() => Response) | null;
}

const API = resolve('src/app/api');

/** Answers fetch with the API's own routes on a real database of the test's own, without the way over the network. */
export function apiServer(): ApiServer {
  const server: ApiServer = { away: false, answer: null };
  const { fetch } = globalThis;
  let folder: string;
  beforeAll(() => {
    folder = mkdtempSync(join(tmpdir(), 'tin-wheel-api-'));
    process.env.TINWHEEL_DB = join(folder, 'test.sqlite');
    globalThis.fetch = async (address, init) => {
      if (server.away) throw new TypeError('fetch failed');
      if (server.answer) return server.answer();
      const request = new Request(`http://127.0.0.1${String(address)}`, {
        ...init,
        headers: { host: '127.0.0.1', ...(init?.headers as Record<string, string>) },
      });
      const { handler, params } = routeOf(new URL(request.url).pathname, request.method);
      const response = await handler(request, { params: Promise.resolve(params) });
      await checkReply(request, response.clone());
      return response;
    };
  });
  afterEach(() => Object.assign(server, { away: false, answer: null }));
  afterAll(async () => {
    globalThis.fetch = fetch;
    dropDueSummaries();
    await stopWorkers();
    await (await database()).close();
    rmSync(folder, { recursive: true });
  });
  return server;
}

/** Every answer of these tests is checked against the contract: one of the endpoints at its address replies so. */
async function checkReply({ method, url }: Request, response: Response): Promise<void> {
  const sent = new URL(url);
  if (!response.ok || sent.searchParams.has('as-kept')) return;
  const schemas = (Object.keys(ENDPOINTS) as (keyof typeof ENDPOINTS)[]).flatMap((name) => {
    const { path, method: own } = ENDPOINTS[name];
    const pattern = new RegExp(`^${path.replace(/:\w+/g, '[^/]+')}$`);
    const reply: z.ZodMiniType | 'file' = BODIES[name].reply;
    return own === method && pattern.test(sent.pathname) ? [reply] : [];
  });
  if (schemas.includes('file')) return;
  const value: unknown = await response.json();
  if (!schemas.some((schema) => schema !== 'file' && schema.safeParse(value).success))
    throw new Error(`${method} ${sent.pathname} answers otherwise than its contract: ${JSON.stringify(value)}`);
}

/** The route file whose folders name the address, as Next finds it: plain names before [names]. */
function routeOf(pathname: string, method: string): { readonly handler: Handler; readonly params: object } {
  const steps = pathname.split('/').slice(2).map(decodeURIComponent);
  const params: Record<string, string> = {};
  let folder = API;
  for (const step of steps) {
    const names = readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
      entry.isDirectory() ? entry.name : [],
    );
    const name = names.find((one) => one === step) ?? names.find((one) => /^\[\w+\]$/.test(one));
    if (name === undefined) throw new Error(`No route has the address ${pathname}.`);
    if (name !== step) params[name.slice(1, -1)] = step;
    folder = join(folder, name);
  }
  const route = jest.requireActual<Record<string, Handler>>(join(folder, 'route.ts'));
  return { handler: route[method]!, params };
}
