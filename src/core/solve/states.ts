import { alwaysIn, engage, FRAME_INDEX, mobility, openMotion, openTrain, speedsPerTurn, stands, type Motion, type Network, type NetworkMesh, type Speeds, type Tie } from '../kinematics';
import { compare, isZero, mul, sign, ZERO, type Rational } from '../rational';
import { idealTorques, lossyTorques, rollingSpeed, type Load, type Loaded } from '../statics';
import type { Question } from './flow';

/** A joint that is on in a state: an engaged clutch or brake, a one-way clutch that holds, a worm that stands. */
export interface ActiveJoint {
  readonly id: string;
  readonly kind: 'coupler' | 'one-way' | 'self-lock';
  readonly tie: Extract<Tie, { kind: 'joins' }>;
}

/** One way in which the one-way clutches and self-locking worms can stand, with what follows from it. */
export class State {
  private found: Loaded | null = null;

  constructor(
    readonly motion: Motion,
    readonly speeds: Speeds,
    readonly joints: readonly ActiveJoint[],
    /** Meshes that are in. */
    readonly meshes: readonly NetworkMesh[],
    /** One-way clutches at work (always on, or selected): which of them hold. */
    readonly oneWays: ReadonlyMap<string, 'holds' | 'overruns'>,
    /** False when no state was found in which everything agrees: then this is the nearest one. */
    readonly settled: boolean,
    private readonly findLoad: () => Loaded,
  ) {}

  get mobility(): number {
    return mobility(this.motion);
  }

  /** The torques, worked out when they are first asked for. */
  get load(): Loaded {
    return (this.found ??= this.findLoad());
  }

  asUnsettled(): State {
    return new State(this.motion, this.speeds, this.joints, this.meshes, this.oneWays, false, this.findLoad);
  }
}

/** The things that decide for themselves: each is off (overruns, turns freely) or on (holds, stands). */
interface Deciding {
  readonly oneWays: readonly { readonly id: string; readonly tie: Extract<Tie, { kind: 'joins' }> }[];
  readonly worms: readonly { readonly id: string; readonly mesh: NetworkMesh }[];
}

/** Far more than real trains need: each step follows a clutch that objected to the state before. */
const MAX_STATES = 4096;

/**
 * Finds the consistent state. Starts with every one-way clutch overrunning and every worm free, and follows
 * the objections: a clutch that would be overtaken must hold, one that would have to pull must let go, a worm
 * that nothing drives stands. Breadth first, so the state with the fewest changes wins; a state that locks
 * counts only if nothing else agrees.
 */
export function settle(question: Question): State {
  const { network } = question.open;
  const deciding = decidersOf(question);
  const ground = groundOf(question);
  const count = deciding.oneWays.length + deciding.worms.length;
  const queue: ReadonlySet<number>[] = [new Set()];
  const seen = new Set(['']);
  let locked: State | null = null;
  let nearest: { state: State; objections: number } | null = null;
  for (let at = 0; at < queue.length && at < MAX_STATES; at++) {
    const on = queue[at]!;
    const state = stateOf(question, ground, deciding, on);
    if (!state.speeds.turns) {
      if (on.size === 0) return state;
      locked ??= state;
      continue;
    }
    const objections = count === 0 ? [] : objectionsTo(state, question, deciding, on, network);
    if (objections.length === 0) return state;
    if (!nearest || objections.length < nearest.objections) nearest = { state, objections: objections.length };
    for (const flip of objections) {
      const next = new Set(on);
      if (!next.delete(flip)) next.add(flip);
      const name = [...next].sort((a, b) => a - b).join(',');
      if (!seen.has(name)) {
        seen.add(name);
        queue.push(next);
      }
    }
  }
  return locked ?? nearest!.state.asUnsettled();
}

function decidersOf({ open, engaged }: Question): Deciding {
  const { network } = open;
  if (!network.decides) return NOTHING_DECIDES;
  const oneWays = network.couplers.flatMap(({ coupler, acts }) => {
    if (coupler.type !== 'one-way' || acts.kind !== 'joins') return [];
    const active = coupler.control !== 'selectable' || engaged.has(coupler.id);
    return active ? [{ id: coupler.id, tie: acts }] : [];
  });
  const worms = network.meshes.flatMap((mesh) => (mesh.mesh.selfLocking && isIn(mesh, network, engaged) ? [{ id: `self-lock:${mesh.mesh.id}`, mesh }] : []));
  return { oneWays, worms };
}

const NOTHING_DECIDES: Deciding = { oneWays: [], worms: [] };

const isIn = (mesh: NetworkMesh, network: Network, engaged: ReadonlySet<string>): boolean => mesh.slidBy === null || engaged.has(network.couplers[mesh.slidBy]!.coupler.id);

/** Clutches, brakes and sliding meshes that are engaged, as ties. */
export function engagedTies(network: Network, engaged: ReadonlySet<string>): { joints: ActiveJoint[]; slides: Tie[] } {
  const joints: ActiveJoint[] = [];
  const slides: Tie[] = [];
  for (const { coupler, acts } of network.couplers) {
    if (!engaged.has(coupler.id) || coupler.type === 'one-way') continue;
    if (acts.kind === 'joins') joints.push({ id: coupler.id, kind: 'coupler', tie: acts });
    else slides.push(acts);
  }
  return { joints, slides };
}

