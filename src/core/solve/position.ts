import { type FreeMotion, type Network, type OpenTrain } from '../kinematics';
import { div, isZero, neg, ONE, sign, sum, type Rational } from '../rational';
import { powerOf, type Torques } from '../statics';
import { draggedMotion, type DraggedMotion } from './dragged';
import { endsWith, type End } from './ends';
import { driveFlow, type Flow } from './flow';
import { stateOf, type State } from './state';
import { required } from '../required';

/**
 * - drive: the input can turn, an output is determined and not zero
 * - split: several outputs, tied together but not determined one by one, and torque reaches them
 * - neutral: the input can turn, no output is determined and no torque passes
 * - held: the input can turn, the output is forced to stand
 * - locked: the input is forced to stand
 */
export type Status = 'drive' | 'split' | 'neutral' | 'held' | 'locked';

/** One gear position, solved. Speeds are per turn of the driver, torques per unit of torque put in. */
export class Solved {
  readonly status: Status;
  /** Input speed over the first determined output's speed, signed; null unless it drives. */
  readonly ratio: Rational | null;
  private found: DraggedMotion | null = null;

  constructor(
    readonly network: Network,
    readonly engaged: ReadonlySet<string>,
    readonly flow: Flow,
    readonly losses: boolean,
    readonly state: State,
  ) {
    this.status = statusOf(state, flow);
    this.ratio = ratioOf(state, flow, this.status);
  }

  /** One motion of everything, open members too; worked out when it is first asked for. */
  get dragged(): DraggedMotion {
    return (this.found ??= draggedMotion(this));
  }

  /** Power out over power in; null when not determined. */
  get efficiency(): Rational | null {
    const { load } = this.state;
    return this.status === 'drive' && load.outcome === 'balanced' ? efficiencyOf(this, load.torques) : null;
  }

  /**
   * The efficiencies that friction allows: more than one where power can go round in more than one way. Empty when not
   * determined.
   */
  get efficiencies(): readonly Rational[] {
    const { load } = this.state;
    if (this.status !== 'drive' || load.outcome !== 'balanced') return [];
    return load.answers.flatMap(({ torques }) => efficiencyOf(this, torques) ?? []);
  }

  /** Friction alone stops it, though the motion is free. */
  get selfLocking(): boolean {
    return this.state.load.outcome === 'self-locking';
  }
}

export interface SolveOptions {
  readonly flow?: Flow;
  readonly losses?: boolean;
  readonly slipping?: string | null;
  readonly engagedMotion?: FreeMotion;
}

/**
 * Solves what is engaged, for one flow of power. @param options.slipping a one-way clutch that gives way: it neither
 * holds nor pushes.
 */
export function solveEngaged(open: OpenTrain, engaged: Iterable<string>, options: SolveOptions = {}): Solved {
  const { flow = driveFlow(open.network), losses = false, slipping = null, engagedMotion } = options;
  const on = new Set(engaged);
  return new Solved(
    open.network,
    on,
    flow,
    losses,
    stateOf({ open, engaged: on, flow, losses, slipping, engagedMotion }),
  );
}

function statusOf(state: State, flow: Flow): Status {
  const { speeds } = state;
  if (!speeds.turns) return 'locked';
  const known = flow.receivers.map((member) => speeds.of(member));
  if (known.some((speed) => speed !== null && !isZero(speed))) return 'drive';
  if (flow.receivers.length > 1 && known.includes(null) && state.load.outcome !== 'unloaded') return 'split';
  return known.some((speed) => speed !== null) ? 'held' : 'neutral';
}

function ratioOf({ speeds }: State, flow: Flow, status: Status): Rational | null {
  if (status !== 'drive') return null;
  const output = required(
    flow.receivers.map((member) => speeds.of(member)).find((speed) => speed !== null && !isZero(speed)),
  );
  return div(flow.speed, required(output));
}

function efficiencyOf({ state, flow }: Solved, torques: Torques): Rational | null {
  const powers = endsWith(torques, state, flow).map(({ kind, member, torque }) => ({
    kind,
    power: powerOf(torque, state.speeds.of(member)),
  }));
  if (powers.some(({ power }) => power === null)) return null;
  const passed = (end: End['kind']) => sum(powers.flatMap(({ kind, power }) => (kind === end && power ? [power] : [])));
  const [put, out] = [passed('input'), neg(passed('output'))];
  return sign(put) > 0 ? div(out, put) : isZero(out) ? ONE : div(put, out);
}
