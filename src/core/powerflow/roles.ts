import { FRAME_INDEX, type MemberIndex, type NetworkMesh } from '../kinematics';
import { isZero, mul, sign, ZERO, type Rational } from '../rational';
import type { Solved, State } from '../solve';
import { rollingSpeed } from '../statics';
import { accountOf, carriedPower, carriedTorque, type Account, type PowerEntry } from './account';

/** Who drives whom in a mesh, in this position; computed, never stored. */
export type MeshRole = 'a drives' | 'b drives' | 'turns as one block' | 'stands' | 'idle' | 'shared' | 'floats';

/**
 * - drives: the member power is put into · gives out: a member that a load takes power from
 * - carries: moves and passes power on · holds: stands and takes a reaction · still: stands, nothing acts on it
 * - idle: moves, carries nothing · shared: moves, torque not determined · floats: its speed is not determined, and it
 * carries nothing
 */
export type MemberRole = 'drives' | 'gives out' | 'carries' | 'holds' | 'still' | 'idle' | 'shared' | 'floats';

export interface MemberFigures {
  readonly id: string;
  /** Per turn of the driver. */
  readonly speed: Rational | null;
  /** Carried through, per unit put in, signed like the rotation; null when shared. */
  readonly torque: Rational | null;
  /** Carried through, per unit put in; null when open. */
  readonly power: Rational | null;
  readonly role: MemberRole;
  /** A part of a set that turns as one block. */
  readonly block: boolean;
}

/** Speed, torque, power and role of every member, from the account of its joints. */
export function memberFigures(solved: Solved): readonly MemberFigures[] {
  const { network, state } = solved;
  const account = accountOf(solved);
  const blocks = blockMembers(solved, account);
  return network.memberIds.map((id, member) => {
    const entries = account.entriesOf(member);
    const speed = state.speeds.of(member);
    const torque = carriedTorque(entries, speed);
    return {
      id,
      speed,
      torque,
      power: carriedPower(entries),
      role: roleOf(solved, member, torque, entries),
      block: blocks.has(member),
    };
  });
}

function roleOf(
  solved: Solved,
  member: MemberIndex,
  torque: Rational | null,
  entries: readonly PowerEntry[],
): MemberRole {
  const { status, state } = solved;
  const speed = state.speeds.of(member);
  if (status === 'locked') return speed === null ? 'floats' : 'still';
  const carriesNothing = torque !== null && isZero(torque);
  if (speed === null && carriesNothing) return 'floats';
  if (standsStill(solved, member)) return carriesNothing ? 'still' : 'holds';
  if (carriesNothing) return 'idle';
  return roleAtPort(entries, speed) ?? (torque === null ? 'shared' : 'carries');
}

/** A planet that does not turn still moves while its carrier turns. */
function standsStill(solved: Solved, member: MemberIndex): boolean {
  const { network, state } = solved;
  const speed = state.speeds.of(member);
  if (speed === null || !isZero(speed)) return false;
  const carrier = network.train.members[member]?.carrier;
  const at = carrier === undefined ? undefined : network.memberIndex.get(carrier);
  return at === undefined || standsStill(solved, at);
}

/**
 * At an end of the train the sign of the power says whether it goes in or out: a load that pushes drives, and the
 * input then gives out.
 */
function roleAtPort(entries: readonly PowerEntry[], speed: Rational | null): 'drives' | 'gives out' | null {
  for (const { place, torque, power } of entries) {
    if (place.kind !== 'input' && place.kind !== 'output') continue;
    if (power && !isZero(power)) return sign(power) > 0 ? 'drives' : 'gives out';
    // Of outputs that divide a motion among them each torque is known, though no speed is.
    if (speed === null && torque && !isZero(torque)) return place.kind === 'input' ? 'drives' : 'gives out';
  }
  return null;
}

/** Members of sets in which nothing rolls while the carrier may turn. */
function blockMembers({ state }: Solved, { sets }: Account): ReadonlySet<MemberIndex> {
  const solid = sets.filter(({ arm, meshes }) => {
    const turning = state.speeds.of(arm);
    return (turning === null || !isZero(turning)) && meshes.every((mesh) => nothingRolls(state, mesh));
  });
  return new Set(solid.flatMap(({ arm, meshes }) => [arm, ...meshes.flatMap(({ a, b }) => [a, b])]));
}

function nothingRolls(state: State, mesh: NetworkMesh): boolean {
  const speed = rollingSpeed(state.speeds, mesh);
  return speed !== null && isZero(speed);
}

/** The role of both gears of every mesh that is in. */
export function meshRoles(solved: Solved): ReadonlyMap<string, MeshRole> {
  return new Map(solved.state.meshes.map((mesh) => [mesh.mesh.id, meshRole(solved, mesh)]));
}

function meshRole({ state, status }: Solved, mesh: NetworkMesh): MeshRole {
  if (status === 'locked') return 'stands';
  const rolling = rollingSpeed(state.speeds, mesh);
  if (rolling === null) return 'floats';
  if (isZero(rolling)) {
    const carrier = mesh.arm === FRAME_INDEX ? ZERO : state.speeds.of(mesh.arm);
    return carrier && isZero(carrier) ? 'stands' : 'turns as one block';
  }
  if (state.load.outcome !== 'balanced') return 'idle';
  // Rolling power in the frame of the arm, as received by the first gear.
  const lambda = state.load.torques.meshes.get(mesh) ?? null;
  if (lambda === null) return 'shared';
  return isZero(lambda) ? 'idle' : sign(mul(mul(lambda, mesh.za), rolling)) < 0 ? 'a drives' : 'b drives';
}
