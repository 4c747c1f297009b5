import type { Page } from './journey';

/** What journeys do and see on the Log screen. */
export const proof = (page: Page) => page.getByRole('region', { name: 'What it proves' }).first();
export const readings = (page: Page) => page.getByRole('region', { name: 'Readings' });
export const reading = (page: Page, words: string | RegExp) =>
  readings(page).getByRole('row').filter({ hasText: words });
export const entry = (page: Page) => page.getByRole('form', { name: 'The reading' });
export const figure = (page: Page, label: string) =>
  entry(page).getByRole('textbox', { name: new RegExp(`^${label}( |$)`) });
export const logIt = (page: Page) =>
  entry(page)
    .getByRole('button', { name: /^(Log|Correct) it/ })
    .click();
