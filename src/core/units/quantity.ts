import { accept, refuse, type Result } from '../result';
import { capitalised } from '../capitalised';
import { toNumber } from '../rational';
import { bareUnit, splitFigure } from './figure';

/** Typing a speed of zero or beyond this is a slip, not a gear train. */
const MAX_INPUT = 1e9;

/** A figure with the unit that it was written in, or that stands beside its field. */
export interface Quantity<U> {
  readonly value: number;
  readonly unit: U;
}

/** Reads "1200rpm", "3.5 N·m" or "3.5Nm"; the bare number takes the unit given. */
export function readQuantity<U extends string>(
  text: string,
  units: readonly U[],
  fallback: U | null,
  what: string,
  range: 'above 0' | 'any' = 'above 0',
): Result<Quantity<U>> {
  const written = splitFigure(text);
  if (!written) return refuse(`Type ${what} as a number.`);
  const value = toNumber(written.value);
  const unit = written.unit === '' ? fallback : units.find((one) => bareUnit(one) === bareUnit(written.unit));
  if (!unit) return refuse(`Give ${what} in ${units.join(', ')}.`);
  if (range === 'above 0' && !(value > 0)) return refuse(`${capitalised(what)} must be above 0.`);
  if (Math.abs(value) > MAX_INPUT) return refuse(`${capitalised(what)} can be at most 1 000 000 000.`);
  return accept({ value, unit });
}
