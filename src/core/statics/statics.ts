import type { MemberIndex, NetworkMesh, Tie } from '../kinematics';
import { FRAME_INDEX } from '../kinematics';
import { add, fraction, mul, neg, ONE, solveSystem, ZERO, type Combination, type Equation, type Rational } from '../rational';

/** What each side of a mesh receives of its ideal share: 1 and 1 when ideal, 1 and e when the first gear drives. */
export interface MeshLoss {
  readonly onA: Rational;
  readonly onB: Rational;
}
export const LOSSLESS: MeshLoss = { onA: ONE, onB: ONE };

export interface Load {
  readonly members: number;
  readonly meshes: readonly { readonly mesh: NetworkMesh; readonly loss: MeshLoss }[];
  readonly joints: readonly Extract<Tie, { kind: 'joins' }>[];
  readonly driver: MemberIndex;
  /** Torque put into the driver. */
  readonly torque: Rational;
  readonly receivers: readonly MemberIndex[];
}

/** Null where parallel ways leave a torque open (shared). */
export type Torque = Rational | null;

export interface Torques {
  /** λ of each mesh: λ z_a on the first gear's member, λ σ z_b on the second's, minus their sum on the arm, each with its loss. */
  readonly meshes: readonly Torque[];
  /** From the joint's first member to its second. */
  readonly joints: readonly Torque[];
  /** Given out to each receiver's load. */
  readonly receivers: readonly Torque[];
}

/**
 * Static balance: the torques are the multipliers of the motion's own rows, and on every member they sum to zero.
 * Exact; null where nothing resists the driver, so that no torque can be put in.
 */
export function balance(load: Load): Torques | null {
  const { members, meshes, joints, driver, torque, receivers } = load;
  const terms: Map<number, Rational>[] = Array.from({ length: members }, () => new Map());
  const put = (member: MemberIndex, unknown: number, factor: Rational) => {
    if (member === FRAME_INDEX) return;
    const row = terms[member]!;
    const total = add(row.get(unknown) ?? ZERO, factor);
    if (total.n === 0) row.delete(unknown);
    else row.set(unknown, total);
  };
  meshes.forEach(({ mesh, loss }, k) => {
    const { onA, onB } = meshShares(mesh, loss);
    put(mesh.a, k, onA);
    put(mesh.b, k, onB);
    put(mesh.arm, k, neg(add(onA, onB)));
  });
  joints.forEach(({ a, b }, k) => {
    put(a, meshes.length + k, MINUS);
    put(b, meshes.length + k, ONE);
  });
  receivers.forEach((member, k) => put(member, meshes.length + joints.length + k, MINUS));

  const equations = terms.map((row, member): Equation => ({ terms: row as Combination, rhs: member === driver ? neg(torque) : ZERO }));
  const unknowns = meshes.length + joints.length + receivers.length;
  const solution = solveSystem(equations, unknowns);
  if (!solution.consistent) return null;
  const { values } = solution;
  return {
    meshes: values.slice(0, meshes.length),
    joints: values.slice(meshes.length, meshes.length + joints.length),
    receivers: values.slice(meshes.length + joints.length),
  };
}

const MINUS = fraction(-1);

/** What one unit of λ puts on the first and on the second gear's member. */
export const meshShares = (mesh: NetworkMesh, loss: MeshLoss): { onA: Rational; onB: Rational } => ({ onA: mul(mesh.za, loss.onA), onB: mul(mesh.zb, loss.onB) });
