import type { KeyLine } from '@/help/help-panel';

/** What the keyboard does in the tables of the Chart. */
export const CHART_KEYS: readonly KeyLine[] = [
  { keys: 'Tab, ← ↑ ↓ →', does: 'Into the chart, and from cell to cell; Home and End to the ends of a row' },
  { keys: 'Space', does: 'Engage a coupler or release it; x or 1 engages, 0 or Delete releases' },
  { keys: 'a letter, F2', does: 'On a position’s name: type a new one, Enter keeps it, Esc leaves it' },
  { keys: 'Enter', does: 'On a position’s name: look at it on the Bench' },
  { keys: 'Alt ↑, Alt ↓', does: 'Move the position up or down' },
  { keys: 'Insert', does: 'Add a position like this one' },
  { keys: 'Alt L', does: 'Leave the position out of the ladder, its steps and shifts, or take it in again' },
  { keys: 'Delete', does: 'On a position’s name: remove the position' },
  { keys: 'Ctrl C, Ctrl V', does: 'Copy the chart; paste positions from a table' },
];

/** They work in the tables alone. */
export const chartKeys = (): void => undefined;
