import { tickText } from '@/core/units';
import { scaleLinear, type ScaleLinear } from 'd3-scale';
import {
  freeSpeed,
  loadOf,
  loadTorque,
  motorLine,
  outputTorqueAt,
  RAD_S_PER_RPM,
  type CurveSegment,
} from '@/core/shifting';
import type { Setup } from '../setup';
import { lookUp } from '@/core/required';

/** Room round the plot for what stands at its axes. */
const ROOM = { left: 56, right: 44, top: 14, bottom: 34 };
const SAMPLES = 160;

/** The picture's measures, and its curves as points of output speed (rpm) and output torque (N·m). */
export interface Frame {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
  readonly line: readonly CurveSegment[];
  /** Input speed at which the motor's torque is gone, rpm. */
  readonly free: number;
  readonly x: ScaleLinear<number, number>;
  readonly y: ScaleLinear<number, number>;
  readonly mostRpm: number;
  readonly mostNm: number;
  readonly loadAt: (outputRpm: number) => number;
  /** Where a profile makes it largest; null without one. */
  readonly mostLoadAt: ((outputRpm: number) => number) | null;
}

type Point = readonly [outputRpm: number, torqueNm: number];

export function frameOf({ scenario, gearings }: Setup, width: number, height: number): Frame {
  const line = motorLine(scenario.motor);
  const free = freeSpeed(line);
  const all = [...gearings.values()];
  const mostRpm = Math.max(...all.map(({ ratio }) => free / ratio)) * 1.04;
  const mostNm =
    Math.max(
      ...all.map((gearing) =>
        Math.max(...speedsTo(free / gearing.ratio).map((rpm) => outputTorqueAt(line, gearing, rpm))),
      ),
    ) * 1.08;
  const load = loadOf(scenario.load);
  const at = (timeS: number) => (outputRpm: number) => loadTorque(load, outputRpm * RAD_S_PER_RPM, timeS);
  const most = load.profile.reduce((best, [timeS, torque]) => (torque > best.torque ? { timeS, torque } : best), {
    timeS: 0,
    torque: load.profile[0]?.[1] ?? 0,
  });
  const [left, right, top, bottom] = [ROOM.left, width - ROOM.right, ROOM.top, height - ROOM.bottom];
  return {
    left,
    right,
    top,
    bottom,
    line,
    free,
    x: scaleLinear([0, mostRpm], [left, right]),
    y: scaleLinear([0, mostNm], [bottom, top]),
    mostRpm,
    mostNm,
    loadAt: at(0),
    mostLoadAt: most.torque > (load.profile[0]?.[1] ?? 0) ? at(most.timeS) : null,
  };
}

const speedsTo = (most: number): readonly number[] =>
  Array.from({ length: SAMPLES + 1 }, (_, i) => (i / SAMPLES) * most);

/** What a position can do at the output. */
export const forceCurve = ({ line, free }: Frame, { gearings }: Setup, id: string): readonly Point[] => {
  const gearing = lookUp(gearings, id);
  return speedsTo(free / gearing.ratio).map((rpm) => [rpm, Math.max(0, outputTorqueAt(line, gearing, rpm))]);
};

/** The same at one output speed. */
export const forceAt = ({ line }: Pick<Frame, 'line'>, { gearings }: Setup, id: string, outputRpm: number): number =>
  Math.max(0, outputTorqueAt(line, lookUp(gearings, id), outputRpm));

/** The most that any position gives at each speed. */
export const envelope = ({ line, mostRpm }: Frame, { gearings }: Setup): readonly Point[] =>
  speedsTo(mostRpm).map((rpm) => [
    rpm,
    Math.max(0, ...[...gearings.values()].map((gearing) => outputTorqueAt(line, gearing, rpm))),
  ]);

export const loadCurve = (at: (rpm: number) => number, { mostRpm }: Frame): readonly Point[] =>
  speedsTo(mostRpm).map((rpm) => [rpm, at(rpm)]);

export const pathOf = ({ x, y }: Pick<Frame, 'x' | 'y'>, points: readonly Point[]): string =>
  points.map(([rpm, nm], i) => `${i === 0 ? 'M' : 'L'}${x(rpm).toFixed(1)} ${y(nm).toFixed(1)}`).join('');

/** Ticks of an axis in the unit that people have chosen. */
export const ticksOf = (
  most: number,
  per: number,
  count: number,
): readonly { readonly at: number; readonly text: string }[] => {
  const scale = scaleLinear([0, most * per], [0, most]);
  return scale.ticks(count).map((value) => ({ at: value / per, text: tickText(value) }));
};
