import { GRAVITY } from '../units';
import { soundThresholds } from './bands';
import type { Gearing } from './operating-point';
import { RAD_S_PER_RPM } from './operating-point';
import { pointsWith } from './points';
import type { Scenario, WrittenLoad } from './scenario-schema';
import { itemAt, lookUp } from '../required';

/**
 * Jobs of the saltworks, sized to the train that is open: each asks of its slowest position what that can do, and of
 * its fastest what it can do on the flat.
 */
export const PRESETS = {
  conveyor: 'Conveyor on a ramp',
  pump: 'Brine pump',
  winch: 'Winch with a weight',
  crawler: 'Crawler climbing a dune',
} as const;
export type Preset = keyof typeof PRESETS;

const MOTOR = { kind: 'linear', stallTorqueNm: 0.6, noLoadRpm: 250, supply: 1 } as const;
const DRUM_MM = 80;
const WHEEL_MM = 90;

/** A scenario for positions in their order, the slowest first. */
export function presetFor(
  preset: Preset,
  order: readonly string[],
  gearings: ReadonlyMap<string, Gearing>,
  losses: boolean,
): Scenario {
  const force = (id: string) => {
    const { ratio, drive } = lookUp(gearings, id);
    return MOTOR.stallTorqueNm * ratio * drive;
  };
  const [slow, fast] = [itemAt(order, 0), itemAt(order, -1)];
  const { load, durationS } = loadFor(
    preset,
    force(slow),
    force(fast),
    lookUp(gearings, itemAt(order, Math.floor((order.length - 1) / 2))),
  );
  // Inertias by which the motor alone runs up in some hundredths of a second, and the whole, in the fastest position,
  // in one to two.
  const perSecond = MOTOR.stallTorqueNm / (MOTOR.noLoadRpm * RAD_S_PER_RPM);
  const inertia = {
    inputKgM2: rounded(0.03 * perSecond),
    outputKgM2: rounded(1.2 * perSecond * lookUp(gearings, fast).ratio ** 2),
  };
  const scenario = { motor: MOTOR, load, order: [...order] };
  const points = pointsWith(gearings, scenario);
  const { down, up } = soundThresholds(gearings, points, MOTOR, 'speed');
  const many = order.length > 1 && preset !== 'winch';
  return {
    format: 'tin-wheel/scenario',
    version: 1,
    name: PRESETS[preset],
    ...scenario,
    inertia,
    start: { position: slow, outputRpm: 0 },
    rule: many
      ? { cue: 'speed', down: eachRounded(down), up: eachRounded(up), minimumS: 0.5, shiftS: 0.3, between: 'overlap' }
      : { cue: 'hand', schedule: [], shiftS: 0.3, between: 'neutral' },
    durationS,
    losses,
  };
}

function loadFor(
  preset: Preset,
  most: number,
  least: number,
  middle: Gearing,
): { load: WrittenLoad; durationS: number } {
  const [hard, easy] = [rounded(0.5 * most), rounded(0.25 * least)];
  switch (preset) {
    case 'conveyor':
      return {
        load: {
          constantNm: easy,
          profile: [
            [0, 0],
            [12, 0],
            [16, rounded(hard - easy)],
            [34, rounded(hard - easy)],
            [38, 0],
          ],
        },
        durationS: 60,
      };
    case 'pump': {
      // Two thirds of the middle position's stall torque at 60 % of its no-load speed would be too much for the motor
      // there: four tenths are what it gives.
      const speed = (0.6 * MOTOR.noLoadRpm * RAD_S_PER_RPM) / middle.ratio;
      return {
        load: {
          constantNm: rounded(0.2 * easy),
          squareNmPerRadS2: rounded((0.4 * MOTOR.stallTorqueNm * middle.ratio * middle.drive) / speed ** 2),
        },
        durationS: 20,
      };
    }
    case 'winch':
      return { load: { massKg: rounded(hard / GRAVITY / (DRUM_MM / 2000)), wheelDiameterMm: DRUM_MM }, durationS: 20 };
    case 'crawler': {
      const massKg = rounded(hard / GRAVITY / 0.3 / (WHEEL_MM / 2000));
      const climb = rounded(hard * 0.9);
      return {
        load: {
          massKg,
          wheelDiameterMm: WHEEL_MM,
          grade: 0,
          rolling: 0.04,
          profile: [
            [0, 0],
            [8, 0],
            [14, climb],
            [30, climb],
            [34, 0],
          ],
        },
        durationS: 50,
      };
    }
  }
}

const rounded = (value: number): number => Number(value.toPrecision(3));
const eachRounded = (values: Readonly<Record<string, number>>): Record<string, number> =>
  Object.fromEntries(Object.entries(values).map(([id, value]) => [id, Number(value.toPrecision(4))]));
