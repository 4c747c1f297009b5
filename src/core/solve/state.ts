import { imposeTies, mobility, speedsPerTurn, type FreeMotion, type NetworkMesh, type Speeds } from '../kinematics';
import type { Rational } from '../rational';
import { idealTorques, lossyTorques, type BalancedLoad, type LossyLoad } from '../statics';
import { engagedJoints, engagedMotion, meshesIn, oneWaysDeciding, turnedTogether, type ActiveJoint } from './engaged';
import type { SolveQuestion } from './flow';
import { settleOneWays } from './one-ways';
import { wormLock, lockedWorms } from './worms';

/** What moves and what carries, with everything that decides for itself settled. */
export class State {
  private found: LossyLoad | null = null;

  constructor(
    readonly motion: FreeMotion,
    readonly speeds: Speeds,
    readonly joints: readonly ActiveJoint[],
    /** Meshes that are in. */
    readonly meshes: readonly NetworkMesh[],
    readonly settled: Settled,
    private readonly findLoad: () => LossyLoad,
  ) {}

  /** One-way clutches at work (always on, or selected): which of them hold. */
  get oneWays(): Settled['oneWays'] {
    return this.settled.oneWays;
  }

  get mobility(): number {
    return mobility(this.motion);
  }

  /** The torques, worked out when they are first asked for. */
  get load(): LossyLoad {
    return (this.found ??= this.findLoad());
  }
}

/** What decides for itself, settled: worms that stand, and how the one-way clutches at work are. */
interface Settled {
  readonly worms: readonly NetworkMesh[];
  readonly oneWays: ReadonlyMap<string, 'holds' | 'overruns'>;
}

/** Settles the worms, then the one-way clutches, and joins what holds. */
export function stateOf(question: SolveQuestion): State {
  const { flow } = question;
  const ground = groundOf(question);
  const worms = lockedWorms(question);
  const working = oneWaysDeciding(question);
  if (working.length === 0) return stateWith(question, { worms, oneWays: new Map() }, ground);
  const { holds } = settleOneWays(imposeTies(ground.motion, worms.map(wormLock)), working, flow);
  return stateWith(
    question,
    { worms, oneWays: new Map(working.map(({ id }) => [id, holds.has(id) ? 'holds' : 'overruns'])) },
    ground,
  );
}

/** What is engaged whatever decides for itself. */
interface Ground {
  readonly joints: readonly ActiveJoint[];
  readonly motion: FreeMotion;
}

function groundOf(question: SolveQuestion): Ground {
  const joints = engagedJoints(question.open.network, question.engaged);
  return { joints, motion: engagedMotion(question, joints) };
}

/** The state in which things have been settled so. */
export function stateWith(question: SolveQuestion, settled: Settled, ground: Ground = groundOf(question)): State {
  const { open, engaged, flow } = question;
  const deciding = [
    ...oneWaysDeciding(question).flatMap(({ id, tie }): ActiveJoint[] =>
      settled.oneWays.get(id) === 'holds' ? [{ id, kind: 'one-way', tie }] : [],
    ),
    ...settled.worms.map((mesh): ActiveJoint => ({
      id: `self-lock:${mesh.mesh.id}`,
      kind: 'self-lock',
      tie: wormLock(mesh),
    })),
  ];
  const joints = deciding.length > 0 ? [...ground.joints, ...deciding] : ground.joints;
  const motion = imposeTies(
    ground.motion,
    deciding.map(({ tie }) => tie),
  );
  const speeds = speedsPerTurn(motion, flow.driver, flow.speed);
  const meshes = meshesIn(open.network, engaged);
  const findLoad = (): LossyLoad => {
    if (!speeds.turns) return { outcome: 'unloaded' };
    const load: BalancedLoad = {
      slides: meshes.filter(({ slidBy }) => slidBy !== null),
      joints: [...joints.map((joint) => joint.tie), ...turnedTogether(question)],
      acting: flow.loads ? flow.loads.given : [[flow.driver, flow.torque]],
      receivers: flow.loads ? [flow.driver, ...flow.loads.free] : flow.receivers,
    };
    return question.losses ? lossyTorques(open, load, speeds) : idealTorques(open, load);
  };
  return new State(motion, speeds, joints, meshes, settled, findLoad);
}

/** Torque through a joint of the state, or null when shared or not loaded. */
export function jointTorque(state: State, id: string): Rational | null {
  const at = state.joints.findIndex((joint) => joint.id === id);
  return at >= 0 && state.load.outcome === 'balanced' ? (state.load.torques.joints[at] ?? null) : null;
}
