import type { MemberIndex, Motion, Network, OpenTrain } from '../kinematics';
import { MINUS_ONE, ONE, type Rational } from '../rational';

/** Who turns the train, which way, and who takes the power. */
export interface Flow {
  readonly driver: MemberIndex;
  /** Speed of the driver: every speed is per this. */
  readonly speed: Rational;
  /** Torque put into the driver; negative when the load pushes it (coasting). */
  readonly torque: Rational;
  readonly receivers: readonly MemberIndex[];
  /** Outputs that are turned together as one driver. */
  readonly together: readonly MemberIndex[];
}

/** Power from the input to the outputs. */
export const driveFlow = ({ input, outputs }: Network): Flow => ({ driver: input, speed: ONE, torque: ONE, receivers: outputs, together: [] });

/** The input still turns forward, but the load pushes it: the input holds back. */
export const coastFlow = (network: Network): Flow => ({ ...driveFlow(network), torque: MINUS_ONE });

/** The outputs, all turned alike and in the direction given, drive the input. */
export const backwardFlow = ({ input, outputs }: Network, direction: Rational): Flow => ({
  driver: outputs[0]!,
  speed: direction,
  torque: direction,
  receivers: [input],
  together: outputs.slice(1),
});

/** What one question is asked of. */
export interface Question {
  readonly open: OpenTrain;
  readonly engaged: ReadonlySet<string>;
  readonly flow: Flow;
  readonly losses: boolean;
  /** The motion with `engaged` already imposed, where a walk has it at hand. */
  readonly engagedMotion?: Motion;
}
