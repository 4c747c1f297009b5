import { capitalised } from '../capitalised';
import { toNumber } from '../rational';
import { splitFigure } from './figure';

/** Typing a speed of zero or beyond this is a slip, not a gear train. */
const MAX_INPUT = 1e9;

export type Quantity<U> =
  { readonly ok: true; readonly value: number; readonly unit: U } | { readonly ok: false; readonly message: string };

/** Reads "1200rpm", "3.5 N·m" or "3.5Nm"; the bare number takes the unit given. */
export function readQuantity<U extends string>(
  text: string,
  units: readonly U[],
  fallback: U | null,
  what: string,
  range: 'above 0' | 'any' = 'above 0',
): Quantity<U> {
  const written = splitFigure(text);
  if (!written) return { ok: false, message: `Type ${what} as a number.` };
  const value = toNumber(written.value);
  const plain = (name: string) => name.replace(/[\s·.*]/g, '').toLowerCase();
  const unit = written.unit === '' ? fallback : units.find((candidate) => plain(candidate) === plain(written.unit));
  if (!unit) return { ok: false, message: `Give ${what} in ${units.join(', ')}.` };
  if (range === 'above 0' && !(value > 0)) return { ok: false, message: `${capitalised(what)} must be above 0.` };
  if (Math.abs(value) > MAX_INPUT) return { ok: false, message: `${capitalised(what)} can be at most 1 000 000 000.` };
  return { ok: true, value, unit };
}
