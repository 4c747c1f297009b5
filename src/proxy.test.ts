import { NextRequest } from 'next/server';
import { proxy } from './proxy';

const HOST = '127.0.0.1:3210';
const ask = (path: string, method = 'GET', headers: Record<string, string> = {}) => proxy(new NextRequest(`http://${HOST}${path}`, { method, headers: { host: HOST, ...headers } }));

describe('who may ask', () => {
  test('this machine by its local names, and the hosts that are added', () => {
    for (const host of ['127.0.0.1', 'localhost:3000', '[::1]:80']) expect(ask('/', 'GET', { host }).status).toBe(200);
    expect(ask('/', 'GET', { host: 'salt.example' }).status).toBe(421);
    process.env.TINWHEEL_HOSTS = 'salt.example';
    expect(ask('/', 'GET', { host: 'salt.example:8080' }).status).toBe(200);
    delete process.env.TINWHEEL_HOSTS;
  });

  test('writes only from this very site', () => {
    expect(ask('/api/trains', 'POST', { origin: `http://${HOST}` }).status).toBe(200);
    expect(ask('/api/trains', 'POST', { origin: 'http://elsewhere.example' }).status).toBe(403);
    expect(ask('/api/trains', 'PUT', { origin: 'http://127.0.0.1:9999' }).status).toBe(403);
    expect(ask('/api/trains', 'DELETE', { origin: 'null' }).status).toBe(403);
  });

  test('a write without an origin comes from a tool, not from a browser', () => {
    expect(ask('/api/trains', 'POST').status).toBe(200);
    expect(ask('/api/trains', 'POST', { 'sec-fetch-site': 'cross-site' }).status).toBe(403);
  });

  test('reading is not a write', () => {
    expect(ask('/api/trains', 'GET', { origin: 'http://elsewhere.example' }).status).toBe(200);
    expect(ask('/', 'HEAD', { origin: 'http://elsewhere.example' }).status).toBe(200);
  });
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

  test('and every answer the headers that keep browsers from guessing', () => {
    for (const path of ['/', '/api/trains']) {
      const { headers } = ask(path);
      expect([headers.get('x-content-type-options'), headers.get('x-frame-options'), headers.get('referrer-policy')]).toEqual(['nosniff', 'DENY', 'same-origin']);
    }
    expect(policy('/api/trains')).toBeNull();
  });
});
