import { armOf, FRAME, type Coupler, type Mesh, type Train, partsById } from '../train';
import { add, fraction, isZero, MINUS_ONE, neg, ONE, ZERO, type LinearCombination, type Rational } from '../rational';
import { lookUp, required } from '../required';

/** A member's place in the network; the frame, which never moves, is −1 and appears in no row. */
export type MemberIndex = number;
export const FRAME_INDEX: MemberIndex = -1;

/**
 * One meshing pair on its arm. With σ = +1 when the gears turn oppositely and −1 when they turn the same way,
 *
 *     z_a (ω_A − ω_c) + σ z_b (ω_B − ω_c) = 0
 *
 * (relative motion, after Willis). The one row covers spur, internal, bevel, worm and chain drives,
 * stepped planets, planet-to-planet meshes and differentials.
 */
export interface NetworkMesh {
  readonly mesh: Mesh;
  readonly a: MemberIndex;
  readonly b: MemberIndex;
  readonly arm: MemberIndex;
  /** Teeth of the first gear. */
  readonly za: Rational;
  /** Teeth of the second gear times σ. */
  readonly zb: Rational;
  /** Its place among the train's couplers when it is a sliding mesh. */
  readonly slidBy: number | null;
}

export interface NetworkCoupler {
  readonly coupler: Coupler;
  /** The two members a clutch, brake or one-way clutch joins; a sliding mesh's place among the meshes. */
  readonly acts:
    | { readonly kind: 'joins'; readonly a: MemberIndex; readonly b: MemberIndex }
    | { readonly kind: 'mesh'; readonly mesh: number };
}

/** A train with its ids resolved to places: what every computation starts from. Made once per document. */
export interface Network {
  readonly train: Train;
  readonly memberIds: readonly string[];
  readonly memberIndex: ReadonlyMap<string, MemberIndex>;
  readonly meshes: readonly NetworkMesh[];
  /** Is any mesh a sliding one? */
  readonly slides: boolean;
  /** Is there any one-way clutch? */
  readonly oneWays: boolean;
  /** Is there any self-locking worm? */
  readonly worms: boolean;
  readonly couplers: readonly NetworkCoupler[];
  readonly couplerIndex: ReadonlyMap<string, number>;
  readonly input: MemberIndex;
  readonly outputs: readonly MemberIndex[];
}

/** Resolves a checked train. */
export function networkOf(train: Train): Network {
  const memberIds = train.members.map((member) => member.id);
  const memberIndex = new Map(memberIds.map((id, i) => [id, i]));
  memberIndex.set(FRAME, FRAME_INDEX);
  const parts = partsById(train);
  const at = (id: string) => lookUp(memberIndex, id);
  const slidBy = new Map(
    train.couplers.flatMap((coupler, i) => (coupler.type === 'sliding-mesh' ? [[coupler.mesh, i] as const] : [])),
  );

  const meshes = train.meshes.map((mesh): NetworkMesh => {
    const [a, b] = parts.pair(mesh);
    const teeth = fraction(b.teeth);
    return {
      mesh,
      a: at(a.member),
      b: at(b.member),
      arm: at(required(armOf(a.member, b.member, parts.find.member))),
      za: fraction(a.teeth),
      zb: turnsSameWay(mesh, a.type, b.type) ? neg(teeth) : teeth,
      slidBy: slidBy.get(mesh.id) ?? null,
    };
  });
  const meshIndex = new Map(train.meshes.map((mesh, i) => [mesh.id, i]));
  const couplers = train.couplers.map((coupler): NetworkCoupler => ({
    coupler,
    acts:
      coupler.type === 'sliding-mesh'
        ? { kind: 'mesh', mesh: lookUp(meshIndex, coupler.mesh) }
        : { kind: 'joins', a: at(coupler.joins[0]), b: at(coupler.joins[1]) },
  }));
  return {
    train,
    memberIds,
    memberIndex,
    meshes,
    slides: slidBy.size > 0,
    oneWays: train.couplers.some(({ type }) => type === 'one-way'),
    worms: train.meshes.some(({ selfLocking }) => selfLocking),
    couplers,
    couplerIndex: new Map(train.couplers.map((coupler, i) => [coupler.id, i])),
    input: at(train.input),
    outputs: train.outputs.map(at),
  };
}

/**
 * Sense of a mesh: as stated, else an internal pair, a chain or a belt turns the same way and an external pair
 * oppositely.
 */
function turnsSameWay(mesh: Mesh, a: string, b: string): boolean {
  if (mesh.sense !== undefined) return mesh.sense === 'same';
  return a === 'internal' || b === 'internal' || a === 'sprocket' || a === 'pulley';
}

/** The row of a mesh: the combination of member speeds that it holds at zero. */
export function meshRow({ a, b, arm, za, zb }: NetworkMesh): LinearCombination {
  return rowOf([
    [a, za],
    [b, zb],
    [arm, neg(add(za, zb))],
  ]);
}

/** The row of a joint: times · ω_a − ω_b. */
export const joinRow = (a: MemberIndex, b: MemberIndex, times: Rational = ONE): LinearCombination =>
  rowOf([
    [a, times],
    [b, MINUS_ONE],
  ]);

function rowOf(terms: readonly (readonly [MemberIndex, Rational])[]): LinearCombination {
  const row = new Map<number, Rational>();
  for (const [member, value] of terms) {
    if (member === FRAME_INDEX) continue;
    const total = add(row.get(member) ?? ZERO, value);
    if (isZero(total)) row.delete(member);
    else row.set(member, total);
  }
  return row;
}
