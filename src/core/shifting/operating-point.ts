import type { LoadCurve } from './load';
import { loadTorque } from './load';
import { peakPower, torqueAt, type CurveSegment } from './motor';

/** What a position does between motor and load: sizes, for the load acts against whichever way the output turns. */
export interface Gearing {
  /** Size of input speed over output speed. */
  readonly ratio: number;
  /** Share of the power that comes out when the motor drives, and that comes back in when the load does. */
  readonly drive: number;
  readonly back: number;
}

export interface OperatingPoint {
  readonly inputRpm: number;
  readonly inputTorqueNm: number;
  readonly outputRpm: number;
  readonly outputTorqueNm: number;
  /** The motor's power as a share of its largest; 4u(1 − u) of a linear one. */
  readonly powerShare: number;
  /** It does not move the load from standstill. */
  readonly stalls: boolean;
}

export const RAD_S_PER_RPM = Math.PI / 30;

/**
 * Output torque, N·m, that the motor leaves over the load at an input speed; what the load drives comes back through
 * the losses.
 */
export function surplusTorque(
  line: readonly CurveSegment[],
  load: LoadCurve,
  { ratio, drive, back }: Gearing,
  rpm: number,
  timeS = 0,
): number {
  const motor = torqueAt(line, rpm);
  const given = motor >= 0 ? motor * ratio * drive : (motor * ratio) / back;
  return given - loadTorque(load, (rpm / ratio) * RAD_S_PER_RPM, timeS);
}

/**
 * Where motor and load meet, running up from standstill: the first speed at which nothing is left over. In each
 * straight stretch of the motor's line, split where it begins to brake, that is the smaller positive root of a
 * quadratic.
 */
export function operatingPoint(
  line: readonly CurveSegment[],
  load: LoadCurve,
  gearing: Gearing,
  timeS = 0,
): OperatingPoint {
  const { ratio } = gearing;
  if (surplusTorque(line, load, gearing, 0, timeS) < 0) {
    const stall = torqueAt(line, 0);
    return {
      inputRpm: 0,
      inputTorqueNm: stall,
      outputRpm: 0,
      outputTorqueNm: stall * ratio * gearing.drive,
      powerShare: 0,
      stalls: true,
    };
  }
  const rpm = firstCrossing(line, load, gearing, timeS);
  const torque = torqueAt(line, rpm);
  const { power } = peakPower(line);
  return {
    inputRpm: rpm,
    inputTorqueNm: torque,
    outputRpm: rpm / ratio,
    outputTorqueNm: loadTorque(load, (rpm / ratio) * RAD_S_PER_RPM, timeS),
    powerShare: power > 0 ? (torque * rpm) / power : 0,
    stalls: false,
  };
}

/** Output torque, N·m, that a position gives from the motor at an output speed, rpm. */
export const outputTorqueAt = (line: readonly CurveSegment[], { ratio, drive }: Gearing, outputRpm: number): number =>
  torqueAt(line, outputRpm * ratio) * ratio * drive;

const NEAR = 1e-6;

/** Whether a little more speed leaves less than nothing over, so that it comes back; true where the load holds it. */
export const isStable = (
  line: readonly CurveSegment[],
  load: LoadCurve,
  gearing: Gearing,
  { inputRpm }: OperatingPoint,
): boolean => surplusTorque(line, load, gearing, inputRpm * (1 + NEAR) + NEAR) < 0;

function firstCrossing(
  line: readonly CurveSegment[],
  load: LoadCurve,
  { ratio, drive, back }: Gearing,
  timeS: number,
): number {
  const perRpm = RAD_S_PER_RPM / ratio;
  const still = loadTorque(load, 0, timeS);
  for (const stretch of withoutBraking(line)) {
    const { from, to, a, b, brakes } = stretch;
    const through = brakes ? ratio / back : ratio * drive;
    // c n² + b n + a = 0 of what is left over.
    const left = { a: a * through - still, b: b * through - load.b * perRpm, c: -load.c * perRpm ** 2 };
    const root = roots(left).find((n) => n >= from - 1e-12 && n <= to);
    if (root !== undefined) return Math.max(root, from);
  }
  return Infinity;
}

/** The stretches, cut where the torque passes through nothing. */
function withoutBraking(line: readonly CurveSegment[]): readonly (CurveSegment & { readonly brakes: boolean })[] {
  return line.flatMap((stretch) => {
    const { from, to, a, b } = stretch;
    const zero = b === 0 ? NaN : -a / b;
    const sign = (rpm: number) => a + b * rpm < 0;
    if (!(zero > from && zero < to))
      return [{ ...stretch, brakes: sign(Number.isFinite(to) ? (from + to) / 2 : from + 1) }];
    return [
      { ...stretch, to: zero, brakes: sign((from + zero) / 2) },
      { ...stretch, from: zero, brakes: sign(Number.isFinite(to) ? (zero + to) / 2 : zero + 1) },
    ];
  });
}

/** Real roots of a + b x + c x², the smaller first. */
function roots({ a, b, c }: { readonly a: number; readonly b: number; readonly c: number }): readonly number[] {
  if (c === 0) return b === 0 ? [] : [-a / b];
  const inside = b ** 2 - 4 * a * c;
  if (inside < 0) return [];
  // The larger of the two sums loses no digits; the other root follows from the product.
  const q = -(b + Math.sign(b || 1) * Math.sqrt(inside)) / 2;
  return [q / c, ...(q === 0 ? [] : [a / q])].sort((x, y) => x - y);
}
