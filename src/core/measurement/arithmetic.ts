import { GRAVITY } from '../units';
import { toNumber } from '../rational';
import type { Interval } from './interval';
import type { Reading } from './log-schema';
import { given, inUnit, lessThanOne, product, quotient, reading, type Term } from './term';

export type MeasuredQuantity = 'ratio' | 'rpm' | 'torqueNm' | 'tipMetresPerSecond' | 'teeth' | 'event';

/** What a reading comes to, before anything is compared. */
export interface MeasuredValue {
  readonly quantity: MeasuredQuantity;
  /** Null of events. */
  readonly interval: Interval | null;
  /** The arithmetic in a line, with units. */
  readonly line: string;
}

/** N for one kilogram. */
/** How finely a reading says that it was told, in its own unit; null for kinds that say none, or two. */
export function resolutionOf(reading: Reading): number | null {
  switch (reading.kind) {
    case 'marks':
    case 'turns':
    case 'frames':
      return reading.resolution ?? HALF;
    case 'angle':
    case 'tachometer':
      return reading.resolution ?? 1;
    default:
      return null;
  }
}

/** What can be told where a resolution is not: half of what is counted, one of what an instrument shows. */
const HALF = 0.5;

/**
 * The arithmetic of a reading by intervals, as one expression for the bounds and for the line that is printed. Ratios
 * are sizes, input turns for one of the member, in/out.
 * @throws RangeError where a resolution is so large that nothing is known
 */
export function measured(read: Reading): MeasuredValue {
  if (read.kind === 'event') return { quantity: 'event', interval: null, line: read.what };
  const { quantity, term } = termOf(read);
  return { quantity, interval: term.interval, line: term.text };
}

function termOf(read: Exclude<Reading, { kind: 'event' }>): {
  readonly quantity: MeasuredQuantity;
  readonly term: Term;
} {
  switch (read.kind) {
    case 'marks': {
      const { marks, passed, resolution = HALF, inputTurns = 1 } = read;
      const top = product(given(marks, `${marks} marks`), given(inputTurns, `${inputTurns} turns in`));
      return ratio(quotient(top, reading(passed, resolution, 'passed')));
    }
    case 'turns': {
      const { turns, resolution = HALF, inputTurns = 1 } = read;
      return ratio(quotient(given(inputTurns, `${inputTurns} turns`), reading(turns, resolution, 'turns')));
    }
    case 'angle': {
      const { degrees, resolution = 1, inputTurns = 1 } = read;
      const top = product(given(360, '360°'), given(inputTurns, `${inputTurns} turns in`));
      return ratio(quotient(top, reading(degrees, resolution, '°', '')));
    }
    case 'frames': {
      const { frames, frameRate, turns = 1, resolution = HALF } = read;
      const top = product(given(60, '60'), given(turns, `${turns} turns`), given(frameRate, `${frameRate} frames/s`));
      return { quantity: 'rpm', term: quotient(top, reading(frames, resolution, 'frames')) };
    }
    case 'tachometer': {
      const { rpm, resolution = 1 } = read;
      return { quantity: 'rpm', term: reading(rpm, resolution, 'rpm') };
    }
    case 'scale': {
      const { grams, resolutionG = 1, armMm, resolutionMm = 1 } = read;
      const force = product(reading(grams, resolutionG, 'g'), given(GRAVITY, `${GRAVITY} N/kg`));
      return torque(inUnit(product(force, reading(armMm, resolutionMm, 'mm')), PER_GRAM_MM));
    }
    case 'weight': {
      const { massKg, resolutionKg = 0, drumMm, resolutionMm = 1 } = read;
      const force = product(reading(massKg, resolutionKg, 'kg'), given(GRAVITY, `${GRAVITY} N/kg`));
      const arm = quotient(reading(drumMm, resolutionMm, 'mm'), given(2, '2'));
      return torque(inUnit(product(force, arm), PER_MM));
    }
    case 'slowing':
      return torque(slowingTorque(read));
    case 'radii': {
      const { radiusMm, otherMm, resolutionMm = 1 } = read;
      return ratio(quotient(reading(otherMm, resolutionMm, 'mm'), reading(radiusMm, resolutionMm, 'mm')));
    }
    case 'teeth': {
      const { teeth, resolution = 0 } = read;
      const { interval } = reading(teeth, resolution, 'teeth');
      return { quantity: 'teeth', term: { interval, text: `${teeth} ± ${resolution} teeth` } };
    }
    case 'tip': {
      const { diameterMm, resolutionMm = 1, rpm, resolution = 1 } = read;
      // π is no fraction; as a double it is nearer than any ruler.
      const term = product(
        given(Math.PI, 'π'),
        reading(diameterMm, resolutionMm, 'mm'),
        reading(rpm, resolution, 'rpm'),
      );
      return { quantity: 'tipMetresPerSecond', term: inUnit(term, 1 / 60_000) };
    }
  }
}

/** A motor that turns slower with the box on it than free: what the box takes of its torque. */
function slowingTorque({ stallTorqueNm, freeRpm, rpm, resolution = 1 }: Slowing): Term {
  const share = quotient(reading(rpm, resolution, 'rpm'), reading(freeRpm, resolution, 'rpm'));
  return product(given(stallTorqueNm, `${stallTorqueNm} N·m`), lessThanOne(share));
}

/**
 * The power that the box takes of a motor it slows down, W: its torque at the speed that was read, both as far as they
 * are known.
 */
export const slowingWatts = (read: Slowing): Interval =>
  inUnit(product(slowingTorque(read), reading(read.rpm, read.resolution ?? 1, 'rpm')), Math.PI / 30).interval;

type Slowing = Extract<Reading, { kind: 'slowing' }>;

const ratio = (term: Term) => ({ quantity: 'ratio' as const, term });
const torque = (term: Term) => ({ quantity: 'torqueNm' as const, term });
const PER_MM = 0.001;
const PER_GRAM_MM = 1e-6;

/** Metres per second of sound in air at 20 °C. */
export const SOUND = 343;

/** An interval as plain numbers. */
export const plain = ({ value, least, most }: Interval) => ({
  value: toNumber(value),
  least: toNumber(least),
  most: toNumber(most),
});
