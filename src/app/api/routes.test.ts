import { readdirSync } from 'node:fs';
import { resolve } from 'node:path';
import { ENDPOINTS } from '@/wire/endpoints';

type Handler = (request: Request, context: { params: Promise<object> }) => Promise<Response>;

const METHODS = ['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS'] as const;
const API = 'src/app/api';
const files = (readdirSync(API, { recursive: true }) as string[]).filter((file) => file.endsWith('route.ts'));
const handlers = files.flatMap((file) => {
  const route = jest.requireActual<Partial<Record<string, Handler>>>(resolve(API, file));
  return METHODS.flatMap((method) => (route[method] ? [[`${method} ${file}`, method, route[method]] as const] : []));
});

const answer = (handler: Handler, method: string, headers: Record<string, string>, id = 'x') =>
  handler(new Request(`http://127.0.0.1/api/trains/${encodeURIComponent(id)}`, { method, headers }), {
    params: Promise.resolve({ id, version: '1' }),
  });
const send = async (...sent: Parameters<typeof answer>) => (await answer(...sent)).status;

/** Is a method answered by this address? */
async function allows(method: string, file: string): Promise<boolean> {
  const options = handlers.find(([name]) => name === `OPTIONS ${file}`)![2];
  const allowed = (await answer(options, 'OPTIONS', { host: '127.0.0.1' })).headers.get('allow')!;
  return allowed.split(', ').includes(method);
}

// A refused request never gets as far as the database.
describe('every route of the API', () => {
  test('there are some', () => {
    expect(handlers.length).toBeGreaterThan(8);
  });

  test.each(handlers)('%s answers no other host name, and no empty one', async (_name, method, handler) => {
    expect(await send(handler, method, { host: 'elsewhere.example' })).toBe(421);
    expect(await send(handler, method, { host: '' })).toBe(421);
  });

  test.each(files.filter((file) => !file.startsWith('[...unknown]')))(
    '%s says what it answers, stores nothing in browsers, and refuses the rest with 405',
    async (file) => {
      const own = handlers.filter(([name]) => name.endsWith(` ${file}`));
      expect(own.map(([, method]) => method)).toEqual([...METHODS]);
      const options = await answer(own.find(([, method]) => method === 'OPTIONS')![2], 'OPTIONS', {
        host: '127.0.0.1',
      });
      const allowed = options.headers.get('allow')!.split(', ');
      expect([options.status, options.headers.get('cache-control')]).toEqual([204, 'no-store']);
      const others = own.filter(([, method]) => !allowed.includes(method));
      expect(others.length).toBeGreaterThan(0);
      for (const [, method, handler] of others) {
        const refused = await answer(handler, method, { host: '127.0.0.1' });
        expect([refused.status, refused.headers.get('allow')]).toEqual([405, options.headers.get('allow')]);
      }
    },
  );

  test.each(
    handlers.filter(([name, method]) => name.includes('[') && ['GET', 'POST', 'PUT', 'DELETE'].includes(method)),
  )('%s takes no address with a NUL in it', async (_name, method, handler) => {
    expect(await send(handler, method, { host: '127.0.0.1' }, 'a\u0000b')).toBe(400);
  });

  test.each(handlers.filter(([, method]) => method !== 'GET' && method !== 'HEAD'))(
    '%s takes nothing from another site',
    async (_name, method, handler) => {
      expect(await send(handler, method, { host: '127.0.0.1', origin: 'http://elsewhere.example' })).toBe(403);
    },
  );
});

test('every endpoint of the contract has its route, and no route answers anything else', async () => {
  const contract = Object.values(ENDPOINTS).map(
    ({ method, path }) => `${method} ${path.replace('/api/', '').replace(/:(\w+)/g, '[$1]')}/route.ts`,
  );
  const answered: string[] = [];
  for (const file of files.filter((one) => !one.startsWith('[...unknown]')))
    for (const method of ['GET', 'POST', 'PUT', 'PATCH', 'DELETE'])
      if (await allows(method, file)) answered.push(`${method} ${file}`);
  expect(new Set(answered)).toEqual(new Set(contract));
});
