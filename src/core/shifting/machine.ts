import { loadTorque, type LoadCurve } from './load';
import { torqueAt, type CurveSegment } from './motor';
import { RAD_S_PER_RPM, type Gearing } from './operating-point';

/** Motor, load and inertias between which positions change. */
export interface Machine {
  readonly line: readonly CurveSegment[];
  readonly load: LoadCurve;
  /** Of the motor's side and of the output's, the load's own included; kg m². */
  readonly inputKgM2: number;
  readonly outputKgM2: number;
  /** What a friction clutch that takes over can carry when it is fully on, N·m at the input. */
  readonly clutchNm: number;
}

/** How motor and output hang together at a moment. */
export type Joined =
  | { readonly kind: 'engaged'; readonly gearing: Gearing }
  /** Nothing is engaged between two positions. */
  | { readonly kind: 'gap' }
  /**
   * The next position's clutch slips, its capacity rising from nothing to all of it; sign 1 while the motor is the
   * faster side.
   */
  | {
      readonly kind: 'slip';
      readonly gearing: Gearing;
      readonly from: number;
      readonly to: number;
      readonly sign: -1 | 1;
    }
  /** The load holds everything still. */
  | { readonly kind: 'still'; readonly gearing: Gearing };

/** Speeds in rad/s, and the energies so far in J; `read` is what the detector shows. */
export interface MachineMotion {
  readonly input: number;
  readonly output: number;
  readonly read: number;
  readonly motorJ: number;
  readonly loadJ: number;
  readonly lossJ: number;
}

/** Torques at a moment, N·m: of the motor, through the train at its input and its output, and of the load. */
export interface MachineTorques {
  readonly motor: number;
  readonly through: number;
  readonly out: number;
  readonly load: number;
}

/** Accelerations, rad/s², and the torques that go with them. */
export interface Forces extends MachineTorques {
  readonly inputRate: number;
  readonly outputRate: number;
}

/**
 * Newton's law for either side. Engaged, the two sides are one: with T the torque into the train, T_m − J_m α = T and T
 * i e = J_L α/i + T_L while the motor drives; where that asks for a torque below 0 the load drives, and T i = (J_L α/i
 * + T_L) e_back.
 */
export function forces(
  machine: Machine,
  joined: Joined,
  { input, output }: Pick<MachineMotion, 'input' | 'output'>,
  timeS: number,
): Forces {
  const { line, inputKgM2: ji, outputKgM2: jo } = machine;
  const motor = torqueAt(line, input / RAD_S_PER_RPM);
  const load = loadTorque(machine.load, output, timeS);
  switch (joined.kind) {
    case 'engaged': {
      const { ratio: i, drive, back } = joined.gearing;
      const driven = (motor - load / (i * drive)) / (ji + jo / (i * i * drive));
      if (motor - ji * driven >= 0) {
        const through = motor - ji * driven;
        return { motor, load, through, out: through * i * drive, inputRate: driven, outputRate: driven / i };
      }
      const pushed = (motor - (load * back) / i) / (ji + (jo * back) / (i * i));
      const through = motor - ji * pushed;
      return { motor, load, through, out: (through * i) / back, inputRate: pushed, outputRate: pushed / i };
    }
    case 'gap':
      return { motor, load, through: 0, out: 0, inputRate: motor / ji, outputRate: coasting(load, output, jo) };
    case 'slip': {
      const { ratio: i, drive, back } = joined.gearing;
      const on = Math.min(1, Math.max(0, (timeS - joined.from) / (joined.to - joined.from)));
      const through = joined.sign * machine.clutchNm * on;
      const out = through >= 0 ? through * i * drive : (through * i) / back;
      const outputRate = output <= 0 && out <= load ? 0 : (out - load) / jo;
      return { motor, load, through, out, inputRate: (motor - through) / ji, outputRate };
    }
    case 'still':
      return {
        motor,
        load,
        through: motor,
        out: motor * joined.gearing.ratio * joined.gearing.drive,
        inputRate: 0,
        outputRate: 0,
      };
  }
}

/** A load slows the output down to standstill; there it is held. */
const coasting = (load: number, output: number, inertia: number): number =>
  output <= 0 && load > 0 ? 0 : -load / inertia;

/** Kinetic energy of both sides, J. */
export const storedJ = (
  { inputKgM2, outputKgM2 }: Machine,
  { input, output }: Pick<MachineMotion, 'input' | 'output'>,
): number => (inputKgM2 * input ** 2 + outputKgM2 * output ** 2) / 2;

/**
 * The common speeds after the two sides are joined at once: momentum, as the new position sees it, is kept, energy is
 * not. `carried` is the inertia at the output by which what turned as in the old position counts in the new one;
 * without inertias of members it is that of the output itself.
 */
export function joinedSpeeds(
  { inputKgM2: ji, outputKgM2: jo }: Machine,
  carried: number,
  { ratio }: Gearing,
  { input, output }: Pick<MachineMotion, 'input' | 'output'>,
) {
  const common = (ji * input + (carried * output) / ratio) / (ji + jo / ratio ** 2);
  return { input: common, output: common / ratio };
}
