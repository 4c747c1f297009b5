import { FRAME_INDEX, type MemberIndex } from '../kinematics';
import { add, isZero, mul, neg, ZERO, type Rational } from '../rational';
import { meshShares } from '../statics';
import { endsOf, type Solved } from '../solve';

/** What acts on a member: a mesh (on a gear, or through the pins on the arm), a joint, the driver or a load. */
export type PowerSource =
  | { readonly kind: 'mesh'; readonly id: string; readonly side: 'a' | 'b' | 'arm' }
  | { readonly kind: 'joint'; readonly id: string }
  | { readonly kind: 'input' }
  | { readonly kind: 'output' };

/** A torque on a member; null where it is shared between parallel ways. */
export interface Contribution {
  readonly member: MemberIndex;
  readonly source: PowerSource;
  readonly torque: Rational | null;
}

/** Every torque on every member (the frame left out). On each member they sum to zero. Empty when nothing is loaded. */
export function contributions(solved: Solved): readonly Contribution[] {
  const { state } = solved;
  const { load } = state;
  if (load.outcome !== 'balanced') return [];
  const found: Contribution[] = [];
  const put = (member: MemberIndex, source: PowerSource, torque: Rational | null) => {
    if (member !== FRAME_INDEX) found.push({ member, source, torque });
  };
  for (const { kind, member, torque } of endsOf(solved)) put(member, { kind }, torque);
  state.meshes.forEach((mesh) => {
    const lambda = load.torques.meshes.get(mesh) ?? null;
    const { onA, onB } = meshShares(mesh, load.lossOf(mesh));
    const id = mesh.mesh.id;
    put(mesh.a, { kind: 'mesh', id, side: 'a' }, lambda && mul(lambda, onA));
    put(mesh.b, { kind: 'mesh', id, side: 'b' }, lambda && mul(lambda, onB));
    // A pin with no lever carries nothing, whatever the teeth carry.
    const lever = add(onA, onB);
    put(mesh.arm, { kind: 'mesh', id, side: 'arm' }, isZero(lever) ? ZERO : lambda && neg(mul(lambda, lever)));
  });
  state.joints.forEach(({ id, tie }, k) => {
    const torque = load.torques.joints[k] ?? null;
    put(tie.a, { kind: 'joint', id }, torque && neg(torque));
    put(tie.b, { kind: 'joint', id }, torque);
  });
  return found;
}
