import type { Motor } from './scenario-schema';
import { RAD_S_PER_RPM } from './operating-point';

/** What one reading of the no-load speed with the box on says. */
export interface Calibration {
  /** What the box eats at that speed: torque at the motor, N·m, and power, W. */
  readonly torqueNm: number;
  readonly watts: number;
  /** The same motor as it comes through the box: no load where it was read, the slope of its line kept. */
  readonly motor: Extract<Motor, { kind: 'linear' }>;
}

/**
 * A linear motor that turns the empty box at so many rpm gives it T₀ (v − n/n₀). Null where that is at a stand, or as
 * fast as without the box.
 */
export function calibrate(motor: Extract<Motor, { kind: 'linear' }>, readRpm: number): Calibration | null {
  const { stallTorqueNm, noLoadRpm, supply = 1 } = motor;
  const torqueNm = stallTorqueNm * (supply - readRpm / noLoadRpm);
  if (!(readRpm > 0) || torqueNm < 0) return null;
  const share = readRpm / (noLoadRpm * supply);
  return {
    torqueNm,
    watts: torqueNm * readRpm * RAD_S_PER_RPM,
    motor: { ...motor, stallTorqueNm: stallTorqueNm * share, noLoadRpm: noLoadRpm * share },
  };
}
