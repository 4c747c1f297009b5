import { NextRequest } from 'next/server';
import { proxy } from './proxy';

const HOST = '127.0.0.1:3210';
const ask = (path: string, method = 'GET', headers: Record<string, string> = {}) => proxy(new NextRequest(`http://${HOST}${path}`, { method, headers: { host: HOST, ...headers } }));

test('only hosts that are served get a page', async () => {
  expect(ask('/').status).toBe(200);
  const refused = ask('/', 'GET', { host: 'salt.example' });
  expect([refused.status, ((await refused.json()) as { error: { code: string } }).error.code]).toEqual([421, 'host']);
});

test('scripts, styles and pictures too are for hosts that are served only', () => {
  for (const path of ['/_next/static/chunks/a.js', '/icon.svg']) {
    expect(ask(path).status).toBe(200);
    expect(ask(path, 'GET', { host: 'salt.example' }).status).toBe(421);
    expect(ask(path, 'OPTIONS', { host: 'salt.example' }).status).toBe(421);
  }
});

describe('what pages carry', () => {
  const policy = (path: string) => ask(path).headers.get('content-security-policy');

  test('a content security policy with a nonce of their own', () => {
    const [first, second] = [policy('/'), policy('/')];
    expect(first).toContain("default-src 'self'");
    expect(first).toMatch(/script-src 'self' 'nonce-[\w+/=]+' 'strict-dynamic'/);
    expect(first).not.toContain('unsafe-eval');
    expect(first).not.toBe(second);
  });
});
