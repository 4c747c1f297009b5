import { keepStored, stored } from '../stored';

/** A text as someone typed it, and the train that it was typed for, in writing. */
export interface KeptText {
  readonly text: string;
  readonly of: string;
}

const keyOf = (id: string): string => `tin-wheel-text/${id}`;

/** What was typed for a train and is not only what the program would write; null where there is nothing. */
export function recallText(id: string): KeptText | null {
  const { text, of } = (stored(keyOf(id)) ?? {}) as Partial<KeptText>;
  return typeof text === 'string' && typeof of === 'string' ? { text, of } : null;
}

/** Keeps it, or forgets what was kept. */
export const keepText = (id: string, kept: KeptText | null): void => keepStored(keyOf(id), kept);
