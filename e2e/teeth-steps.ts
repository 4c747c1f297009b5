import { expect, type Page } from './journey';

/** What journeys do and see on the Teeth screen. */
export const search = (page: Page) => page.getByRole('status', { name: 'The search' });
export const results = (page: Page) => page.getByRole('region', { name: 'What was found' });
export const resultRow = (page: Page, place: number) =>
  results(page)
    .getByRole('row')
    .nth(place + 1);
export const chosen = (page: Page) => page.getByRole('region', { name: 'The chosen one' });
/** What is wrong, on the screen itself. */
export const alert = (page: Page) => page.getByRole('main').getByRole('alert');
export const proven = (page: Page) => expect(search(page)).toContainText('Proven best', { timeout: 120_000 });

/** Has exactly these numbers of stages searched, next to each other. */
export async function stages(page: Page, ...wanted: number[]): Promise<void> {
  const box = (count: number) =>
    page.getByRole('checkbox', { name: `Search ${count} ${count === 1 ? 'stage' : 'stages'}`, exact: true });
  for (const count of wanted) await box(count).check();
  for (const count of [1, 2, 3, 4, 5]) if (!wanted.includes(count)) await box(count).uncheck();
}
