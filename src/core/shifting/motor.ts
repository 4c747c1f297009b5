import type { Motor } from './scenario-schema';
import { itemAt } from '../required';

/** A straight stretch of a motor's line: torque a + b n, N·m at n rpm, from one speed to another. */
export interface CurveSegment {
  readonly from: number;
  readonly to: number;
  readonly a: number;
  readonly b: number;
}

/** Beyond the speed that someone keeps up by hand the torque falls to nothing within this share of it. */
const HAND_FALLS = 0.1;

/**
 * The line of a motor in straight stretches over all speeds from standstill. Linear: T₀ (v − n/n₀), also beyond no
 * load, where it brakes. A measured line is straight between its points, and its ends go on straight. By hand: the
 * torque up to the speed that is kept up, then down to nothing.
 */
export function motorLine(motor: Motor): readonly CurveSegment[] {
  switch (motor.kind) {
    case 'linear': {
      const { stallTorqueNm, noLoadRpm, supply = 1 } = motor;
      return [{ from: 0, to: Infinity, a: stallTorqueNm * supply, b: -stallTorqueNm / noLoadRpm }];
    }
    case 'table':
      return straight(motor.points);
    case 'hand': {
      const { torqueNm, rpm } = motor;
      const line = straight([
        [0, torqueNm],
        [rpm, torqueNm],
        [rpm * (1 + HAND_FALLS), 0],
      ]);
      return line;
    }
  }
}

function straight(points: readonly (readonly [number, number])[]): readonly CurveSegment[] {
  return points.slice(1).map(([to, torque], i): CurveSegment => {
    const [from, before] = itemAt(points, i);
    const b = (torque - before) / (to - from);
    const [first, last] = [i === 0, i === points.length - 2];
    return { from: first ? 0 : from, to: last ? Infinity : to, a: before - b * from, b };
  });
}

/** Torque in N·m at a speed in rpm. */
export function torqueAt(line: readonly CurveSegment[], rpm: number): number {
  const { a, b } = line.find(({ to }) => rpm <= to) ?? itemAt(line, -1);
  return a + b * rpm;
}

/**
 * The largest mechanical power in rpm · N·m, and the speed where it is; of a linear motor at half its no-load speed.
 */
export function peakPower(line: readonly CurveSegment[]): { readonly rpm: number; readonly power: number } {
  let best = { rpm: 0, power: 0 };
  for (const { from, to, a, b } of line) {
    const top = b < 0 ? -a / (2 * b) : Infinity;
    // At an end of the stretch, or where its parabola is highest; a stretch without end falls at last, or there is no
    // peak.
    for (const rpm of [from, Math.min(to, Math.max(from, top))]) {
      const power = (a + b * rpm) * rpm;
      if (Number.isFinite(rpm) && power > best.power) best = { rpm, power };
    }
  }
  return best;
}

/** The speed at which a line's torque is gone, rpm; where it never is, twice that of its peak. */
export function freeSpeed(line: readonly CurveSegment[]): number {
  for (const { from, to, a, b } of line) {
    const zero = b < 0 ? -a / b : NaN;
    if (zero >= from && zero <= to) return zero;
  }
  return 2 * peakPower(line).rpm || 1;
}

/** The no-load speed of a linear motor, rpm; null for others. */
export const noLoadOf = (motor: Motor): number | null =>
  motor.kind === 'linear' ? motor.noLoadRpm * (motor.supply ?? 1) : null;
