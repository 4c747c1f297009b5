import type { KeyLine } from '@/help/help-panel';

/** What the keyboard does in the pictures of the Shifting screen. */
export const SHIFTING_KEYS: readonly KeyLine[] = [
  { keys: '← ↑ ↓ →', does: 'On a handle of the picture: move the load or a threshold; with Shift ten times as far' },
  { keys: '← →, Page Up, Page Down', does: 'On the run: the time that is looked at; Home and End to its ends' },
  { keys: '← →', does: 'On an end of an engagement: half a millimetre along the travel' },
];

/** They work in the pictures alone. */
export const shiftingKeys = (): void => undefined;
