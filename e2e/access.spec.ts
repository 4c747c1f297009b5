import { connect } from 'node:net';
import { seriousFaultsOf } from './accessibility';
import { expect, test } from './journey';
import { freshTrain } from './shelf-copies';

for (const theme of ['salt', 'soot']) {
  test(`no view has a serious accessibility fault in ${theme}`, async ({ page, request, context, baseURL }) => {
    test.slow();
    await context.addCookies([{ name: 'theme', value: theme, url: baseURL! }]);
    const check = async (where: string) => {
      await expect(page.locator('html')).toHaveAttribute('data-theme', theme);
      expect(await seriousFaultsOf(page), where).toEqual([]);
    };
    await page.goto('/');
    await check('shelf');
    await page.goto(await freshTrain(request, 'harvester'));
    for (const tab of ['Trace', 'Figures', 'Working', 'Checks']) {
      await page.getByRole('tab', { name: tab }).click();
      await check(tab);
    }
    await page.getByRole('button', { name: 'Body', exact: true }).click();
    await expect(page.getByRole('region', { name: 'Body' }).getByText('Members', { exact: true })).toBeVisible();
    await check('body');
    await page.goto('/schemes');
    await check('schemes');
    await page.goto(await freshTrain(request, 'pan-rake'));
    await page.getByRole('button', { name: /^1\+2/ }).click();
    await check('locked');
    await page.keyboard.press('n');
    await check('neutral');
    await page.keyboard.press('?');
    await check('keys');
    await page.keyboard.press('Escape');
    await page.keyboard.press('Shift+Digit2');
    await expect(page.getByRole('grid', { name: 'Shift chart' })).toBeVisible();
    await check('chart');
  });
}

test('a write from another site, to another host name, or of the wrong kind is refused', async ({
  request,
  baseURL,
}) => {
  const foreign = await request.post('/api/trains', { data: {}, headers: { origin: 'http://elsewhere.example' } });
  expect(foreign.status()).toBe(403);
  const wrongHost = await request.get('/api/trains', { headers: { host: 'elsewhere.example' } });
  expect(wrongHost.status()).toBe(421);
  const notJson = await request.post('/api/trains', {
    data: 'name=x',
    headers: { origin: baseURL!, 'content-type': 'text/plain' },
  });
  expect(notJson.status()).toBe(415);
  const bad = await request.post('/api/trains', {
    data: { format: 'tin-wheel/train', version: 1 },
    headers: { origin: baseURL! },
  });
  expect(bad.status()).toBe(422);
  expect(((await bad.json()) as { error: { message: string } }).error.message).toContain('name');
});

test('every answer carries the headers that keep browsers from guessing, and a content policy', async ({ request }) => {
  const page = await (await request.get('/')).text();
  const script = /\/_next\/static\/[^"]+\.js/.exec(page)![0];
  for (const path of ['/', script, '/icon.svg', '/api/trains', '/nowhere', '/%']) {
    const headers = (await request.get(path)).headers();
    expect([
      headers['x-content-type-options'],
      headers['x-frame-options'],
      headers['referrer-policy'],
      headers['cross-origin-opener-policy'],
      headers['cross-origin-resource-policy'],
    ]).toEqual(['nosniff', 'DENY', 'same-origin', 'same-origin', 'same-origin']);
    expect(headers['permissions-policy']).toContain('camera=()');
    expect(headers['content-security-policy']).toMatch(/^default-src '(self|none)'/);
  }
});

test('what is no request, or has too long a head, is refused with the same headers', async ({ baseURL }) => {
  const { hostname, port } = new URL(baseURL!);
  const say = (text: string): Promise<string> =>
    new Promise((done, fail) => {
      let said = '';
      const socket = connect(Number(port), hostname, () => socket.write(text));
      socket.on('data', (bytes) => void (said += bytes.toString('latin1')));
      socket.on('end', () => done(said)).on('error', fail);
    });
  for (const [text, status] of [
    ['NONSENSE\r\n\r\n', 400],
    [`GET / HTTP/1.1\r\nHost: ${hostname}\r\nX: ${'x'.repeat(40_000)}\r\n\r\n`, 431],
  ] as const) {
    const said = await say(text);
    expect(said).toMatch(new RegExp(`^HTTP/1.1 ${status} `));
    expect(said).toMatch(/x-content-type-options: nosniff/);
    expect(said).toMatch(/content-security-policy: default-src 'none'/);
    expect(said).toMatch(/cross-origin-resource-policy: same-origin/);
  }
});

test('a kept picture is sent as what it is, and opened by itself it is in a sandbox', async ({ request, baseURL }) => {
  const { trains } = (await (await request.get('/api/trains')).json()) as { trains: { id: string }[] };
  const pictures = `/api/trains/${trains[0]!.id}/pictures`;
  const dot = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8BQDwAEhQGAhKmMIQAAAABJRU5ErkJggg==',
    'base64',
  );
  const kept = await request.post(pictures, { data: dot, headers: { origin: baseURL!, 'content-type': 'image/png' } });
  const { id } = (await kept.json()) as { id: string };
  const shown = await request.get(`${pictures}/${id}`);
  expect(shown.headers()['content-type']).toBe('image/png');
  expect(shown.headers()['content-security-policy']).toMatch(/; sandbox$/);
  expect((await shown.body()).equals(dot)).toBe(true);
  expect((await request.get('/api/trains')).headers()['content-type']).toMatch(/^application\/json/);
});

test('values are sent packed', async ({ request }) => {
  const answer = await request.get('/api/trains', { headers: { 'accept-encoding': 'gzip' } });
  expect(answer.headers()['content-encoding']).toBe('gzip');
});
