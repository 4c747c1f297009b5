import { fromDecimal, ONE, type Rational } from '../rational';
import { exactly, minus, divideIntervals, read, times, type Interval } from './interval';

/**
 * A part of a line of arithmetic: what it comes to, and how it is printed. One expression makes both, so that a reader
 * who works the line out gets the bounds.
 */
export interface Term {
  readonly interval: Interval;
  readonly text: string;
}

/** A figure as it was read: "(8.5 ± 0.5) passed". */
export const reading = (value: number, resolution: number, unit: string, gap = ' '): Term => ({
  interval: read(value, resolution),
  text: `(${value} ± ${resolution})${gap}${unit}`,
});

/** A figure that is given exactly, printed as it is. */
export const given = (value: number | Rational, text: string): Term => ({
  interval: exactly(typeof value === 'number' ? fromDecimal(value) : value),
  text,
});

/** a × b × … */
export const product = (...factors: readonly Term[]): Term => ({
  interval: factors.map(({ interval }) => interval).reduce(times, exactly(ONE)),
  text: factors.map(({ text }) => text).join(' × '),
});

/** a / b. @throws RangeError where the divisor could be 0 */
export const quotient = (top: Term, bottom: Term): Term => ({
  interval: divideIntervals(top.interval, bottom.interval),
  text: `${top.text} / ${bottom.text}`,
});

/** (1 − a) */
export const lessThanOne = (part: Term): Term => ({
  interval: minus(exactly(ONE), part.interval),
  text: `(1 − ${part.text})`,
});

/** The same in another unit, which changes nothing that is printed. */
export const inUnit = (term: Term, factor: number): Term => ({
  ...term,
  interval: times(term.interval, exactly(fromDecimal(factor))),
});
