import type { Rational } from '../rational';
import type { Solved } from '../solve';
import { lookUp } from '../required';

/** How fast two parts turn against each other, per turn put in. */
export interface RelativeSpeed {
  readonly kind: 'planet' | 'coupler';
  /** The planet on its carrier, or the coupler that is off. */
  readonly id: string;
  /** Null where it floats. */
  readonly speed: Rational | null;
}

/**
 * Speeds in the bearings of planets and between the halves of what is off or overruns: where things spin that carry
 * nothing.
 */
export function relativeSpeeds({ network, state }: Solved): readonly RelativeSpeed[] {
  const { speeds } = state;
  const at = (id: string) => lookUp(network.memberIndex, id);
  const closed = new Set(state.joints.map(({ id }) => id));
  return [
    ...network.train.members.flatMap(({ id, carrier }): RelativeSpeed[] =>
      carrier === undefined ? [] : [{ kind: 'planet', id, speed: speeds.difference(at(carrier), at(id)) }],
    ),
    ...network.couplers.flatMap(({ coupler, acts }): RelativeSpeed[] =>
      acts.kind === 'mesh' || closed.has(coupler.id)
        ? []
        : [{ kind: 'coupler', id: coupler.id, speed: speeds.difference(acts.a, acts.b) }],
    ),
  ];
}
