import type { Locator } from '@playwright/test';
import { expect, type Page } from './journey';

/** What journeys do and see on the Bench. */
export const ratio = (page: Page) => page.getByTestId('ratio');
export const saved = (page: Page) => expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();
export const gear = (page: Page, words: string) =>
  page.getByRole('button', { name: `Gear on ${words} teeth. Change its teeth.` });

/** Types another tooth count into a gear's card, and keeps it. */
export async function typeTeeth(page: Page, member: string, from: number, to: number): Promise<void> {
  await gear(page, `${member}, ${from}`).click();
  await page.getByRole('textbox', { name: 'Teeth' }).fill(String(to));
  await page.getByRole('textbox', { name: 'Teeth' }).press('Enter');
}

/**
 * Opens a train by its card on the shelf. A press on a list that has only just come has got lost twice in many hundred runs, without a trace
 * of why; a person presses again, and so does this.
 */
export async function openCard(page: Page, link: Locator): Promise<void> {
  const address = await link.getAttribute('href');
  await expect(async () => {
    if (new URL(page.url()).pathname !== address) await link.click();
    await page.waitForURL((url) => url.pathname === address, { timeout: 4_000 });
  }).toPass({ timeout: 20_000 });
}
