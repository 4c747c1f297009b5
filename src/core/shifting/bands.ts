import { motorLine, noLoadOf, torqueAt, type CurveSegment } from './motor';
import type { Gearing } from './operating-point';
import type { Points } from './points';
import type { Rule, Scenario } from './scenario-schema';
import type { ShiftPoint } from './shift-points';
import { lookUp } from '../required';

/**
 * A pair of neighbours with its shift points by the speed of the input, rpm, and what its own thresholds make of them.
 * hunts: up lands where it goes straight down again · weak: it comes to stay, but below the point of equal power ·
 * sound.
 */
export interface Band {
  readonly from: string;
  readonly to: string;
  readonly r: number;
  /** Null where one of the two is always the better. */
  readonly equal: Speeds | null;
  /** Other speeds at which the power is equal, which matter less. */
  readonly further: readonly Speeds[];
  /** Null where the rule has not both thresholds of this pair. */
  readonly own: (Speeds & { readonly verdict: 'hunts' | 'weak' | 'sound' }) | null;
}

/**
 * In `to` down at the first, which lands in `from` at the second; in `from` up at the third, which lands in `to` at the
 * fourth.
 */
interface Speeds {
  readonly downRpm: number;
  readonly landsRpm: number;
  readonly upRpm: number;
  readonly upLandsRpm: number;
}

/** So much nearer than a threshold is the same as on it. */
const SAME = 1e-9;

/** Every pair of neighbours against the band that it needs. */
export function bandsOf(
  gearings: ReadonlyMap<string, Gearing>,
  { shifts }: Points,
  { motor, rule }: Pick<Scenario, 'motor' | 'rule'>,
): readonly Band[] {
  const line = motorLine(motor);
  const noLoad = noLoadOf(motor) ?? 1;
  return shifts.map(({ from, to, r, point, others }): Band => {
    const speeds = (downRpm: number, upRpm: number): Speeds => ({
      downRpm,
      landsRpm: downRpm / r,
      upRpm,
      upLandsRpm: upRpm * r,
    });
    const told = (one: ShiftPoint) => speeds(one.downAt * noLoad, one.upAbove * noLoad);
    const equal = point && told(point);
    const further = others.map(told);
    const [down, up] = [rule?.down?.[to], rule?.up?.[from]];
    if (!rule || rule.cue === 'hand' || down === undefined || up === undefined)
      return { from, to, r, equal, further, own: null };
    const own = speeds(
      cueSpeed(line, noLoad, rule.cue, lookUp(gearings, to), down),
      cueSpeed(line, noLoad, rule.cue, lookUp(gearings, from), up),
    );
    const verdict =
      own.upLandsRpm <= own.downRpm * (1 + SAME) ? 'hunts' : equal && own.upRpm < equal.upRpm ? 'weak' : 'sound';
    return { from, to, r, equal, further, own: { ...own, verdict } };
  });
}

/** The speed of the input, rpm, at which the cue reads this in a position with the motor alone against it. */
export function cueSpeed(
  line: readonly CurveSegment[],
  noLoad: number,
  cue: 'speed' | 'torque',
  { ratio, drive }: Gearing,
  value: number,
): number {
  return cue === 'speed' ? value * noLoad : rpmAtTorque(line, value / (ratio * drive));
}

/** What the cue reads in a position at a speed of the input, rpm: the other way round. */
export const cueReading = (
  line: readonly CurveSegment[],
  noLoad: number,
  cue: 'speed' | 'torque',
  { ratio, drive }: Gearing,
  rpm: number,
): number => (cue === 'speed' ? rpm / noLoad : torqueAt(line, rpm) * ratio * drive);

/** The highest speed at which a motor still gives a torque; 0 where it never gives so much. */
function rpmAtTorque(line: readonly CurveSegment[], torque: number): number {
  for (const { from, to, a, b } of [...line].reverse()) {
    const rpm = b === 0 ? NaN : (torque - a) / b;
    if (rpm >= from && rpm <= to) return rpm;
  }
  return 0;
}

/**
 * Room above the point of equal power that keeps a shifter from coming straight back, as a share of the no-load speed,
 * or of the speed itself.
 */
const MARGIN = 0.05;

/**
 * Thresholds that do not hunt, for every pair: down where the power is equal, up a little above; in the unit of the
 * cue.
 */
export function soundThresholds(
  gearings: ReadonlyMap<string, Gearing>,
  points: Points,
  motor: Scenario['motor'],
  cue: 'speed' | 'torque',
  margin = MARGIN,
): Required<Pick<Rule, 'down' | 'up'>> {
  const line = motorLine(motor);
  const noLoad = noLoadOf(motor);
  const [down, up]: [Record<string, number>, Record<string, number>] = [{}, {}];
  for (const { from, to, equal } of bandsOf(gearings, points, { motor })) {
    if (!equal) continue;
    const above = equal.upRpm + margin * (noLoad ?? equal.upRpm);
    down[to] = cueReading(line, noLoad ?? 1, cue, lookUp(gearings, to), equal.downRpm);
    up[from] = cueReading(line, noLoad ?? 1, cue, lookUp(gearings, from), above);
  }
  return { down, up };
}
