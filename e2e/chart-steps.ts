import { expect, type Page } from './journey';

/** What journeys do and see on the Chart. */
export const chart = (page: Page) => page.getByRole('grid', { name: 'Shift chart' });
export const row = (page: Page, name: string) =>
  chart(page)
    .getByRole('row')
    .filter({ has: page.getByRole('rowheader', { name, exact: true }) });
export const cell = (page: Page, coupler: string, position: string) =>
  chart(page).getByRole('button', { name: `${coupler} in ${position}`, exact: true });

/** The names of the positions, from above. */
export const names = (page: Page) => chart(page).getByRole('rowheader').allInnerTexts();

/** Opens one of the tabs below the chart. */
export async function below(page: Page, tab: string) {
  await page.getByRole('tab', { name: tab, exact: true }).click();
  await expect(page.getByRole('tab', { name: tab, exact: true })).toHaveAttribute('aria-selected', 'true');
  return page.getByRole('tabpanel', { name: tab });
}
