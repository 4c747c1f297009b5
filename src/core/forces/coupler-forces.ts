import { toNumber } from '../rational';
import { jointTorque, type Solved } from '../solve';

/** What a coupler that is engaged holds. */
export interface CouplerForce {
  readonly torqueNm: number;
  /** On its dogs, pawls or pins together, at the radius that is given; null where none is. */
  readonly forceN: number | null;
}

const MM_PER_M = 1000;

/**
 * F = 1000 T / r on all dogs, pawls or pins of a coupler together, each carrying its part where they fit alike. What
 * bands and plates press is not told by this.
 * @returns by coupler; only those that hold something
 */
export function couplerForces(solved: Solved, torqueNm: number): ReadonlyMap<string, CouplerForce> {
  const { train } = solved.network;
  return new Map(
    train.couplers.flatMap(({ id, radius }) => {
      const torque = jointTorque(solved.state, id);
      const held = torque === null ? 0 : Math.abs(toNumber(torque) * torqueNm);
      if (held === 0) return [];
      return [[id as string, { torqueNm: held, forceN: radius === undefined ? null : (MM_PER_M * held) / radius }]];
    }),
  );
}
