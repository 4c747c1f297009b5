/** A text as someone typed it, and the train that it was typed for, in writing. */
export interface KeptText {
  readonly text: string;
  readonly of: string;
}

const keyOf = (id: string): string => `tin-wheel-text/${id}`;

/** What was typed for a train and is not only what the program would write; null where there is nothing. */
export function recallText(id: string): KeptText | null {
  try {
    const { text, of } = JSON.parse(localStorage.getItem(keyOf(id)) ?? '{}') as Partial<KeptText>;
    return typeof text === 'string' && typeof of === 'string' ? { text, of } : null;
  } catch {
    return null;
  }
}

/** Keeps it, or forgets what was kept. */
export function keepText(id: string, kept: KeptText | null): void {
  try {
    if (kept) localStorage.setItem(keyOf(id), JSON.stringify(kept));
    else localStorage.removeItem(keyOf(id));
  } catch {
    // Without storage the text lasts as long as the window.
  }
}
