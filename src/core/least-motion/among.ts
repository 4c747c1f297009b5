import { sign, entryAt } from '../rational';
import { leastMotion, type QuadraticForm } from './least-motion';
import { itemAt } from '../required';

/**
 * Whether one lead can be positive while none of the others is negative: then those that are positive with it, else
 * those that it stands against.
 */
export type Among =
  | { readonly leads: true; readonly along: readonly number[] }
  | { readonly leads: false; readonly against: readonly number[] };

/** Asks it of one of several leads, by their places. */
export function leadAmong(forms: readonly QuadraticForm[], at: number): Among {
  const others = [...forms.keys()].filter((other) => other !== at);
  const tried = leastMotion({ rate: itemAt(forms, at), loads: [], leads: others.map((other) => itemAt(forms, other)) });
  if (!tried.possible) return { leads: false, against: [...tried.against.keys()].map((i) => itemAt(others, i)) };
  return { leads: true, along: others.filter((_, i) => sign(entryAt(tried.leads, i)) > 0) };
}
