import AxeBuilder from '@axe-core/playwright';
import { expect, test } from './journey';
import { freshTrain } from './shelf-copies';

for (const theme of ['salt', 'soot']) {
  test(`no view has a serious accessibility fault in ${theme}`, async ({ page, request, context, baseURL }) => {
    test.slow();
    await context.addCookies([{ name: 'theme', value: theme, url: baseURL! }]);
    const check = async (where: string) => {
      await expect(page.locator('html')).toHaveAttribute('data-theme', theme);
      const { violations } = await new AxeBuilder({ page }).analyze();
      expect(
        violations
          .filter(({ impact }) => impact === 'serious' || impact === 'critical')
          .map(({ id, nodes }) => `${where}: ${id}: ${nodes[0]?.html}`),
      ).toEqual([]);
    };
    await page.goto('/');
    await check('shelf');
    await page.goto(await freshTrain(request, 'harvester'));
    for (const tab of ['Trace', 'Figures', 'Working', 'Checks']) {
      await page.getByRole('tab', { name: tab }).click();
      await check(tab);
    }
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

test('every answer carries the headers that keep browsers from guessing, and only pages a content policy', async ({
  request,
}) => {
  for (const path of ['/', '/api/trains']) {
    const headers = (await request.get(path)).headers();
    expect([
      headers['x-content-type-options'],
      headers['x-frame-options'],
      headers['referrer-policy'],
      headers['cross-origin-opener-policy'],
    ]).toEqual(['nosniff', 'DENY', 'same-origin', 'same-origin']);
    expect('content-security-policy' in headers).toBe(path === '/');
  }
});
