import { modelOf } from '../model';
import { sign } from '../rational';
import { lookUp } from '../required';
import { jointTorque } from '../solve';
import type { Train } from '../train';

/** A brake or clutch that could be a one-way clutch, so that it lets go by itself. */
export interface OneWaySubstitute {
  readonly coupler: string;
  /** Its members, the one that it keeps from running ahead of the other first. */
  readonly joins: readonly [string, string];
}

/**
 * Elements whose torque has one sign in all forward positions that engage them, and which would overrun, or stand, in
 * all others: as a one-way clutch they do the same forward, and shift by themselves.
 * @param forward positions that drive forward; a reverse needs its own lock
 */
export function oneWaySubstitutes(train: Train, forward: readonly string[]): readonly OneWaySubstitute[] {
  const states = forward.map((id) => modelOf(train).solvedIn(id));
  return train.couplers.flatMap((coupler): OneWaySubstitute[] => {
    if (coupler.type === 'sliding-mesh') return [];
    const [a, b] = coupler.joins;
    const torques: number[] = [];
    const slips: (number | null)[] = [];
    for (const { engaged, state, network } of states) {
      if (engaged.has(coupler.id)) {
        const torque = jointTorque(state, coupler.id);
        if (torque === null) return [];
        torques.push(sign(torque));
        continue;
      }
      const slip = state.speeds.difference(lookUp(network.memberIndex, a), lookUp(network.memberIndex, b));
      slips.push(slip && sign(slip));
    }
    const carried = new Set(torques.filter((one) => one !== 0));
    const [way] = carried;
    if (carried.size !== 1 || way === undefined || slips.some((slip) => slip === null)) return [];
    // Torque above 0 is on its second member: the first one drives it on, so it overruns where the second runs ahead.
    if (slips.some((slip) => slip === -way)) return [];
    return [{ coupler: coupler.id, joins: way > 0 ? [a, b] : [b, a] }];
  });
}
