import { forces, type MachineMotion } from './machine';
import { RAD_S_PER_RPM } from './operating-point';
import type { Detector } from './scenario-schema';
import type { Now, Settings } from './settings';
import { lookUp, required } from '../required';

/** What the detector is shown, in the cue's unit: a share of no load or rpm; N·m at the output. */
export function detectorReading(
  { rule, gearings, noLoadRpm }: Settings,
  now: Now,
  motion: MachineMotion,
  timeS: number,
): number {
  if (rule.cue === 'torque') {
    const { motor, out } = forces(now.machine, now.joined, motion, timeS);
    if (rule.detector?.feels !== 'motor') return out;
    const { ratio, drive } = lookUp(gearings, now.position);
    return motor * ratio * drive;
  }
  const rpm = motion.input / RAD_S_PER_RPM;
  return noLoadRpm === null ? rpm : rpm / noLoadRpm;
}

/** Time in which the detector follows, s: given, or a spring's damping over its stiffness. */
export const detectorLag = ({ lagS, stiffnessNmPerDeg, dampingNmSPerDeg }: Detector = {}): number =>
  lagS ?? (stiffnessNmPerDeg && dampingNmSPerDeg ? dampingNmSPerDeg / stiffnessNmPerDeg : 0);

/** What the lever follows: what it is shown, or, with a lag, what it has followed so far. */
const followed = (settings: Settings, now: Now, motion: MachineMotion, timeS: number): number =>
  detectorLag(settings.rule.detector) > 0 ? motion.read : detectorReading(settings, now, motion, timeS);

/**
 * What the detector reads. A preloaded spring shows nothing below its preload; one that its detent holds shows none at
 * all.
 */
export function readingOf(settings: Settings, now: Now, motion: MachineMotion, timeS: number): number {
  const { cue, detector = {} } = settings.rule;
  const value = followed(settings, now, motion, timeS);
  if (cue !== 'torque') return value;
  if ((detector.detentOnNm ?? null) !== null && !now.letGo) return 0;
  return Math.max(value, detector.preloadNm ?? -Infinity);
}

/** Whether its detent lets the lever go now, or takes it back. */
export function detentMoves(settings: Settings, now: Now): boolean {
  const { cue, detector = {} } = settings.rule;
  const { detentOnNm, detentOffNm } = detector;
  if (cue !== 'torque' || (detentOnNm ?? null) === null) return false;
  const value = followed(settings, now, now.motion, now.timeS);
  return now.letGo ? value <= (detentOffNm ?? 0) : value >= required(detentOnNm);
}

/**
 * What a torque at the detector looks like to people: the turn of its spring, and the force on the scale at its arm;
 * null where it has none.
 */
export const readAs = ({ stiffnessNmPerDeg, preloadNm, armMm }: Detector = {}, torqueNm: number) => ({
  degrees: stiffnessNmPerDeg ? Math.max(0, torqueNm - (preloadNm ?? 0)) / stiffnessNmPerDeg : null,
  forceN: armMm ? torqueNm / (armMm / 1000) : null,
});
