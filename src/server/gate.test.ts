import { refusalHeaders, securityHeaders, refuseArriving } from './gate';

const HOST = '127.0.0.1:3210';
const ask = (url: string, method = 'GET', headers: Record<string, string> = {}) =>
  refuseArriving({ method, url, headers: new Headers({ host: HOST, ...headers }) });
const PATHS = ['/', '/trains/rake', '/_next/static/chunks/a.js', '/icon.svg', '/api/trains', '/nowhere'];

describe('the gate', () => {
  test('lets pass what may', () => {
    for (const path of PATHS) expect(ask(path)).toBeNull();
    for (const method of ['POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS']) expect(ask('/api/trains', method)).toBeNull();
    expect(ask('/trains/a%20b?v=%E2%82%AC&x=%')).toBeNull();
  });

  test('is for hosts that are served only, whatever is asked for and however', () => {
    for (const path of PATHS) {
      for (const method of ['GET', 'HEAD', 'OPTIONS', 'POST', 'TRACE']) {
        for (const host of ['salt.example', '']) expect(ask(path, method, { host })).toMatchObject({ status: 421 });
      }
    }
  });

  test('turns away changes that another site sends', () => {
    expect(ask('/api/trains', 'POST', { origin: 'http://salt.example' })).toMatchObject({ status: 403 });
    expect(ask('/api/trains', 'POST', { origin: `http://${HOST}` })).toBeNull();
  });

  test('gives bundles to its own pages and to tools, and to no other site', () => {
    for (const site of ['cross-site', 'same-site'])
      for (const path of ['/api/bundle', '/api/bundle?train=rake'])
        expect(ask(path, 'GET', { 'sec-fetch-site': site })).toMatchObject({ status: 403, code: 'origin' });
    for (const site of ['same-origin', 'none'])
      expect(ask('/api/bundle', 'GET', { 'sec-fetch-site': site })).toBeNull();
    expect(ask('/api/bundle')).toBeNull();
    expect(ask('/trains/rake', 'GET', { 'sec-fetch-site': 'cross-site' })).toBeNull();
  });

  test('says which methods there are', () => {
    expect(ask('/api/trains', 'TRACE')).toMatchObject({
      status: 405,
      headers: { allow: 'GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS' },
    });
    for (const method of ['POST', 'PROPFIND', 'TRACE'])
      expect(ask('/trains/rake', method)).toMatchObject({ status: 405, headers: { allow: 'GET, HEAD, OPTIONS' } });
    expect(ask('/trains/rake', 'OPTIONS')).toMatchObject({ status: 204, headers: { allow: 'GET, HEAD, OPTIONS' } });
  });

  test('turns away addresses that stand for nothing', () => {
    for (const path of [
      '/%',
      '/trains/%E0%A4%A',
      '/api/trains/%E0',
      '/api/trains/%00',
      '/trains/a%0Ab',
      '/_next/static/%ZZ',
    ])
      expect(ask(path)).toMatchObject({ status: 400, code: 'bad-address' });
  });
});

describe('what answers carry', () => {
  const policy = (url: string) => securityHeaders(url)['content-security-policy'];

  test('a content policy by what they are; pages bring their own', () => {
    expect(policy('/api/trains/rake/pictures/ab?x')).toMatch(/^default-src 'none'.*; sandbox$/);
    for (const url of ['/api/trains', '/api/bundle?train=a', '/api/trains/rake/pictures', '/api'])
      expect(policy(url)).toMatch(/^default-src 'none'(?!.*sandbox)/);
    for (const url of ['/_next/static/chunks/a.js', '/icon.svg']) expect(policy(url)).toMatch(/^default-src 'self'/);
    for (const url of ['/', '/trains/rake', '/apiary']) expect(policy(url)).toBeUndefined();
  });

  test('what keeps other sites from taking them, wherever they come from', () => {
    for (const headers of [securityHeaders('/'), securityHeaders('/api/trains'), refusalHeaders])
      expect(headers).toMatchObject({
        'cross-origin-resource-policy': 'same-origin',
        'permissions-policy': expect.stringContaining('camera=()'),
        'x-content-type-options': 'nosniff',
      });
  });
});
