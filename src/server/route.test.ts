import { route } from './route';

const asked = (method: string, headers: Record<string, string> = {}) =>
  new Request('http://127.0.0.1/api/x', { method, headers: { host: '127.0.0.1', ...headers } });

describe('an address of the API', () => {
  const fixed = route({ GET: async () => Response.json({ done: true }) });
  const kept = route<{ id: string }>({
    GET: async (_, { id }) => Response.json({ id }, { headers: { 'cache-control': 'private, max-age=60' } }),
    POST: async () => Promise.reject(new Error('broken inside')),
  });

  test('does its work with the parts of its address, or with none', async () => {
    expect(await (await fixed.GET(asked('GET'), {})).json()).toEqual({ done: true });
    expect(await (await kept.GET(asked('GET'), { params: Promise.resolve({ id: 'rake' }) })).json()).toEqual({
      id: 'rake',
    });
  });

  test('is stored by no browser unless it says so', async () => {
    expect((await fixed.GET(asked('GET'), {})).headers.get('cache-control')).toBe('no-store');
    expect(
      (await kept.GET(asked('GET'), { params: Promise.resolve({ id: 'rake' }) })).headers.get('cache-control'),
    ).toBe('private, max-age=60');
  });

  test('says what is allowed where it is asked for something else', async () => {
    const refused = await fixed.PUT(asked('PUT'), {});
    expect([refused.status, refused.headers.get('allow')]).toEqual([405, 'GET, HEAD, OPTIONS']);
    expect(await refused.json()).toEqual({
      error: { code: 'method', message: 'This address answers GET, HEAD only.' },
    });
  });

  test('a failure inside is an answer too', async () => {
    const log = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    const failed = await kept.POST(asked('POST'), { params: Promise.resolve({ id: 'x' }) });
    expect([failed.status, failed.headers.get('cache-control')]).toEqual([500, 'no-store']);
    log.mockRestore();
  });
});
