import { test as base, type Page } from '@playwright/test';

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

/** A journey: its page is gone to, or loaded again, until it answers. */
export const test = base.extend({
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
