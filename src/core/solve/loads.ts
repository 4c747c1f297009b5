import { memberForm, type MemberIndex, type MemberVector, type FreeMotion, type OpenTrain } from '../kinematics';
import { abs, compare, div, isZero, mul, neg, ONE, sign, solveDense, sum, ZERO, type Rational } from '../rational';
import { loadedFlow, type Flow } from './flow';
import { leastSpeeds } from './one-ways';
import { solveEngaged, Solved } from './position';
import { jointTorque, stateWith } from './state';

/** Why loads do not balance. */
export type Unbalanced =
  /** Nothing holds this motion: speeds per turn of the member that would turn fastest. */
  | {
      readonly kind: 'would begin';
      readonly speeds: readonly { readonly member: string; readonly speed: Rational }[];
    }
  /** A one-way clutch that drives would have to pull. */
  | { readonly kind: 'overruns'; readonly coupler: string }
  /** No output is driven, so no load tells what the input has to hold. */
  | { readonly kind: 'does not drive' };

export type LoadedSolution =
  { readonly ok: true; readonly solved: Solved } | { readonly ok: false; readonly why: Unbalanced };

/**
 * The torques that hold given loads, by virtual work over every independent motion: Σ torque · speed = 0. One motion
 * gives the
 * input torque, whatever the loads; several (a differential) tie the loads to one another, so that one given fixes the
 * others. An output
 * without a load counts as unloaded where the motions leave it free.
 * @param loads N·m by output, positive against its motion
 * @returns torques of the solved position are in N·m
 */
export function solveLoads(
  open: OpenTrain,
  engaged: Iterable<string>,
  loads: ReadonlyMap<string, Rational>,
  { losses = false }: { losses?: boolean } = {},
): LoadedSolution {
  const { network } = open;
  const on = new Set(engaged);
  const driven = solveEngaged(open, on, { losses });
  if (driven.status !== 'drive' && driven.status !== 'split') return refused({ kind: 'does not drive' });
  const { motion, settled } = driven.state;
  const against = directionsOf(driven);
  const given = network.outputs.flatMap((member, k): MemberVector[0][] => {
    const load = loads.get(network.memberIds[member] ?? '');
    return load ? [[member, neg(mul(load, against[k] ?? ONE))]] : [];
  });
  const settling = settleLoads(motion, driven.flow, given);
  if (!settling.ok)
    return refused({ kind: 'would begin', speeds: beginning(motion, settling.motion, network.memberIds) });
  const flow = loadedFlow(network, settling);
  const state = stateWith({ open, engaged: on, flow, losses }, settled);
  const pulled = state.joints.find(({ id, kind }) => {
    const torque = kind === 'one-way' ? jointTorque(state, id) : null;
    return torque !== null && sign(torque) < 0;
  });
  if (pulled) return refused({ kind: 'overruns', coupler: pulled.id });
  return { ok: true, solved: new Solved(network, on, flow, losses, state) };
}

const refused = (why: Unbalanced): LoadedSolution => ({ ok: false, why });

/** The way each output turns, or would turn where the motion is divided among several: +1 or −1. */
function directionsOf({ network, state, flow }: Solved): readonly Rational[] {
  const least = leastSpeeds(state.motion, flow) ?? [];
  return network.outputs.map((member, k) => {
    const speed = state.speeds.of(member) ?? least[k] ?? ONE;
    return sign(speed) < 0 ? neg(ONE) : ONE;
  });
}

type Settled =
  | { readonly ok: true; readonly given: MemberVector; readonly free: readonly MemberIndex[] }
  | { readonly ok: false; readonly motion: readonly Rational[] };

/**
 * Which outputs' loads follow from the others, and which count as unloaded; or a motion in which what is given does
 * work all the same.
 */
function settleLoads(motion: FreeMotion, { driver, receivers }: Flow, loads: MemberVector): Settled {
  let given = loads;
  for (;;) {
    const unknown = receivers.filter((member) => !given.some(([known]) => known === member));
    const forms = [driver, ...unknown].map((member) => memberForm(motion, member));
    const equations = motion.free.map((_, i) => forms.map((form) => form[i] ?? ZERO));
    const work = motion.free.map((_, i) =>
      sum(given.map(([member, torque]) => mul(torque, memberForm(motion, member)[i] ?? ZERO))),
    );
    const solutions = solveDense(equations, work.map(neg));
    if (!solutions) return { ok: false, motion: motionDoingWork(equations, work) };
    const open = unknown.find((_, u) => solutions.directions.some((direction) => !isZero(direction[u + 1] ?? ZERO)));
    if (open === undefined) return { ok: true, given, free: unknown };
    given = [...given, [open, ZERO]];
  }
}

/**
 * A motion that needs nothing of what may adjust itself, and in which the given loads do work: the proof that they do
 * not balance.
 */
function motionDoingWork(equations: readonly (readonly Rational[])[], work: readonly Rational[]): readonly Rational[] {
  const columns = (equations[0] ?? []).map((_, u) => equations.map((row) => row[u] ?? ZERO));
  const found = solveDense([...columns, work], [...columns.map(() => ZERO), ONE]);
  if (!found) throw new Error('Equations that contradict one another have a certificate.');
  return found.particular;
}

/** A motion in the free coordinates as speeds of the members that take part, per turn of the fastest. */
function beginning(motion: FreeMotion, free: readonly Rational[], memberIds: readonly string[]) {
  const speeds = memberIds.map((id, member) => ({
    member: id,
    speed: sum(memberForm(motion, member).map((value, i) => mul(value, free[i] ?? ZERO))),
  }));
  const fastest = speeds.map(({ speed }) => abs(speed)).reduce((a, b) => (compare(a, b) >= 0 ? a : b), ZERO);
  return speeds.flatMap(({ member, speed }) => (isZero(speed) ? [] : [{ member, speed: div(speed, fastest) }]));
}
