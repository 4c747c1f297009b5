import { checkTrain } from '../parse';
import type { Train } from '../schema';
import { itemAt } from '../../required';

/** An edit gives a new document, or says in a sentence why it cannot be done; the old one is never touched. */
export type Edit = { readonly ok: true; readonly train: Train } | { readonly ok: false; readonly message: string };

/** Takes a changed document over only if it holds against the whole format. */
export function checked(train: Train): Edit {
  const result = checkTrain(train);
  return result.ok ? result : { ok: false, message: itemAt(result.problems, 0).message };
}

export const refused = (message: string): Edit => ({ ok: false, message });

/** An id that nothing has yet: the base, or the base with the next free number. */
export function freshId(items: readonly { readonly id: string }[], base: string): string {
  const taken = new Set(items.map(({ id }) => id));
  if (!taken.has(base)) return base;
  for (let i = 2; ; i++) if (!taken.has(`${base} ${i}`)) return `${base} ${i}`;
}
