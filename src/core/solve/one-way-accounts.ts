import type { Rational } from '../rational';
import type { Solved } from './position';
import { jointTorque } from './state';
import { itemAt, lookUp } from '../required';

/** What one one-way clutch at work does in a position, and what would make it do otherwise. */
export interface OneWayAccount {
  readonly id: string;
  readonly how: 'holds' | 'overruns';
  /** The member that can push, and the one that may run ahead; "frame" for the frame. */
  readonly pusher: string;
  readonly pushed: string;
  /** Torque carried when it holds, per unit put in; null when shared. */
  readonly torque: Rational | null;
  /** By how much it is overrun, per turn of the driver; null when that is left open. */
  readonly lead: Rational | null;
  /** Couplers that, engaged or let go alone, would change it while the train can still turn. */
  readonly changes: readonly { readonly coupler: string; readonly engage: boolean }[];
}

/** Trains with more couplers than this are not searched for what would change a one-way clutch. */
const MAX_TRIED = 24;

/** @param again the same question of other engaged couplers. */
export function oneWayAccounts(
  solved: Solved,
  again: (engaged: readonly string[]) => Solved,
): readonly OneWayAccount[] {
  const { network, state, engaged, status } = solved;
  if (status === 'locked' || state.oneWays.size === 0) return [];
  const switched = network.couplers.filter(({ coupler }) => coupler.type !== 'one-way');
  const others = (switched.length > MAX_TRIED ? [] : switched).map(({ coupler: { id } }) => {
    const engage = !engaged.has(id);
    return {
      coupler: id,
      engage,
      then: again(engage ? [...engaged, id] : [...engaged].filter((other) => other !== id)),
    };
  });
  return [...state.oneWays].map(([id, how]) => {
    const { acts } = itemAt(network.couplers, lookUp(network.couplerIndex, id));
    if (acts.kind !== 'joins') throw new Error(`One-way clutch ${id} joins no members.`);
    const name = (member: number) => network.memberIds[member] ?? 'frame';
    const changes = others.filter(
      ({ then }) => then.status !== 'locked' && then.status !== 'neutral' && then.state.oneWays.get(id) !== how,
    );
    return {
      id,
      how,
      pusher: name(acts.a),
      pushed: name(acts.b),
      torque: how === 'holds' ? jointTorque(state, id) : null,
      lead: how === 'overruns' ? state.speeds.difference(acts.a, acts.b) : null,
      changes: changes.map(({ coupler, engage }) => ({ coupler, engage })),
    };
  });
}
