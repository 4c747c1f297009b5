import { FRAME_INDEX, type NetworkCoupler } from '../kinematics';
import { add, div, mul, sub, ZERO, type Rational } from '../rational';
import type { Solved, Status } from '../solve';
import type { Coupler } from '../train';
import { oneWayChanges, type OneWayChange, type Shift } from './shifts';
import { itemAt, lookUp } from '../required';

/** What has to be known to make a shift well. */
export interface ShiftDetails {
  /** One-way clutches that take over or let go by themselves. */
  readonly handsOver: readonly OneWayChange[];
  /**
   * What the train does with all that goes off still on and all that comes on already on; null where nothing overlaps.
   */
  readonly overlap: Status | null;
  /** And with neither; null likewise. */
  readonly gap: Status | null;
  /** What has to go through the gap, because it cannot slip: dogs, pawls, pins and sliding meshes among what moves. */
  readonly positive: readonly string[];
  /** What comes on, with the speed that has to be matched there. */
  readonly matches: readonly Match[];
  /** Input speed after over before, for one output speed: 1/step. Null unless both ends drive. */
  readonly inputSpeed: Rational | null;
  /** Input torque after over before, for one output torque and no losses: the step. */
  readonly inputTorque: Rational | null;
  /**
   * An order of moving that passes no locked set, and as few that do not drive as can be; null where every order locks.
   */
  readonly order: readonly CouplerMove[] | null;
}

/** Speeds per turn of the input just before the shift. */
export interface Match {
  readonly coupler: string;
  /**
   * Of the second member against the first; for a sliding mesh of its second gear against what the first would drive it
   * at. Null where it floats.
   */
  readonly difference: Rational | null;
}

export interface CouplerMove {
  readonly coupler: string;
  readonly goes: 'off' | 'on';
  /** What the train does then. */
  readonly then: Status;
}

export function shiftDetails(shift: Shift): ShiftDetails {
  const { before, after, off, on } = shift;
  const moving = [...off, ...on];
  const both = off.length > 0 && on.length > 0;
  const setOf = (engaged: (id: string) => boolean) =>
    shift.between.find(({ solved }) => moving.every((id) => solved.engaged.has(id) === engaged(id)))?.solved.status ??
    null;
  const step = before.ratio && after.ratio && div(before.ratio, after.ratio);
  return {
    handsOver: oneWayChanges(before, after),
    overlap: both ? setOf(() => true) : null,
    gap: both ? setOf(() => false) : null,
    positive: moving.filter((id) => isPositive(couplerOf(before, id).coupler)),
    matches: on.map((coupler) => ({ coupler, difference: difference(before, couplerOf(before, coupler)) })),
    inputSpeed: before.ratio && after.ratio && div(after.ratio, before.ratio),
    inputTorque: step,
    order: bestOrder(shift),
  };
}

/** Does it hold by shape, not by friction, so that it cannot slip while it goes in? */
const isPositive = ({ type, style }: Coupler): boolean =>
  type === 'sliding-mesh' || style === 'dog' || style === 'pawl' || style === 'pin';

const couplerOf = ({ network }: Solved, id: string): NetworkCoupler =>
  itemAt(network.couplers, lookUp(network.couplerIndex, id));

/** ω_b − ω_a of what it joins; of a mesh r/(σ z_b), where r is what its row comes to. */
function difference({ network, state: { speeds } }: Solved, { acts }: NetworkCoupler): Rational | null {
  if (acts.kind === 'joins') return speeds.difference(acts.a, acts.b);
  const { a, b, arm, za, zb } = itemAt(network.meshes, acts.mesh);
  const of = (member: number) => (member === FRAME_INDEX ? ZERO : speeds.of(member));
  const [first, second, carrier] = [of(a), of(b), of(arm)];
  if (!first || !second || !carrier) return null;
  return add(sub(second, carrier), div(mul(za, sub(first, carrier)), zb));
}

/**
 * A shortest path through the sets between, one element moved at a time: locked sets are closed, and each that does not
 * drive counts one.
 */
function bestOrder({ off, on, between, before, after }: Shift): readonly CouplerMove[] | null {
  const moving = [...off, ...on];
  const end = 2 ** moving.length - 1;
  const numberOf = (solved: Solved) =>
    moving.reduce((sum, id, k) => (solved.engaged.has(id) === on.includes(id) ? sum | (1 << k) : sum), 0);
  const status = new Map(between.map(({ solved }) => [numberOf(solved), solved.status]));
  status.set(end, after.status);
  if (before.status === 'locked' || after.status === 'locked') return null;
  const best = new Map<number, { cost: number; moves: readonly CouplerMove[] }>([[0, { cost: 0, moves: [] }]]);
  for (let set = 0; set < end; set++) {
    const here = best.get(set);
    if (!here) continue;
    moving.forEach((coupler, k) => {
      const next = set | (1 << k);
      const then = lookUp(status, next);
      if (next === set || (then === 'locked' && next !== end)) return;
      const cost = here.cost + (next === end || then === 'drive' ? 0 : 1);
      if (cost < (best.get(next)?.cost ?? Infinity))
        best.set(next, { cost, moves: [...here.moves, { coupler, goes: on.includes(coupler) ? 'on' : 'off', then }] });
    });
  }
  return best.get(end)?.moves ?? null;
}
