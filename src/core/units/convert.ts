import { toNumber } from '../rational';
import { splitFigure } from './figure';

/** Beyond this many digits a figure is rounded; enough that going over and back gives the figure that was typed. */
const DIGITS = 10;

/**
 * A typed figure in another unit, the same quantity: "30" rpm is "0.5" turns/s. What brings its own unit, or is no
 * figure, stays as it was typed.
 * @param from one of the unit that it was typed in, in SI; `to` of the other
 */
export function inOtherUnit(text: string, from: number, to: number): string {
  const written = splitFigure(text);
  if (from === to || !written || written.unit !== '') return text;
  return String(Number(((toNumber(written.value) * from) / to).toPrecision(DIGITS)));
}
