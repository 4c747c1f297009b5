import type { SchemeQuestion } from './question';
import { planetFactor } from './standing-ratio';
import type { System } from './system';

const ROUNDING = 1e-9;

/** Whether no member and no planet turns faster than it may, per turn of the input. */
export type KeepsSpeeds = (speeds: Float64Array, input: number) => boolean;

/** The limits on speeds; null where there are none. */
export function speedLimits(
  question: SchemeQuestion,
  { memberOf }: System,
  standings: readonly number[],
): KeepsSpeeds | null {
  const { memberSpeed = Infinity, planetSpeed = Infinity } = question.limits;
  const factors = question.sets.map((set, i) => planetFactor(set, standings[i] ?? 0));
  const speed = (speeds: Float64Array, central: number) => {
    const member = memberOf[central] ?? -1;
    return member < 0 ? 0 : (speeds[member] as number);
  };
  if (memberSpeed === Infinity && planetSpeed === Infinity) return null;
  return (speeds, input) => {
    const drive = Math.abs(speeds[input] as number) * (1 + ROUNDING);
    return (
      speeds.every((one) => Math.abs(one) <= memberSpeed * drive) &&
      factors.every(
        (factor, set) => Math.abs(speed(speeds, 3 * set) - speed(speeds, 3 * set + 1)) * factor <= planetSpeed * drive,
      )
    );
  };
}
