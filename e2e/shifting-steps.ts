import type { APIRequestContext } from '@playwright/test';
import { countershaftBox } from '../src/testing/countershaft-box';
import { expect, type Page } from './journey';

/** What journeys do and see on the Shifting screen. */
export const follows = (page: Page) => page.getByRole('region', { name: 'What follows' });
export const runPane = (page: Page) => page.getByRole('region', { name: 'The run over time' });
/** A field by its label; its unit stands behind that. */
export const field = (page: Page, label: string) =>
  page
    .getByRole('form', { name: 'What is given' })
    .getByRole('textbox', { name: new RegExp(`^${label.replace(/[()²]/g, '\\$&')}( |$)`) });
export const says = (page: Page, tab: string) => page.getByRole('tab', { name: tab, exact: true }).click();
export const handle = (page: Page, name: string) => page.getByRole('slider', { name, exact: true });

/** Waits until the run that is asked for now is through. */
export const ran = (page: Page, words: string | RegExp) =>
  expect(page.getByRole('status', { name: 'Progress of the run' })).toHaveText(words, { timeout: 20_000 });

/** A box of three speeds, 4, 2 and 1 to one, on the shelf; its screen's address. */
export async function threeSpeedBox(request: APIRequestContext): Promise<string> {
  const box = countershaftBox([
    [
      [20, 80],
      [20, 40],
      [30, 30],
    ],
  ]);
  const response = await request.post('/api/trains', { data: { ...box, name: 'Three speeds of the salt barrow' } });
  expect(response.ok()).toBe(true);
  return `/trains/${((await response.json()) as { id: string }).id}/shifting`;
}

/** Types a motor of 2 N·m and 300 rpm, heavy enough that shifts can be followed, and a constant load. */
export async function motorAndLoad(page: Page, load: string): Promise<void> {
  await field(page, 'Stall torque').fill('2');
  await field(page, 'No-load speed').fill('300');
  await field(page, 'Constant').fill(load);
  await field(page, 'Added load over time (s, N·m)').fill('');
  await field(page, 'Motor').fill('0.01');
  await field(page, 'At the output').fill('0.5');
  await field(page, 'A run lasts').fill('20');
}
