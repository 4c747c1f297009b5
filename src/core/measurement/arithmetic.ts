import { fromDecimal, toNumber, type Rational } from '../rational';
import { exactly, minus, over, read, times, type Interval } from './interval';
import type { Reading } from './log-schema';

export type Quantity = 'ratio' | 'rpm' | 'torqueNm' | 'tipMetresPerSecond' | 'teeth' | 'event';

/** What a reading comes to, before anything is compared. */
export interface Measured {
  readonly quantity: Quantity;
  /** Null of events. */
  readonly interval: Interval | null;
  /** The arithmetic in a line, with units. */
  readonly line: string;
}

/** N for one kilogram. */
const GRAVITY = 9.80665;
/** What can be told where a resolution is not: half of what is counted, one of what an instrument shows. */
const HALF = 0.5;

/**
 * The arithmetic of a reading by intervals. Ratios are sizes, input turns for one of the member, in/out.
 * @throws RangeError where a resolution is so large that nothing is known
 */
export function measured(reading: Reading): Measured {
  switch (reading.kind) {
    case 'marks': {
      const { marks, passed, resolution = HALF, inputTurns = 1 } = reading;
      const interval = over(exactly(product(marks, inputTurns)), read(passed, resolution));
      return ratio(interval, `${marks} marks × ${inputTurns} turns in / (${passed} ± ${resolution}) passed`);
    }
    case 'turns': {
      const { turns, resolution = HALF, inputTurns = 1 } = reading;
      return ratio(over(exactly(fromDecimal(inputTurns)), read(turns, resolution)), `${inputTurns} turns / (${turns} ± ${resolution}) turns`); // prettier-ignore
    }
    case 'angle': {
      const { degrees, resolution = 1, inputTurns = 1 } = reading;
      return ratio(over(exactly(product(360, inputTurns)), read(degrees, resolution)), `360° × ${inputTurns} turns in / (${degrees} ± ${resolution})°`); // prettier-ignore
    }
    case 'frames': {
      const { frames, frameRate, turns = 1, resolution = HALF } = reading;
      const interval = over(exactly(product(60 * turns, frameRate)), read(frames, resolution));
      return { quantity: 'rpm', interval, line: `60 × ${turns} turns × ${frameRate} frames/s / (${frames} ± ${resolution}) frames` }; // prettier-ignore
    }
    case 'tachometer': {
      const { rpm, resolution = 1 } = reading;
      return { quantity: 'rpm', interval: read(rpm, resolution), line: `(${rpm} ± ${resolution}) rpm` };
    }
    case 'scale': {
      const { grams, resolutionG = 1, armMm, resolutionMm = 1 } = reading;
      const force = times(read(grams, resolutionG), exactly(fromDecimal(GRAVITY / 1000)));
      const interval = times(force, times(read(armMm, resolutionMm), exactly(THOUSANDTH)));
      return { quantity: 'torqueNm', interval, line: `(${grams} ± ${resolutionG}) g × ${GRAVITY} N/kg × (${armMm} ± ${resolutionMm}) mm` }; // prettier-ignore
    }
    case 'weight': {
      const { massKg, resolutionKg = 0, drumMm, resolutionMm = 1 } = reading;
      const force = times(read(massKg, resolutionKg), exactly(fromDecimal(GRAVITY)));
      const interval = times(force, times(read(drumMm, resolutionMm), exactly(fromDecimal(0.0005))));
      return { quantity: 'torqueNm', interval, line: `(${massKg} ± ${resolutionKg}) kg × ${GRAVITY} N/kg × (${drumMm} ± ${resolutionMm}) mm / 2` }; // prettier-ignore
    }
    case 'slowing': {
      const { stallTorqueNm, freeRpm, rpm, resolution = 1 } = reading;
      const [free, slow] = [read(freeRpm, resolution), read(rpm, resolution)];
      const interval = times(exactly(fromDecimal(stallTorqueNm)), over(minus(free, slow), free));
      return { quantity: 'torqueNm', interval, line: `${stallTorqueNm} N·m × (1 − (${rpm} ± ${resolution}) rpm / (${freeRpm} ± ${resolution}) rpm)` }; // prettier-ignore
    }
    case 'radii': {
      const { radiusMm, otherMm, resolutionMm = 1 } = reading;
      return ratio(over(read(otherMm, resolutionMm), read(radiusMm, resolutionMm)), `(${otherMm} ± ${resolutionMm}) mm / (${radiusMm} ± ${resolutionMm}) mm`); // prettier-ignore
    }
    case 'teeth': {
      const { teeth, resolution = 0 } = reading;
      return { quantity: 'teeth', interval: read(teeth, resolution), line: `${teeth} ± ${resolution} teeth` };
    }
    case 'tip': {
      const { diameterMm, resolutionMm = 1, rpm, resolution = 1 } = reading;
      // π is no fraction; as a double it is nearer than any ruler.
      const perRpm = exactly(fromDecimal(Math.PI / 60_000));
      const interval = times(times(read(diameterMm, resolutionMm), read(rpm, resolution)), perRpm);
      return { quantity: 'tipMetresPerSecond', interval, line: `π × (${diameterMm} ± ${resolutionMm}) mm × (${rpm} ± ${resolution}) rpm` }; // prettier-ignore
    }
    case 'event':
      return { quantity: 'event', interval: null, line: reading.what };
  }
}

const ratio = (interval: Interval, line: string): Measured => ({ quantity: 'ratio', interval, line });
const THOUSANDTH = fromDecimal(0.001);
const product = (a: number, b: number): Rational => fromDecimal(Number((a * b).toPrecision(15)));

/** Metres per second of sound in air at 20 °C. */
export const SOUND = 343;

/** Watts of a torque at a speed. */
export const watts = (torqueNm: number, rpm: number): number => (torqueNm * rpm * Math.PI) / 30;

/** An interval as plain numbers. */
export const plain = ({ value, least, most }: Interval) => ({
  value: toNumber(value),
  least: toNumber(least),
  most: toNumber(most),
});
