import { test as base, type Page } from '@playwright/test';
import { OwnServer } from './own-server';

export { expect, type APIRequestContext, type Page } from '@playwright/test';

/**
 * Until React has taken the page over, a press on it is lost, as on any page that is only just loading; nobody is that
 * fast, a script is.
 */
async function answering(page: Page): Promise<void> {
  await page.waitForFunction(() =>
    [...document.querySelectorAll('button, a')].some((element) =>
      Object.keys(element).some((key) => key.startsWith('__reactProps')),
    ),
  );
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
}

/** The first of the ports at which the servers of journeys listen, one for each worker. */
const FIRST_PORT = 3230;

/**
 * A journey: its page is gone to, or loaded again, until it answers. Journeys of one file follow each other; those of
 * others run beside them on a server and a database of their own.
 */
export const test = base.extend<object, { readonly server: OwnServer }>({
  server: [
    async ({}, run, { parallelIndex }) => {
      const server = new OwnServer(FIRST_PORT + parallelIndex, `test-results/data/journeys-${parallelIndex}.sqlite`);
      server.start();
      await server.answers();
      await run(server);
      await server.end('SIGTERM');
    },
    { scope: 'worker', timeout: 60_000 },
  ],
  baseURL: async ({ server }, run) => run(server.address),
  page: async ({ page }, run) => {
    for (const go of ['goto', 'reload'] as const) {
      const plain = page[go].bind(page) as (...args: unknown[]) => Promise<null>;
      page[go] = async (...args: unknown[]) => {
        const response = await plain(...args);
        await answering(page);
        return response;
      };
    }
    await run(page);
  },
});
