import { spawn } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import sqlite3 from 'sqlite3';
import { tangledTrain } from '../src/testing/tangled-train';
import { expect, test } from './journey';
import { OwnServer } from './own-server';

const FOLDER = 'test-results/safe';
const FILE = `${FOLDER}/data.sqlite`;
const server = new OwnServer(3221, FILE);

test.beforeEach(() => {
  rmSync(FOLDER, { recursive: true, force: true });
  mkdirSync(FOLDER, { recursive: true });
});
test.afterEach(() => server.end());

const damage = (id: string, document: string): Promise<void> =>
  new Promise((done, fail) => {
    const database = new sqlite3.Database(FILE, (opened) => {
      if (opened) return fail(opened);
      database.run('UPDATE trains SET document = ?, summary = NULL WHERE id = ?', [document, id], (error) =>
        database.close(() => (error ? fail(error) : done())),
      );
    });
  });

test('a train that cannot be read: listed by name, had as it is, replaced; the others as ever', async ({
  page,
  context,
}) => {
  await context.addCookies([{ name: 'visited', value: 'yes', url: server.address }]);
  server.start();
  await server.answers();
  await damage('stirrer', '{"format": "tin-wheel/train", "version": 1');
  await page.goto(server.address);
  const card = page.getByRole('listitem').filter({ hasText: 'This train is saved, but it cannot be read.' });
  await page.getByRole('searchbox', { name: 'Find a train' }).fill('stirrer');
  await expect(card.getByRole('heading')).toBeVisible();
  await expect(card).toContainText('This is not JSON');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    card.getByRole('link', { name: 'Save it as it is' }).click(),
  ]);
  expect(readFileSync((await download.path())!, 'utf8')).toBe('{"format": "tin-wheel/train", "version": 1');

  const other = await context.newPage();
  await other.goto(`${server.address}/trains/stirrer`);
  await expect(other.getByText('This train is saved, but it cannot be read')).toBeVisible();
  await other.close();

  await card.locator('input[type=file]').setInputFiles('package.json');
  await expect(page.getByRole('status')).toContainText('package.json does not read either');
  await card.locator('input[type=file]').setInputFiles('demo/trains/stirrer.train.json');
  await expect(page.getByRole('status')).toContainText('was replaced.');
  await expect(card).toHaveCount(0);
  await page.getByRole('link', { name: /stirrer/i }).click();
  await expect(page.getByTestId('ratio')).toHaveText('4.000');
});

test('a database that is damaged is said on the page and by the API, and opened once it is mended', async ({
  page,
  context,
}) => {
  await context.addCookies([{ name: 'visited', value: 'yes', url: server.address }]);
  writeFileSync(FILE, 'not a database at all, and long enough that nobody takes it for an empty one. '.repeat(20));
  server.start();
  await server.answers(false);
  await page.goto(server.address);
  await expect(page.getByRole('heading', { name: 'The shelf cannot be opened' })).toBeVisible();
  await expect(page.getByText('Put a copy in its place')).toBeVisible();
  const refused = await fetch(`${server.address}/api/trains`);
  expect(refused.status).toBe(503);
  expect(await refused.json()).toMatchObject({
    error: { code: 'database', message: expect.stringContaining('is no database') },
  });
  rmSync(FILE);
  await page.getByRole('link', { name: 'Try again' }).click();
  await expect(page.getByRole('listitem').first()).toBeVisible();
});

test('asked to stop, the server is gone within five seconds, whatever clients do', async () => {
  server.start();
  await server.answers();
  const hanging = Array.from({ length: 4 }, () =>
    fetch(`${server.address}/api/trains`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: new ReadableStream({ start() {} }),
      duplex: 'half',
    } as RequestInit).catch(() => null),
  );
  await new Promise((done) => setTimeout(done, 500));
  const asked = Date.now();
  await server.end('SIGTERM');
  expect(Date.now() - asked).toBeLessThan(5_000);
  await Promise.all(hanging);
});

test('every answer carries what protects it, and what cannot be asked is said', async () => {
  server.start();
  await server.answers();
  const ask = (path: string, method = 'GET') => fetch(server.address + path, { method, redirect: 'manual' });
  for (const path of [
    '/',
    '/trains/stirrer',
    '/icon.svg',
    '/nowhere',
    '/api/trains',
    '/api/nowhere',
    '/_next/static/nothing.js',
    '/api/trains/%E0',
    '/trains/%',
    '/%00',
  ]) {
    expect(Object.fromEntries((await ask(path)).headers), path).toMatchObject({
      'x-content-type-options': 'nosniff',
      'x-frame-options': 'DENY',
      'referrer-policy': 'same-origin',
      'cross-origin-opener-policy': 'same-origin',
    });
  }
  for (const path of ['/api/trains/%E0', '/trains/%', '/%00', '/_next/static/%ZZ'])
    expect((await ask(path)).status, path).toBe(400);
  expect((await ask('/api/nowhere')).status).toBe(404);
  const refused = await ask('/trains/stirrer', 'PROPFIND');
  expect([refused.status, refused.headers.get('allow')]).toEqual([405, 'GET, HEAD, OPTIONS']);
  const listed = await ask('/api/trains');
  expect([listed.headers.get('cache-control'), listed.headers.get('content-encoding')]).toEqual(['no-store', 'gzip']);
  expect(await (await ask('/api/health')).json()).toMatchObject({
    database: 'answers',
    freeBytes: expect.any(Number),
    workers: { threads: expect.any(Number), waiting: 0 },
  });
});

test('the demo data is not put back while a server has the file open, on whatever port', async () => {
  server.start();
  await server.answers();
  // Not in one go: this program's own connections to the server have to be heeded meanwhile.
  const reset = spawn('bin/demo', ['--reset'], { env: { ...process.env, TINWHEEL_DB: FILE } });
  let said = '';
  reset.stderr.on('data', (text: Buffer) => (said += text.toString()));
  expect(await new Promise((done) => reset.on('close', done))).toBe(1);
  expect(said).toContain('is open in another process, so it is not reset');
  expect(said).toContain('dist/serve.cjs');
  expect((await fetch(`${server.address}/api/trains/stirrer`)).status).toBe(200);
});

test('a tangle is seen soon on the shelf and on the bench, and can be worked on', async ({ page, context }) => {
  await context.addCookies([{ name: 'visited', value: 'yes', url: server.address }]);
  server.start();
  await server.answers();
  const tangle = tangledTrain({ sets: 24, couplers: 12, fixed: 8 });
  const added = await fetch(`${server.address}/api/trains`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(tangle),
  });
  await page.goto(server.address);
  const card = page.getByRole('listitem').filter({ hasText: tangle.name });
  await card.scrollIntoViewIfNeeded();
  await expect(card.locator('svg').first()).toBeVisible();
  await page.goto(`${server.address}/trains/${((await added.json()) as { id: string }).id}`);
  const drawing = page.locator('svg[data-drawing=side-view]');
  await expect(drawing).toBeVisible();
  // Another tooth count shows at once, whatever is still being laid out.
  const gear = page.getByRole('button', { name: /^Gear on/ }).first();
  await gear.dispatchEvent('click');
  await page.getByRole('textbox', { name: 'Teeth' }).fill('41');
  await expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible();
  await expect(drawing).toBeVisible();
});
