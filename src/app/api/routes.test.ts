import { readdirSync } from 'node:fs';
import { resolve } from 'node:path';

type Handler = (request: Request, context: { params: Promise<object> }) => Promise<Response>;

const METHODS = ['GET', 'POST', 'PUT', 'PATCH', 'DELETE'] as const;
const API = 'src/app/api';
const files = (readdirSync(API, { recursive: true }) as string[]).filter((file) => file.endsWith('route.ts'));
const handlers = files.flatMap((file) => {
  const route = jest.requireActual<Partial<Record<string, Handler>>>(resolve(API, file));
  return METHODS.flatMap((method) => (route[method] ? [[`${method} ${file}`, method, route[method]] as const] : []));
});

const send = async (handler: Handler, method: string, headers: Record<string, string>) => {
  const request = new Request('http://127.0.0.1/api', { method, headers });
  return (await handler(request, { params: Promise.resolve({ id: 'x', version: '1' }) })).status;
};

// A refused request never gets as far as the database.
describe('every route of the API', () => {
  test('there are some', () => {
    expect(handlers.length).toBeGreaterThan(8);
  });

  test.each(handlers)('%s answers no other host name', async (_name, method, handler) => {
    expect(await send(handler, method, { host: 'elsewhere.example' })).toBe(421);
  });

  test.each(handlers.filter(([, method]) => method !== 'GET'))('%s takes nothing from another site', async (_name, method, handler) => {
    expect(await send(handler, method, { host: '127.0.0.1', origin: 'http://elsewhere.example' })).toBe(403);
  });
});
