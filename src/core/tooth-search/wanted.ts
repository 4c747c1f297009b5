import { accept, refuse, type RefusedResult, type Result } from '../result';
import { compare, div, fraction, inverse, isZero, mul, parseRational, sign, type Rational, entryAt } from '../rational';
import { splitFigure } from '../units';
import { durationOf } from './durations';
import { itemAt, required } from '../required';
import { capitalised } from '../capitalised';

/** A wanted ratio in the form that people have it; every figure as it was typed. */
export type WantedRatio =
  /** Input speed over output speed, a fraction or a decimal. */
  | { readonly form: 'ratio'; readonly ratio: string }
  | { readonly form: 'speeds'; readonly in: string; readonly out: string }
  /** One turn of the output in so long a time. */
  | { readonly form: 'period'; readonly in: string; readonly time: string }
  /** The rim of a wheel of so large a diameter on the output. */
  | { readonly form: 'tip'; readonly in: string; readonly speed: string; readonly diameter: string }
  /** The input turns so often while the output turns so often. */
  | { readonly form: 'turns'; readonly in: string; readonly out: string };

/** A ratio that is wanted, and the turns of the input in a minute, where the form tells them. */
export interface Target {
  readonly ratio: Rational;
  readonly inRpm: Rational | null;
}

/** A figure of a form that cannot be read is refused at its field. */
type Read<T> = T | RefusedResult;

/** π as a fraction, to 30 digits: a tip speed has no exact ratio. */
export const PI = required(parseRational('3.14159265358979323846264338328'));

/** Turns a minute of one of each unit. */
const SPEEDS: Readonly<Record<string, Rational>> = {
  rpm: fraction(1),
  '/min': fraction(1),
  'rad/s': div(fraction(30), PI),
  'turns/s': fraction(60),
  'turns/h': fraction(1, 60),
  'turns/day': fraction(1, 1440),
};

/** Metres a minute of one of each unit. */
const RIM_SPEEDS: Readonly<Record<string, Rational>> = {
  'm/s': fraction(60),
  'm/min': fraction(1),
  'mm/s': fraction(6, 100),
  'cm/s': fraction(6, 10),
  'km/h': fraction(1000, 60),
};

/** Metres of one of each unit. */
const LENGTHS: Readonly<Record<string, Rational>> = {
  mm: fraction(1, 1000),
  cm: fraction(1, 100),
  m: fraction(1),
};

/** The largest ratio that is looked for, and its inverse the smallest. */
const MOST = fraction(1_000_000_000_000);

/**
 * The exact ratio, input speed over output speed, that a form says. A figure without a unit has the form's first: rpm,
 * m/s, mm.
 */
export function readWanted(wanted: WantedRatio): Result<Target> {
  const read = figuresOf(wanted);
  if ('ok' in read) return read;
  const [ratio, inRpm] = read;
  if (compare(ratio, MOST) > 0 || compare(inverse(ratio), MOST) > 0)
    return unread(lastField(wanted), 'The ratio lies beyond 10^12 or below 10^-12: is a unit or a power of ten wrong?');
  return accept({ ratio, inRpm });
}

function figuresOf(wanted: WantedRatio): Read<readonly [Rational, Rational | null]> {
  switch (wanted.form) {
    case 'ratio': {
      const ratio = plainNumber(wanted.ratio, 'ratio', 'the ratio, input speed over output speed');
      return 'ok' in ratio ? ratio : [ratio, null];
    }
    case 'speeds': {
      const [a, b] = [speed(wanted.in, 'in', 'the input speed'), speed(wanted.out, 'out', 'the output speed')];
      return 'ok' in a ? a : 'ok' in b ? b : [div(a, b), a];
    }
    case 'period': {
      const a = speed(wanted.in, 'in', 'the input speed');
      if ('ok' in a) return a;
      const minutes = durationOf(wanted.time);
      return minutes
        ? [mul(a, minutes), a]
        : unread('time', 'Write the time of one turn like "24 h 50 min 28.3 s", "36.5 d" or "1:30:00".');
    }
    case 'tip': {
      const a = speed(wanted.in, 'in', 'the input speed');
      const rim = withUnit(wanted.speed, 'speed', 'the speed of the rim', RIM_SPEEDS);
      const diameter = withUnit(wanted.diameter, 'diameter', 'the diameter', LENGTHS);
      if ('ok' in a) return a;
      if ('ok' in rim) return rim;
      return 'ok' in diameter ? diameter : [div(mul(a, mul(PI, diameter)), rim), a];
    }
    case 'turns': {
      const a = plainNumber(wanted.in, 'in', 'the turns of the input');
      const b = plainNumber(wanted.out, 'out', 'the turns of the output');
      return 'ok' in a ? a : 'ok' in b ? b : [div(a, b), null];
    }
  }
}

const speed = (text: string, field: string, what: string) => withUnit(text, field, what, SPEEDS);

/** The number with its unit, in the table's unit of 1; without a unit in the table's first. */
function withUnit(
  text: string,
  field: string,
  what: string,
  units: Readonly<Record<string, Rational>>,
): Read<Rational> {
  const trimmed = text.trim();
  const written = splitFigure(trimmed);
  const unit = written?.unit.toLowerCase() ?? '';
  const factor = unit === '' ? entryAt(Object.values(units), 0) : units[unit];
  if (!factor) return unread(field, `Give ${what} in ${Object.keys(units).join(', ')}.`);
  const value = plainNumber(written ? trimmed.slice(0, trimmed.length - written.unit.length) : trimmed, field, what);
  return 'ok' in value ? value : mul(value, factor);
}

function plainNumber(text: string, field: string, what: string): Read<Rational> {
  const trimmed = text.trim();
  if (trimmed === '') return unread(field, `Give ${what}.`);
  const written = splitFigure(trimmed);
  if (!written || written.unit !== '')
    return unread(
      field,
      `“${trimmed.slice(0, 40)}” is no number: write ${what} as a fraction like 360/7 or a decimal like 51.43.`,
    );
  const { value } = written;
  if (isZero(value)) return unread(field, `${capitalised(what)} cannot be 0.`);
  if (sign(value) < 0)
    return unread(field, `${capitalised(what)} must be above 0; which way it turns is chosen under Way of turning.`);
  return value;
}

const unread = (field: string, message: string): RefusedResult => refuse(message, [field]);
const lastField = (wanted: WantedRatio): string => itemAt(Object.keys(wanted), -1);
