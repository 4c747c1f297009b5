import { FRAME_INDEX, type MemberIndex } from '../kinematics';
import { add, div, isZero, mul, neg, sub, ZERO, type Rational } from '../rational';
import type { Solved } from '../solve';
import { gearSets, type GearSet } from '../working';
import { itemAt } from '../required';

/**
 * One of two paths that a set adds up: the member that it comes in by, and what it alone turns the sum for one turn of
 * the input.
 */
export interface SummedPath {
  readonly member: string;
  readonly turns: Rational;
  /** Share of the power that goes this way without losses: negative, or above 1, where power goes round. */
  readonly share: Rational;
}

/** A set whose one member's speed is the weighted sum of two that are both driven. */
export interface TwoPaths {
  /** The member that turns with the sum. */
  readonly sum: string;
  readonly paths: readonly [SummedPath, SummedPath];
  /** Turns of the sum for one of the input: the two together. */
  readonly turns: Rational;
  /** One path turns against the other, so that power goes round. */
  readonly recirculates: boolean;
}

/**
 * Two paths added by a differential, found in what is engaged. Seen from the arm the central members of a set turn as
 * f_x : f_y, so that f_y ω_x − f_x ω_y + (f_x − f_y) ω_arm = 0. The member that hangs on the output, where the other
 * two hang on the input outside this set, is their sum w_p ω_p + w_q ω_q; the torques of an ideal set are as these
 * weights, so the powers are as w_p ω_p and w_q ω_q.
 */
export function pathPairsIn({ network, state, flow, status }: Solved): readonly TwoPaths[] {
  const output = flow.receivers[0];
  if (status !== 'drive' || output === undefined) return [];
  const planets = new Set(network.train.members.flatMap(({ carrier }, i) => (carrier === undefined ? [] : [i])));
  const sets = gearSets(state.meshes, planets).filter(({ block }) => !block);
  return sets.flatMap((set): TwoPaths[] => {
    const connected = connections(set, sets, state);
    const three = threeOf(set, planets, connected);
    const sum = three?.find(({ member }) => connected(member) === connected(output));
    const drivers = three?.filter((one) => one !== sum) ?? [];
    if (!sum || isZero(sum.weight) || drivers.some(({ member }) => connected(member) !== connected(flow.driver)))
      return [];
    if (connected(output) === connected(flow.driver)) return [];
    const turns = drivers.map(({ member, weight }) => {
      const speed = state.speeds.of(member);
      return speed && div(mul(neg(div(weight, sum.weight)), speed), flow.speed);
    });
    const [p, q] = turns;
    if (!p || !q || isZero(p) || isZero(q)) return [];
    const both = add(p, q);
    const path = (i: 0 | 1, own: Rational): SummedPath => ({
      member: itemAt(network.memberIds, itemAt(drivers, i).member),
      turns: own,
      share: isZero(both) ? ZERO : div(own, both),
    });
    return [
      {
        sum: itemAt(network.memberIds, sum.member),
        paths: [path(0, p), path(1, q)],
        turns: both,
        recirculates: p.n > 0 !== q.n > 0,
      },
    ];
  });
}

interface Weighted {
  readonly member: MemberIndex;
  readonly weight: Rational;
}

/**
 * The set's row over its arm and its two central members that hang on something; null where it has not just these
 * three.
 */
function threeOf(
  { arm, factors }: GearSet,
  planets: ReadonlySet<MemberIndex>,
  connected: (member: MemberIndex) => number,
): readonly Weighted[] | null {
  const central = [...factors].filter(([member]) => !planets.has(member) && member !== FRAME_INDEX);
  const [x, y] = central;
  if (!x || !y || central.length !== 2 || (connected(x[0]) === connected(y[0]) && arm === FRAME_INDEX)) return null;
  return [
    { member: x[0], weight: y[1] },
    { member: y[0], weight: neg(x[1]) },
    { member: arm, weight: sub(x[1], y[1]) },
  ];
}

/**
 * Which members hang together by clutches, by meshes on fixed axes and by the other sets, without this set and without
 * the frame.
 */
function connections(
  own: GearSet,
  sets: readonly GearSet[],
  { meshes, joints }: Solved['state'],
): (member: MemberIndex) => number {
  const parent = new Map<number, number>();
  const root = (at: number): number => {
    const up = parent.get(at) ?? at;
    return up === at ? at : root(up);
  };
  const join = (a: number, b: number) => {
    if (a !== FRAME_INDEX && b !== FRAME_INDEX) parent.set(root(a), root(b));
  };
  for (const { tie } of joints) join(tie.a, tie.b);
  for (const mesh of meshes) if (mesh.arm === FRAME_INDEX) join(mesh.a, mesh.b);
  for (const set of sets) if (set !== own) for (const member of set.factors.keys()) join(member, set.arm);
  return root;
}
