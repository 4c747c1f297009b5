import { isZero, mul, sign, sum, type Rational } from '../rational';
import type { Solved } from '../solve';
import { rollingSpeed } from '../statics';
import { carriedTorque, contributions, netTorques, rollingPowers, type Contribution } from './contributions';

/** Who drives whom in a mesh, in this position; computed, never stored. */
export type MeshRole = 'a drives' | 'b drives' | 'turns as one block' | 'stands' | 'idle' | 'shared' | 'floats';

/**
 * - drives: the member power is put into · gives out: a member that a load takes power from
 * - carries: turns and passes power on · holds: stands and takes a reaction · still: stands, nothing acts on it
 * - idle: turns, carries nothing · shared: turns, torque not determined · floats: its speed is not determined
 */
export type MemberRole = 'drives' | 'gives out' | 'carries' | 'holds' | 'still' | 'idle' | 'shared' | 'floats';

export interface MemberFigures {
  readonly id: string;
  /** Per turn of the driver. */
  readonly speed: Rational | null;
  /** Carried through, per unit put in, signed like the rotation; null when shared. */
  readonly torque: Rational | null;
  /** Carried through, per unit put in; null when shared or floating. */
  readonly power: Rational | null;
  readonly role: MemberRole;
  /** A part of a set that turns as one block. */
  readonly block: boolean;
}

/** Speed, torque, power and role of every member. */
export function memberFigures(solved: Solved): readonly MemberFigures[] {
  const { network, state, flow } = solved;
  const acting = new Map<number, Contribution[]>();
  for (const item of contributions(solved)) acting.set(item.member, [...(acting.get(item.member) ?? []), item]);
  const blocks = blockMembers(solved);
  return network.memberIds.map((id, member) => {
    const own = acting.get(member) ?? [];
    const speed = state.speeds.of(member);
    const net = netTorques(solved, own);
    const torque = carriedTorque(net, speed);
    const power = carriedPower(net, speed);
    return { id, speed, torque, power, role: roleOf(solved, member, speed, torque), block: blocks.has(member) };
  });

  function roleOf({ status }: Solved, member: number, speed: Rational | null, torque: Rational | null): MemberRole {
    if (speed === null && status !== 'split') return 'floats';
    if (status === 'locked') return 'still';
    if (speed !== null && isZero(speed)) return torque !== null && isZero(torque) ? 'still' : 'holds';
    if (torque === null) return 'shared';
    if (isZero(torque)) return speed === null ? 'floats' : 'idle';
    if (member === flow.driver) return 'drives';
    if (flow.receivers.includes(member)) return 'gives out';
    return 'carries';
  }
}

/** Power a member passes on: the sum of what it receives. */
function carriedPower(net: readonly (Rational | null)[], speed: Rational | null): Rational | null {
  if (speed === null || net.includes(null)) return null;
  return sum((net as Rational[]).map((torque) => mul(torque, speed)).filter((power) => sign(power) > 0));
}

/** Members of sets in which nothing rolls while the carrier turns. */
function blockMembers({ state }: Solved): ReadonlySet<number> {
  const rolls = new Map<number, boolean>();
  for (const mesh of state.meshes) {
    const { arm } = mesh;
    if (arm < 0) continue;
    const speed = rollingSpeed(state.speeds, mesh);
    rolls.set(arm, (rolls.get(arm) ?? false) || speed === null || !isZero(speed));
  }
  const block = new Set<number>();
  for (const { a, b, arm } of state.meshes) {
    const turning = arm >= 0 ? state.speeds.of(arm) : null;
    if (turning && !isZero(turning) && rolls.get(arm) === false) [a, b, arm].forEach((member) => block.add(member));
  }
  return block;
}

/** The role of both gears of every mesh that is in. */
export function meshRoles(solved: Solved): ReadonlyMap<string, MeshRole> {
  const powers = rollingPowers(solved);
  const { state } = solved;
  return new Map(
    state.meshes.map((mesh): [string, MeshRole] => {
      const power = powers.get(mesh.mesh.id) ?? null;
      const rolling = rollingSpeed(state.speeds, mesh);
      const lambda = state.load.outcome === 'balanced' ? state.load.torques.meshes.get(mesh) : undefined;
      if (solved.status === 'locked') return [mesh.mesh.id, 'stands'];
      if (rolling === null) return [mesh.mesh.id, 'floats'];
      if (isZero(rolling)) {
        const carrier = state.speeds.of(mesh.arm);
        return [mesh.mesh.id, carrier && !isZero(carrier) ? 'turns as one block' : 'stands'];
      }
      if (lambda === undefined) return [mesh.mesh.id, 'idle'];
      if (power === null) return [mesh.mesh.id, 'shared'];
      return [mesh.mesh.id, isZero(power) ? 'idle' : sign(power) < 0 ? 'a drives' : 'b drives'];
    }),
  );
}
