import { senderRefusal } from './sender';

const HOST = '127.0.0.1:3210';
const ask = (method = 'GET', headers: Record<string, string> = {}) =>
  senderRefusal({ method, headers: new Headers({ host: HOST, ...headers }) });

describe('who may ask', () => {
  test('this machine by its local names, and the hosts that are added', () => {
    for (const host of ['127.0.0.1', 'localhost:3000', 'LOCALHOST', 'LocalHost:80', '[::1]:80'])
      expect(ask('GET', { host })).toBeNull();
    expect(ask('GET', { host: 'salt.example' })).toMatchObject({ status: 421 });
    process.env.TINWHEEL_HOSTS = 'salt.example';
    expect(ask('GET', { host: 'salt.example:8080' })).toBeNull();
    delete process.env.TINWHEEL_HOSTS;
  });

  test('no empty host, whatever hosts are added', () => {
    expect(ask('GET', { host: '' })).toMatchObject({ status: 421 });
    process.env.TINWHEEL_HOSTS = ',';
    expect(ask('GET', { host: '' })).toMatchObject({ status: 421 });
    delete process.env.TINWHEEL_HOSTS;
  });

  test('writes only from this very site', () => {
    expect(ask('POST', { origin: `http://${HOST}` })).toBeNull();
    expect(ask('POST', { origin: 'http://elsewhere.example' })).toMatchObject({ status: 403 });
    expect(ask('PUT', { origin: 'http://127.0.0.1:9999' })).toMatchObject({ status: 403 });
    expect(ask('DELETE', { origin: 'null' })).toMatchObject({ status: 403 });
  });

  test('a write without an origin comes from a tool, not from a browser', () => {
    expect(ask('POST')).toBeNull();
    expect(ask('POST', { 'sec-fetch-site': 'cross-site' })).toMatchObject({ status: 403 });
  });

  test('reading is not a write', () => {
    expect(ask('GET', { origin: 'http://elsewhere.example' })).toBeNull();
    expect(ask('HEAD', { origin: 'http://elsewhere.example' })).toBeNull();
  });
});
