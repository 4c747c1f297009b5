import { toNumber } from '../rational';
import { splitFigure } from './figure';

/** Beyond this many digits a figure is rounded; enough that going over and back gives the figure that was typed. */
const DIGITS = 10;

/**
 * A typed figure in another unit, the same quantity: "30" rpm is "0.5" turns/s. What brings its own unit, or is no
 * figure, stays as it was typed.
 */
export function inOtherUnit<U extends string>(
  text: string,
  from: U,
  to: U,
  table: Readonly<Record<U, number>>,
): string {
  const written = splitFigure(text);
  if (from === to || !written || written.unit !== '') return text;
  return String(Number(((toNumber(written.value) * table[from]) / table[to]).toPrecision(DIGITS)));
}
