import { FRAME_INDEX, type MemberIndex, type NetworkMesh } from '../kinematics';
import { add, div, isZero, mul, neg, ONE, sign, type Rational } from '../rational';
import type { ToothFactor } from './steps';
import { lookUp, required } from '../required';

/** Members tied together on one arm: each one's speed relative to the arm is `factor` times a common one. */
export interface GearSet {
  readonly arm: MemberIndex;
  readonly factors: ReadonlyMap<MemberIndex, Rational>;
  readonly meshes: readonly NetworkMesh[];
  /** Its meshes contradict each other unless nothing rolls. */
  readonly block: boolean;
}

/** The planetary sets among the meshes: per arm, the planets that hang together and what they mesh with. */
export function gearSets(meshes: readonly NetworkMesh[], planets: ReadonlySet<MemberIndex>): readonly GearSet[] {
  const byArm = new Map<MemberIndex, NetworkMesh[]>();
  for (const mesh of meshes) if (mesh.arm !== FRAME_INDEX) byArm.set(mesh.arm, [...(byArm.get(mesh.arm) ?? []), mesh]);
  return [...byArm].flatMap(([arm, own]) => groups(arm, own, planets));
}

function groups(arm: MemberIndex, meshes: readonly NetworkMesh[], planets: ReadonlySet<MemberIndex>): GearSet[] {
  const left = new Set(meshes);
  const found: GearSet[] = [];
  while (left.size > 0) {
    const [start] = left;
    const factors = new Map<MemberIndex, Rational>([
      [planets.has(required(start).a) ? required(start).a : required(start).b, ONE],
    ]);
    const own: NetworkMesh[] = [];
    let block = false;
    for (let grew = true; grew;) {
      grew = false;
      for (const mesh of left) {
        const a = factors.get(mesh.a);
        const b = factors.get(mesh.b);
        if (!(a && planets.has(mesh.a)) && !(b && planets.has(mesh.b))) continue;
        if (a && !b) factors.set(mesh.b, neg(div(mul(mesh.za, a), mesh.zb)));
        if (b && !a) factors.set(mesh.a, neg(div(mul(mesh.zb, b), mesh.za)));
        if (a && b && !isZero(add(mul(mesh.za, a), mul(mesh.zb, b)))) block = true;
        own.push(mesh);
        left.delete(mesh);
        grew = true;
      }
    }
    found.push({ arm, factors, meshes: own, block });
  }
  return found;
}

/**
 * How many times faster x turns than y, seen from the arm, as the tooth counts met on the way from y to x:
 * each mesh multiplies by ∓ z_from / z_to. The shortest way is taken.
 */
export function toothFactors(meshes: readonly NetworkMesh[], y: MemberIndex, x: MemberIndex): readonly ToothFactor[] {
  const came = new Map<MemberIndex, readonly ToothFactor[]>([[y, []]]);
  const queue = [y];
  for (const at of queue) {
    if (at === x) return lookUp(came, at);
    for (const mesh of meshes) {
      const forward = mesh.a === at;
      const next = forward ? mesh.b : mesh.b === at ? mesh.a : null;
      if (next === null || came.has(next)) continue;
      const [first, second] = mesh.mesh.gears;
      const [za, zb] = [Number(mesh.za.n), Math.abs(Number(mesh.zb.n))];
      const factor: ToothFactor = {
        mesh: mesh.mesh.id,
        fromGear: forward ? first : second,
        toGear: forward ? second : first,
        fromTeeth: forward ? za : zb,
        toTeeth: forward ? zb : za,
        opposite: sign(mesh.zb) > 0,
      };
      came.set(next, [...lookUp(came, at), factor]);
      queue.push(next);
    }
  }
  return [];
}
