import { GRAVITY } from '../units';
import type { WrittenLoad } from './scenario-schema';
import { itemAt } from '../required';

/**
 * A load at the output: a + b ω + c ω² and what a profile adds over time, in N·m against the motion at ω rad/s; with
 * its inertia.
 */
export interface LoadCurve {
  readonly a: number;
  readonly b: number;
  readonly c: number;
  readonly profile: readonly (readonly [timeS: number, torqueNm: number])[];
  readonly inertiaKgM2: number;
}

/**
 * A vehicle on a grade (rise over run) with rolling drag, m g (sin θ + c cos θ) at the rim of its wheel; without grade
 * and rolling a mass hangs from the drum, m g. Let down, it drives. Either way it turns with the output as m (d/2)².
 * Air drag k v² at the rim is k (d/2)³ ω².
 */
export function loadOf(written: WrittenLoad): LoadCurve {
  const { massKg, wheelDiameterMm, grade, rolling } = written;
  const arm = (wheelDiameterMm ?? 0) / 2000;
  const mass = massKg ?? 0;
  const hangs = (grade ?? null) === null && (rolling ?? null) === null;
  const slope = Math.atan(grade ?? 0);
  const share = hangs ? (written.lowering ? -1 : 1) : Math.sin(slope) + (rolling ?? 0) * Math.cos(slope);
  return {
    a: (written.constantNm ?? 0) + mass * GRAVITY * share * arm,
    b: written.linearNmPerRadS ?? 0,
    c: (written.squareNmPerRadS2 ?? 0) + (written.airNAt1MS ?? 0) * arm ** 3,
    profile: written.profile ?? [],
    inertiaKgM2: mass * arm ** 2,
  };
}

/** Torque against the motion, N·m, at an output speed in rad/s and a time. */
export const loadTorque = (load: LoadCurve, radS: number, timeS: number): number =>
  load.a + load.b * radS + load.c * radS ** 2 + profileAt(load.profile, timeS);

/** Straight between the points of a profile; before the first and after the last it stays. */
function profileAt(profile: LoadCurve['profile'], timeS: number): number {
  if (profile.length === 0) return 0;
  const next = profile.findIndex(([at]) => at > timeS);
  if (next === 0) return itemAt(profile, 0)[1];
  if (next < 0) return itemAt(profile, -1)[1];
  const [[from, a], [to, b]] = [itemAt(profile, next - 1), itemAt(profile, next)];
  return a + ((b - a) * (timeS - from)) / (to - from);
}
