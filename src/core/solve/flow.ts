import type { MemberIndex, MemberVector, FreeMotion, Network, OpenTrain } from '../kinematics';
import { abs, div, isZero, neg, ONE, type Rational, entryAt } from '../rational';
import { itemAt } from '../required';

/** Who turns the train, which way, and who takes the power. */
export interface Flow {
  readonly driver: MemberIndex;
  /** Speed of the driver: every speed is per this. */
  readonly speed: Rational;
  /** Torque put into the driver; negative when the load pushes it (coasting). */
  readonly torque: Rational;
  readonly receivers: readonly MemberIndex[];
  /** Further outputs that are turned with the driver, each at its multiple of the driver's speed. */
  readonly together: readonly { readonly member: MemberIndex; readonly times: Rational }[];
  /** Torques given on outputs, N·m, and outputs whose load follows; what the driver holds follows too. */
  readonly loads?: { readonly given: MemberVector; readonly free: readonly MemberIndex[] };
}

/** Power from the input to the outputs. */
export const driveFlow = ({ input, outputs }: Network): Flow => ({
  driver: input,
  speed: ONE,
  torque: ONE,
  receivers: outputs,
  together: [],
});

/** Power from the input to the outputs, its amount told by the loads. */
export const loadedFlow = (network: Network, { given, free }: NonNullable<Flow['loads']>): Flow => ({
  ...driveFlow(network),
  loads: { given, free },
});

/**
 * Power from the outputs to the input, told per turn of the input (the way it is pushed) all the same: the input holds
 * back.
 */
export const coastFlow = (network: Network, speed: Rational): Flow => ({
  ...driveFlow(network),
  speed,
  torque: neg(speed),
});

/**
 * The outputs drive the input, turning in these proportions; the first that turns is the driver and turns once.
 * @param speeds one for each output, not all zero.
 */
export function backwardDrivenFlow({ input, outputs }: Network, speeds: readonly Rational[]): Flow {
  const first = speeds.findIndex((speed) => !isZero(speed));
  const speed = div(entryAt(speeds, first), abs(entryAt(speeds, first)));
  const together = outputs.flatMap((member, k) =>
    k === first ? [] : [{ member, times: div(entryAt(speeds, k), entryAt(speeds, first)) }],
  );
  return { driver: itemAt(outputs, first), speed, torque: speed, receivers: [input], together };
}

/** The outputs, all turned alike and in the direction given, drive the input. */
export const backwardFlow = (network: Network, direction: Rational): Flow =>
  backwardDrivenFlow(
    network,
    network.outputs.map(() => direction),
  );

/** What one question is asked of. */
export interface SolveQuestion {
  readonly open: OpenTrain;
  readonly engaged: ReadonlySet<string>;
  readonly flow: Flow;
  readonly losses: boolean;
  /** A one-way clutch that slips whatever turns: it takes no part in the deciding. */
  readonly slipping?: string | null;
  /** The motion with `engaged` already imposed, where a walk has it at hand. */
  readonly engagedMotion?: FreeMotion;
}
