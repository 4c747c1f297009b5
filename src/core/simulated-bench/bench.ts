import { GRAVITY } from '../units';
import { memberFigures } from '../powerflow';
import { toNumber } from '../rational';
import { outputTorque, solveEngaged } from '../solve';
import type { Reading } from '../measurement';
import { withFaults } from '../faults';
import type { Train } from '../train';
import { seeded } from '../chance';
import { secretOf, type Secret, type Trick } from './secret';
import { modelOf } from '../model';
import { partsById } from '../train';

/**
 * Instruments that read a train as it really is: with what its meshes lose, what may be wrong with it, and the errors
 * of whoever reads.
 */
export interface SimulatedBench {
  readonly read: (instrument: Instrument, what: SimulatedReading) => Taken;
  /** What it kept to itself: for those who have found it, and for tests. */
  readonly secret: Secret;
}

export type Instrument = 'marks' | 'tachometer' | 'scale' | 'frames';

export interface SimulatedReading {
  readonly id: string;
  readonly position: string;
  readonly member: string;
  /** Of the input while marks are counted; its speed, rpm; its torque, N·m. */
  readonly inputTurns: number;
  readonly inputRpm: number;
  readonly inputTorqueNm: number;
}

/** A reading, or what is seen instead where nothing can be read. */
export type Taken = { readonly ok: true; readonly reading: Reading } | { readonly ok: false; readonly seen: string };

const MARKS = 24;
const FRAME_RATE = 50;
const ARM_MM = 100;

/** The same seed gives the same train with the same readings, one after another. */
export function simulatedBench(train: Train, seed: number, trick: Trick): SimulatedBench {
  const random = seeded(seed);
  const secret = secretOf(train, trick, random);
  const { train: real, engaged: engagedBy } = withFaults(
    { ...train, efficiency: secret.meshEfficiency },
    secret.faults,
  );
  const open = modelOf({ ...real, meshes: real.meshes.map(({ efficiency: _, ...mesh }) => mesh) }).open;
  /** Within this much either way, evenly. */
  const error = (by: number) => (2 * random() - 1) * by;
  return {
    secret,
    read: (instrument, { id, position, member, inputTurns, inputRpm, inputTorqueNm }) => {
      const told = partsById(train).find.position(position)?.engaged ?? [];
      const solved = solveEngaged(open, engagedBy(secret.rewired(told)), { losses: true });
      const figures = memberFigures(solved).find((one) => one.id === member);
      if (solved.status === 'locked') return { ok: false, seen: 'It is locked: the input cannot be turned.' };
      const slips = member === train.input ? 1 : 1 - secret.slip;
      const speed = figures?.speed ? Math.abs(toNumber(figures.speed)) * slips : 0;
      if (speed === 0) return { ok: false, seen: 'It does not turn: nothing drives it.' };
      const base = { id, position, member, simulated: true } as const;
      switch (instrument) {
        case 'marks': {
          const passed = toQuarters(speed * inputTurns * MARKS + error(0.25));
          return passed <= 0.5
            ? { ok: false, seen: 'Less than half a mark passes: turn it more.' }
            : { ok: true, reading: { ...base, kind: 'marks', marks: MARKS, passed, resolution: 0.5, inputTurns } };
        }
        case 'tachometer': {
          const rpm = Math.round(speed * inputRpm + error(0.4));
          return rpm <= 1
            ? { ok: false, seen: 'It turns too slowly for the tachometer.' }
            : { ok: true, reading: { ...base, kind: 'tachometer', rpm, resolution: 1, inputRpm, inputResolution: 0 } };
        }
        case 'frames': {
          const turns = Math.max(1, Math.ceil((speed * inputRpm) / 60));
          const frames = Math.round((turns * 60 * FRAME_RATE) / (speed * inputRpm) + error(0.25));
          return frames < 1
            ? { ok: false, seen: 'It turns too fast for the camera.' }
            : {
                ok: true,
                reading: {
                  ...base,
                  kind: 'frames',
                  frames,
                  frameRate: FRAME_RATE,
                  turns,
                  resolution: 1,
                  inputRpm,
                  inputResolution: 0,
                },
              };
        }
        case 'scale': {
          const at = solved.network.memberIndex.get(member);
          const carried = train.outputs.includes(member) ? outputTorque(solved, at) : figures?.torque;
          const torque = carried ? Math.abs(toNumber(carried)) * inputTorqueNm : 0;
          const grams = Math.round((torque / GRAVITY / (ARM_MM / 1000)) * 1000 + error(0.4));
          return grams < 1
            ? { ok: false, seen: 'The scale shows nothing.' }
            : {
                ok: true,
                reading: {
                  ...base,
                  kind: 'scale',
                  grams,
                  resolutionG: 1,
                  armMm: ARM_MM,
                  resolutionMm: 0.5,
                  inputTorqueNm,
                },
              };
        }
      }
    },
  };
}

const toQuarters = (value: number): number => Math.round(value * 4) / 4;
