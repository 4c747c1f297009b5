import type { OpenTrain } from '../kinematics';
import { toFraction, type Rational } from '../rational';
import { driveBackward, type BackwardVerdict } from './backward';
import { outputTorque } from './ends';
import { driveFlow } from './flow';
import { solveEngaged, type Solved, type Status } from './position';
import { itemAt } from '../required';

/** The figures of one position, as exact fractions in text: what `bin/tinwheel solve` prints. */
export interface PositionReport {
  readonly status: Status;
  readonly mobility: number;
  readonly speeds: Readonly<Record<string, string | null>>;
  readonly oneWays: Readonly<Record<string, 'holds' | 'overruns'>>;
  readonly ratio?: string | null;
  readonly outputTorque?: Readonly<Record<string, string | null>>;
  readonly couplerTorque?: Readonly<Record<string, string | null>>;
  readonly efficiency?: string | null;
  /** All efficiencies that friction allows, where there are several. */
  readonly efficiencies?: readonly string[];
  readonly selfLocking?: true;
  readonly backward?: BackwardVerdict;
}

export interface TrainReport {
  readonly losses: boolean;
  readonly positions: Readonly<Record<string, PositionReport>>;
}

/** Solves every position (or one) and reads the figures out. With `reverse` the outputs drive the input. */
export function reportTrain(
  open: OpenTrain,
  options: { losses?: boolean; position?: string; reverse?: boolean } = {},
): TrainReport {
  const { network } = open;
  const { train } = network;
  const losses = options.losses ?? false;
  const wanted = train.positions.filter(
    (position) => options.position === undefined || position.id === options.position,
  );
  return {
    losses,
    positions: Object.fromEntries(
      wanted.map(({ id, engaged }) => {
        if (!options.reverse)
          return [id, reportPosition(solveEngaged(open, engaged, { flow: driveFlow(network), losses }))];
        const { verdict, solved } = driveBackward(open, engaged, { losses });
        return [id, { ...reportPosition(solved), backward: verdict }];
      }),
    ),
  };
}

/** One solved position as text figures: speeds per turn of the driver, torques per unit put in. */
function reportPosition(solved: Solved): PositionReport {
  const { network, state, status } = solved;
  const base = {
    status,
    mobility: state.mobility,
    speeds:
      status === 'locked'
        ? {}
        : Object.fromEntries(network.memberIds.map((id, member) => [id, text(state.speeds.of(member))])),
    oneWays: Object.fromEntries(state.oneWays),
    ...(solved.selfLocking ? { selfLocking: true as const } : {}),
  };
  if (status === 'drive') {
    return {
      ...base,
      ratio: text(solved.ratio),
      outputTorque: outputTorques(solved),
      couplerTorque: couplerTorques(solved),
      efficiency: text(solved.efficiency),
      ...severalEfficiencies(solved),
    };
  }
  return status === 'split' ? { ...base, outputTorque: outputTorques(solved) } : base;
}

const severalEfficiencies = ({ efficiencies }: Solved) =>
  efficiencies.length > 1 ? { efficiencies: efficiencies.map(toFraction) } : {};

const text = (value: Rational | null): string | null => (value === null ? null : toFraction(value));

const outputTorques = (solved: Solved): Record<string, string | null> =>
  Object.fromEntries(
    solved.flow.receivers.map((member) => [
      itemAt(solved.network.memberIds, member),
      text(outputTorque(solved, member)),
    ]),
  );

function couplerTorques({ state }: Solved): Record<string, string | null> {
  const { load, joints } = state;
  return Object.fromEntries(
    joints.map(({ id }, k) => [id, load.outcome === 'balanced' ? text(load.torques.joints[k] ?? null) : null]),
  );
}
