import { add, compare, div, fromDecimal, mul, sign, sub, type Rational, entryAt } from '../rational';
import { itemAt } from '../required';

/**
 * What was read, and between which bounds it lies for sure: a plain promise, carried through every step of the
 * arithmetic exactly.
 */
export interface Interval {
  readonly value: Rational;
  readonly least: Rational;
  readonly most: Rational;
}

/** A figure that is known exactly. */
export const exactly = (value: Rational): Interval => ({ value, least: value, most: value });

/** A decimal as it was read, to within a resolution either way. */
export function read(value: number, resolution: number): Interval {
  const [middle, by] = [fromDecimal(value), fromDecimal(resolution)];
  return { value: middle, least: sub(middle, by), most: add(middle, by) };
}

/** Every product of two figures of these intervals lies in it. */
export function times(a: Interval, b: Interval): Interval {
  const ends = [mul(a.least, b.least), mul(a.least, b.most), mul(a.most, b.least), mul(a.most, b.most)];
  return { value: mul(a.value, b.value), ...spanOf(ends) };
}

/** Every quotient. @throws RangeError where the divisor could be 0 */
export function divideIntervals(a: Interval, b: Interval): Interval {
  if (sign(b.least) <= 0 && sign(b.most) >= 0) throw new RangeError('The divisor could be 0.');
  const ends = [div(a.least, b.least), div(a.least, b.most), div(a.most, b.least), div(a.most, b.most)];
  return { value: div(a.value, b.value), ...spanOf(ends) };
}

export const minus = (a: Interval, b: Interval): Interval => ({
  value: sub(a.value, b.value),
  least: sub(a.least, b.most),
  most: sub(a.most, b.least),
});

export const contains = ({ least, most }: Interval, value: Rational): boolean =>
  compare(least, value) <= 0 && compare(value, most) <= 0;

function spanOf(ends: readonly Rational[]): { readonly least: Rational; readonly most: Rational } {
  const sorted = [...ends].sort(compare);
  return { least: entryAt(sorted, 0), most: itemAt(sorted, -1) };
}
