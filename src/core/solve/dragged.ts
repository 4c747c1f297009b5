import { FRAME_INDEX, leadForm, memberForm, type MemberIndex, type Network } from '../kinematics';
import { holding, leastMotion } from '../least-motion';
import { div, mul, ONE, sum, ZERO, type Rational } from '../rational';
import { itemAt, lookUp } from '../required';
import type { Flow } from './flow';
import type { State } from './state';

/**
 * How a train moves where what is engaged leaves members open. Nothing is loaded there but by a little drag, alike on
 * each of them: of the motions that meshes, engaged couplers and one-way clutches allow, it takes the one that moves
 * the open members least (the law of least motion, with them for loads).
 */
export interface DraggedMotion {
  /** Per turn of the driver: as solved where that is determined; 0 of all members where the driver cannot turn. */
  readonly speedOf: (member: MemberIndex) => Rational;
  /** One-way clutches that hold against the drag, though no load is on them. */
  readonly holds: ReadonlySet<string>;
}

/** What is settled about a position. */
interface Settled {
  readonly network: Network;
  readonly state: State;
  readonly flow: Flow;
}

/**
 * With more freedoms than this the fractions of the least motion grow so long that nobody would wait for them: then the
 * free coordinates move least instead of the members, which everything allows as well.
 */
const MOST_FREE = 12;

export function draggedMotion({ network, state, flow }: Settled): DraggedMotion {
  const { speeds, motion } = state;
  if (!speeds.turns) return { speedOf: () => ZERO, holds: new Set() };
  const open = network.memberIds.map((_, member) => member).filter((member) => speeds.of(member) === null);
  const solvedSpeed = (member: MemberIndex) => (member === FRAME_INDEX ? ZERO : (speeds.of(member) ?? ZERO));
  if (open.length === 0) return { speedOf: solvedSpeed, holds: new Set() };
  const overrunning = [...state.oneWays].flatMap(([id, how]) => {
    const { acts } = itemAt(network.couplers, lookUp(network.couplerIndex, id));
    return how === 'overruns' && acts.kind === 'joins' ? [{ id, tie: acts }] : [];
  });
  const forms = open.map((member) => memberForm(motion, member));
  const isSmall = motion.free.length <= MOST_FREE;
  const programme = {
    rate: memberForm(motion, flow.driver).map((value) => div(value, flow.speed)),
    loads: isSmall ? forms : motion.free.map((_, i) => motion.free.map((__, k) => (i === k ? ONE : ZERO))),
    leads: overrunning.map(({ tie }) => leadForm(motion, tie)),
  };
  const solution = leastMotion(programme);
  // What was solved is such a motion, so that there is one.
  if (!solution.possible) throw new Error('What is engaged has a motion, and none was found.');
  const speedAt = (k: number): Rational =>
    isSmall ? itemAt(solution.loads, k) : sum(itemAt(forms, k).map((by, i) => mul(by, itemAt(solution.loads, i))));
  const dragged = new Map(open.map((member, k) => [member, speedAt(k)]));
  return {
    speedOf: (member) => dragged.get(member) ?? solvedSpeed(member),
    holds: new Set([...holding(programme, solution)].map((i) => itemAt(overrunning, i).id)),
  };
}