/** What is engaged whatever the deciders do: the clutches, brakes and sliding meshes, and outputs turned together. */
interface Ground {
  readonly motion: Motion;
  readonly joints: readonly ActiveJoint[];
  readonly together: readonly Extract<Tie, { kind: 'joins' }>[];
}

function groundOf({ open, engaged, flow, engagedMotion }: Question): Ground {
  const { joints, slides } = engagedTies(open.network, engaged);
  const together = flow.together.map((b) => ({ kind: 'joins' as const, a: flow.driver, b }));
  const motion = engagedMotion ?? engage(openMotion(open), [...slides, ...joints.map((joint) => joint.tie)]);
  return { motion: engage(motion, together), joints, together };
}

function stateOf(question: Question, ground: Ground, deciding: Deciding, on: ReadonlySet<number>): State {
  const { open, engaged, flow } = question;
  const { network } = open;
  const decided: ActiveJoint[] = [];
  deciding.oneWays.forEach(({ id, tie }, i) => on.has(i) && decided.push({ id, kind: 'one-way', tie }));
  deciding.worms.forEach(({ id, mesh }, i) => {
    if (on.has(deciding.oneWays.length + i)) decided.push({ id, kind: 'self-lock', tie: { kind: 'joins', a: mesh.a, b: mesh.arm } });
  });
  const joints = [...ground.joints, ...decided];
  const motion = engage(ground.motion, decided.map((joint) => joint.tie));
  const speeds = speedsPerTurn(motion, flow.driver, flow.speed);
  const meshes = meshesIn(network, engaged);
  const findLoad = (): Loaded => {
    if (!speeds.turns) return { outcome: 'unloaded' };
    const load: Load = {
      slides: meshes.filter(({ slidBy }) => slidBy !== null),
      joints: [...joints.map((joint) => joint.tie), ...ground.together],
      driver: flow.driver,
      torque: flow.torque,
      receivers: flow.receivers,
    };
    return question.losses ? lossyTorques(open, load, speeds) : idealTorques(open, load);
  };
  const oneWays = new Map(deciding.oneWays.map(({ id }, i) => [id, on.has(i) ? ('holds' as const) : ('overruns' as const)]));
  return new State(motion, speeds, joints, meshes, oneWays, true, findLoad);
}

/** The meshes that are in: all that are always in, and the sliding ones that are engaged. */
function meshesIn(network: Network, engaged: ReadonlySet<string>): readonly NetworkMesh[] {
  return network.slides ? network.meshes.filter((mesh) => isIn(mesh, network, engaged)) : network.meshes;
}

/** Which deciders cannot stay as they are in this state. */
function objectionsTo(state: State, question: Question, deciding: Deciding, on: ReadonlySet<number>, network: Network): number[] {
  const found: number[] = [];
  const standing = standingSpeeds(state, question);
  deciding.oneWays.forEach(({ id, tie }, i) => {
    if (on.has(i)) {
      const torque = jointTorque(state, id);
      if (torque && sign(torque) < 0) found.push(i);
      return;
    }
    const lead = state.speeds.difference(tie.a, tie.b) ?? standing?.difference(tie.a, tie.b) ?? null;
    if (lead && sign(lead) < 0) found.push(i);
  });
  deciding.worms.forEach(({ mesh }, i) => {
    const flip = deciding.oneWays.length + i;
    if (!on.has(flip) && !wormDrives(state, question, mesh, network)) found.push(flip);
  });
  return found;
}

/**
 * Speeds with every floating receiver standing still under its load, so that a clutch that would have to
 * catch does catch. When the load pushes, it runs ahead instead and nothing has to catch.
 */
function standingSpeeds(state: State, { flow }: Question): Speeds | null {
  if (sign(mul(flow.torque, flow.speed)) < 0) return null;
  let motion = state.motion;
  for (const member of flow.receivers) {
    if (state.speeds.of(member) !== null) continue;
    const stopped = engage(motion, [{ kind: 'joins', a: member, b: FRAME_INDEX }]);
    if (!stands(stopped, flow.driver)) motion = stopped;
  }
  return motion === state.motion ? null : speedsPerTurn(motion, flow.driver, flow.speed);
}

/** Torque through a joint of the state, or null when shared or not loaded. */
export function jointTorque(state: State, id: string): Rational | null {
  const at = state.joints.findIndex((joint) => joint.id === id);
  return at >= 0 && state.load.outcome === 'balanced' ? (state.load.torques.joints[at] ?? null) : null;
}

/** May this worm turn freely here? Only if it stands anyway, gives power to its wheel, or is turned by something other than its wheel. */
function wormDrives(state: State, question: Question, mesh: NetworkMesh, network: Network): boolean {
  const speed = rollingSpeed(state.speeds, mesh);
  if (speed === null) return false;
  if (isZero(speed)) return true;
  if (state.load.outcome === 'self-locking') return false;
  if (state.load.outcome === 'balanced') {
    const lambda = state.load.torques.meshes.get(mesh);
    if (lambda === null || lambda === undefined) return true;
    const power = mul(mul(lambda, mesh.za), speed);
    if (sign(power) !== 0) return compare(power, ZERO) < 0;
  }
  const without = openTrain(network, alwaysIn(network).filter((other) => other !== mesh));
  const motion = engage(openMotion(without), [...engagedTies(network, question.engaged).slides, ...state.joints.map((joint) => joint.tie)]);
  return rollingSpeed(speedsPerTurn(motion, question.flow.driver), mesh) !== null;
}
