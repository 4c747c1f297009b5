import { openTrain, type Motion, type Network, type OpenTrain } from '../kinematics';
import { div, isZero, mul, ONE, sign, sum, type Rational } from '../rational';
import { driveFlow, type Flow } from './flow';
import { settle, type State } from './states';

/**
 * - drive: the input can turn, an output is determined and not zero
 * - split: several outputs, tied together but not determined one by one, and torque reaches them
 * - neutral: the input can turn, no output is determined and no torque passes
 * - held: the input can turn, the output is forced to stand
 * - locked: the input is forced to stand
 */
export type Status = 'drive' | 'split' | 'neutral' | 'held' | 'locked';

/** One gear position, solved. Speeds are per turn of the driver, torques per unit of torque put in. */
export interface Solved {
  readonly network: Network;
  readonly engaged: ReadonlySet<string>;
  readonly flow: Flow;
  readonly losses: boolean;
  readonly state: State;
  readonly status: Status;
  /** Input speed over the first determined output's speed, signed; null unless it drives. */
  readonly ratio: Rational | null;
  /** Power out over power in; null when not determined. */
  readonly efficiency: Rational | null;
  /** Friction alone stops it, though the motion is free. */
  readonly selfLocking: boolean;
}

/** Solves what is engaged, for one flow of power. */
export function solveEngaged(open: OpenTrain, engaged: Iterable<string>, options: { flow?: Flow; losses?: boolean; engagedMotion?: Motion } = {}): Solved {
  const flow = options.flow ?? driveFlow(open.network);
  const losses = options.losses ?? false;
  const on = new Set(engaged);
  const state = settle({ open, engaged: on, flow, losses, engagedMotion: options.engagedMotion });
  const status = statusOf(state, flow);
  return {
    network: open.network,
    engaged: on,
    flow,
    losses,
    state,
    status,
    ratio: ratioOf(state, flow, status),
    get efficiency() {
      return status === 'drive' ? efficiencyOf(state, flow) : null;
    },
    get selfLocking() {
      return state.load.outcome === 'self-locking';
    },
  };
}

/** Every position of a train, in its order. */
export function solvePositions(network: Network, options: { losses?: boolean } = {}): ReadonlyMap<string, Solved> {
  const open = openTrain(network);
  return new Map(network.train.positions.map((position) => [position.id, solveEngaged(open, position.engaged, options)]));
}

function statusOf({ speeds, load }: State, flow: Flow): Status {
  if (!speeds.turns) return 'locked';
  const known = flow.receivers.map((member) => speeds.of(member));
  if (known.some((speed) => speed !== null && !isZero(speed))) return 'drive';
  if (known.some((speed) => speed !== null)) return 'held';
  return flow.receivers.length > 1 && load.outcome !== 'unloaded' ? 'split' : 'neutral';
}

function ratioOf({ speeds }: State, flow: Flow, status: Status): Rational | null {
  if (status !== 'drive') return null;
  const output = flow.receivers.map((member) => speeds.of(member)).find((speed) => speed !== null && !isZero(speed))!;
  return div(flow.speed, output!);
}

function efficiencyOf({ speeds, load }: State, flow: Flow): Rational | null {
  if (load.outcome !== 'balanced') return null;
  const powers: Rational[] = [];
  for (const [k, member] of flow.receivers.entries()) {
    const torque = load.torques.receivers[k] ?? null;
    const speed = speeds.of(member);
    if (torque === null || speed === null) return null;
    powers.push(mul(torque, speed));
  }
  const out = sum(powers);
  const put = mul(flow.torque, flow.speed);
  return sign(put) > 0 ? div(out, put) : isZero(out) ? ONE : div(put, out);
}
