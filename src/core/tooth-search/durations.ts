import { add, fraction, mul, parseRational, sign, ZERO, toNumber, type Rational } from '../rational';
import { itemAt, required } from '../required';

/** Minutes of one of each. */
const UNITS: Readonly<Record<string, Rational>> = {
  d: fraction(1440),
  day: fraction(1440),
  days: fraction(1440),
  h: fraction(60),
  min: fraction(1),
  s: fraction(1, 60),
  ms: fraction(1, 60_000),
};

/** Reads "24 h 50 min 28.3 s", "36.5 d" or "24:50:28.3" in minutes, exactly; null where it is no time above 0. */
export function durationOf(text: string): Rational | null {
  const clock = /^\s*(\d+):(\d{1,2})(?::(\d{1,2}(?:[.,]\d+)?))?\s*$/.exec(text);
  const written = clock ? `${clock[1]} h ${clock[2]} min ${clock[3] ?? 0} s` : text;
  let rest = written.trim();
  let total = ZERO;
  while (rest !== '') {
    const [whole, number, unit] = /^(\d+(?:[.,]\d+)?(?:\/\d+)?)\s*([a-z]+)\s*/i.exec(rest) ?? [];
    const factor = unit === undefined ? undefined : UNITS[unit.toLowerCase()];
    const value = number === undefined ? null : parseRational(number.replace(',', '.'));
    if (!factor || !value) return null;
    total = add(total, mul(value, factor));
    rest = rest.slice(required(whole).length);
  }
  return sign(total) > 0 ? total : null;
}

const STEPS: readonly (readonly [string, number])[] = [
  ['years', 525_960],
  ['days', 1440],
  ['h', 60],
  ['min', 1],
  ['s', 1 / 60],
  ['ms', 1 / 60_000],
];

/** A time in minutes, roughly, in the unit that suits it: "412 days". */
export function roughTime(minutes: number): string {
  if (minutes > 1e9 * 525_960) return 'more than 1 000 000 000 years';
  // A year has to be reached twice: "412 days" says more than "1.1 years".
  const [unit, size] = STEPS.find(([name, one]) => minutes >= (name === 'years' ? 2 * one : one)) ?? itemAt(STEPS, -1);
  return `${Number((minutes / size).toPrecision(3))
    .toLocaleString('en')
    .replaceAll(',', ' ')} ${unit}`;
}

/** A time in minutes as clocks read it: "24 h 50 min 28.3 s". Seconds to a tenth of a millisecond. */
export function clockTime(minutes: Rational): string {
  const seconds = toNumber(minutes) * 60;
  const rounded = Math.round(seconds * 1e4) / 1e4;
  if (rounded === 0) return `${Number((seconds * 1000).toPrecision(3))} ms`;
  const [days, hours, whole] = [
    Math.floor(rounded / 86_400),
    Math.floor((rounded % 86_400) / 3600),
    Math.floor((rounded % 3600) / 60),
  ];
  const left = Math.round((rounded - days * 86_400 - hours * 3600 - whole * 60) * 1e4) / 1e4;
  return [days && `${days} d`, hours && `${hours} h`, whole && `${whole} min`, left && `${left} s`]
    .filter(Boolean)
    .join(' ');
}
