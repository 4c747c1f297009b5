import { div, inverse, mul, sub, toNumber, type Rational } from '../rational';
import { figure } from '../units';
import { clockTime, durationOf, roughTime } from './durations';
import { readWanted, type WantedRatio } from './wanted';
import { required } from '../required';

/** What is wanted as a sentence: "The output turns once in 24 h 50 min 28.3 s at 12 rpm." */
export function wantedWords(wanted: WantedRatio, ratio: Rational): string {
  const once = toNumber(ratio) >= 1;
  switch (wanted.form) {
    case 'period':
      return `The output turns once in ${clockTime(required(durationOf(wanted.time)))} at ${withUnit(wanted.in, 'rpm')}.`;
    case 'speeds':
      return `${withUnit(wanted.in, 'rpm')} in, ${withUnit(wanted.out, 'rpm')} out.`;
    case 'tip':
      return (
        `A rim of ${withUnit(wanted.diameter, 'mm')} runs at ` +
        `${withUnit(wanted.speed, 'm/s')} at ${withUnit(wanted.in, 'rpm')}.`
      );
    case 'turns':
      return `The input turns ${wanted.in.trim()} times while the output turns ${wanted.out.trim()} times.`;
    case 'ratio':
      return once
        ? `The output turns once for ${figure(toNumber(ratio))} turns of the input.`
        : `The output turns ${figure(toNumber(inverse(ratio)))} times for one turn of the input.`;
  }
}

/** How far off a ratio is, in the words of what is wanted: "one turn late in 412 days", "0.3 rpm too fast". */
export function missWords(wanted: WantedRatio, ratio: Rational): string {
  const read = readWanted(wanted);
  if (!read.ok) return '';
  const target = read.value;
  const off = toNumber(div(sub(ratio, target.ratio), target.ratio));
  if (off === 0) return 'exact';
  const slow = off > 0;
  const outRpm = target.inRpm && div(target.inRpm, target.ratio);
  switch (wanted.form) {
    case 'period': {
      // Turns by which it falls behind in a minute: 1/T − 1/T'.
      const behind = Math.abs((toNumber(required(outRpm)) * off) / (1 + off));
      return `one turn ${slow ? 'late' : 'early'} in ${roughTime(1 / behind)}`;
    }
    case 'speeds': {
      const unit = unitOf(wanted.out, 'rpm');
      return `${figure(Math.abs(numberOf(wanted.out) * (1 / (1 + off) - 1)))} ${unit} too ${slow ? 'slow' : 'fast'}`;
    }
    case 'tip': {
      const unit = unitOf(wanted.speed, 'm/s');
      const miss = Math.abs(numberOf(wanted.speed) * (1 / (1 + off) - 1));
      return unit === 'm/s'
        ? `${figure(miss * 1000)} mm/s too ${slow ? 'slow' : 'fast'} at the rim`
        : `${figure(miss)} ${unit} too ${slow ? 'slow' : 'fast'} at the rim`;
    }
    case 'turns':
    case 'ratio':
      return `one turn ${slow ? 'late' : 'early'} in ${figure(Math.abs((1 + off) / off))} turns`;
  }
}

/** Factors that slip in by hand: a lost digit, minutes for seconds, a kilo. */
const SLIPS = [10, 60, 1000];
/** So near to such a factor it is one. */
const NEAR = 0.01;

/**
 * The factor by which a target lies from what there is now, as a slip would leave it, in words; null where it does not.
 */
export function slipWords(target: Rational, present: Rational): string | null {
  const times = toNumber(div(target, present));
  if (!(times > 0)) return null;
  for (const slip of SLIPS) {
    if (near(times, slip)) return `This is ${slip} times what the open train gives: is a factor of ${slip} wrong?`;
    if (near(times, 1 / slip)) return `This is 1/${slip} of what the open train gives: is a factor of ${slip} wrong?`;
  }
  const turned = toNumber(mul(target, present));
  return !near(times, 1) && near(turned, 1)
    ? 'This is the open train’s ratio turned over: input speed over output speed is asked for.'
    : null;
}

const near = (a: number, b: number): boolean => Math.abs(a / b - 1) < NEAR;

const unitOf = (text: string, fallback: string): string => /[a-z][a-z/]*$/i.exec(text.trim())?.[0] ?? fallback;
const withUnit = (text: string, fallback: string): string =>
  /[a-z]$/i.test(text.trim()) || /\/min$/.test(text.trim()) ? text.trim() : `${text.trim()} ${fallback}`;

function numberOf(text: string): number {
  const [, a = '', b] = /^\s*([\d.,eE+-]+)(?:\/(\d+))?/.exec(text) ?? [];
  return Number(a.replace(',', '.')) / Number(b ?? 1);
}
