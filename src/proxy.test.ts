import { NextRequest } from 'next/server';
import { proxy } from './proxy';

const HOST = '127.0.0.1:3210';
const ask = (path: string, method = 'GET', headers: Record<string, string> = {}) =>
  proxy(new NextRequest(`http://${HOST}${path}`, { method, headers: { host: HOST, ...headers } }));

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
