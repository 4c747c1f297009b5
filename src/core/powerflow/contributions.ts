import { FRAME_INDEX, type MemberIndex } from '../kinematics';
import { abs, add, div, fraction, isZero, mul, neg, sign, sum, ZERO, type Rational } from '../rational';
import { meshShares, rollingSpeed } from '../statics';
import type { Solved } from '../solve';

/** What acts on a member: a mesh (on a gear, or through the pins on the arm), a joint, the driver or a load. */
export type Source =
  | { readonly kind: 'mesh'; readonly id: string; readonly side: 'a' | 'b' | 'arm' }
  | { readonly kind: 'joint'; readonly id: string }
  | { readonly kind: 'input' }
  | { readonly kind: 'output' };

/** A torque on a member; null where it is shared between parallel ways. */
export interface Contribution {
  readonly member: MemberIndex;
  readonly source: Source;
  readonly torque: Rational | null;
}

/** Every torque on every member (the frame left out). On each member they sum to zero. Empty when nothing is loaded. */
export function contributions(solved: Solved): readonly Contribution[] {
  const { state, flow } = solved;
  const { load } = state;
  if (load.outcome !== 'balanced') return [];
  const found: Contribution[] = [];
  const put = (member: MemberIndex, source: Source, torque: Rational | null) => {
    if (member !== FRAME_INDEX) found.push({ member, source, torque });
  };
  put(flow.driver, { kind: 'input' }, flow.torque);
  state.meshes.forEach((mesh) => {
    const lambda = load.torques.meshes.get(mesh) ?? null;
    const { onA, onB } = meshShares(mesh, load.lossOf(mesh));
    const id = mesh.mesh.id;
    put(mesh.a, { kind: 'mesh', id, side: 'a' }, lambda && mul(lambda, onA));
    put(mesh.b, { kind: 'mesh', id, side: 'b' }, lambda && mul(lambda, onB));
    put(mesh.arm, { kind: 'mesh', id, side: 'arm' }, lambda && neg(mul(lambda, add(onA, onB))));
  });
  state.joints.forEach(({ id, tie }, k) => {
    const torque = load.torques.joints[k] ?? null;
    put(tie.a, { kind: 'joint', id }, torque && neg(torque));
    put(tie.b, { kind: 'joint', id }, torque);
  });
  flow.receivers.forEach((member, k) => {
    const torque = load.torques.receivers[k] ?? null;
    put(member, { kind: 'output' }, torque && neg(torque));
  });
  return found;
}

/**
 * The torques on one member, with those of one set taken together: the pins of a carrier pull both ways,
 * and only what is left over reaches the rest of the train.
 */
export function netTorques(solved: Solved, own: readonly Contribution[]): (Rational | null)[] {
  const armOfMesh = new Map(solved.state.meshes.map(({ mesh, arm }) => [mesh.id, arm]));
  const net = new Map<string, Rational | null>();
  own.forEach(({ source, torque }, i) => {
    const arm = source.kind === 'mesh' && source.side === 'arm' ? armOfMesh.get(source.id) : undefined;
    const key = arm === undefined ? `own ${i}` : `set ${arm}`;
    const before = net.get(key) ?? ZERO;
    net.set(key, torque === null || (net.has(key) && net.get(key) === null) ? null : add(before, torque));
  });
  return [...net.values()];
}

/**
 * The torque a member carries through from what drives it to what it drives: half the sum of the sizes,
 * signed like its rotation. For a member at rest, the torque it passes to what holds it.
 */
export function carriedTorque(net: readonly (Rational | null)[], speed: Rational | null): Rational | null {
  const sizes = net.map((torque) => torque && abs(torque));
  if (sizes.some((size) => size === null)) return null;
  const carried = div(sum(sizes as Rational[]), fraction(2));
  return speed && sign(speed) < 0 ? neg(carried) : carried;
}

/** Rolling power of each mesh, in the frame of its arm, as received by its first gear; null where not known. */
export function rollingPowers(solved: Solved): ReadonlyMap<string, Rational | null> {
  const { state } = solved;
  const { load } = state;
  return new Map(
    state.meshes.map((mesh) => {
      const lambda = load.outcome === 'balanced' ? (load.torques.meshes.get(mesh) ?? null) : null;
      const speed = rollingSpeed(state.speeds, mesh);
      return [
        mesh.mesh.id,
        lambda && speed && (isZero(lambda) || isZero(speed) ? ZERO : mul(mul(lambda, mesh.za), speed)),
      ];
    }),
  );
}
