import {
  alwaysIn,
  FRAME_INDEX,
  inCoordinates,
  derivedOnce,
  openTrain,
  tieRow,
  type Coordinates,
  type Joint,
  type MemberIndex,
  type MemberVector,
  type NetworkMesh,
  type OpenTrain,
} from '../kinematics';
import { add, isZero, MINUS_ONE, mul, neg, ONE, solveDense, ZERO, type Rational, entryAt } from '../rational';
import { factorMeshes, type MeshFactor } from './mesh-factor';
import { itemAt } from '../required';

/** What each side of a mesh receives of its ideal share: 1 and 1 when ideal, 1 and e when the first gear drives. */
export interface MeshLoss {
  readonly onA: Rational;
  readonly onB: Rational;
}
export const LOSSLESS: MeshLoss = { onA: ONE, onB: ONE };

/** What one unit of λ puts on the first and on the second gear's member. */
export const meshShares = ({ za, zb }: NetworkMesh, { onA, onB }: MeshLoss): { onA: Rational; onB: Rational } => ({
  onA: mul(za, onA),
  onB: mul(zb, onB),
});

/** Who puts torque in, who takes it, and what is engaged on the way. */
export interface BalancedLoad {
  /** Sliding meshes that are in. */
  readonly slides: readonly NetworkMesh[];
  readonly joints: readonly Joint[];
  /** Torques given from outside: what is put into the driver, or what loads put on the outputs. */
  readonly acting: MemberVector;
  /** Members that take what torque is needed. */
  readonly receivers: readonly MemberIndex[];
}

/** Null where parallel ways leave a torque open (shared). */
export type Torque = Rational | null;

export interface Torques {
  /**
   * λ of each mesh that is in: λ z_a on the first gear's member, λ σ z_b on the second's, minus their sum on the arm,
   * each with its loss.
   */
  readonly meshes: ReadonlyMap<NetworkMesh, Torque>;
  /** From the joint's first member to its second. */
  readonly joints: readonly Torque[];
  /** Given out to each receiver's load. */
  readonly receivers: readonly Torque[];
}

/** An open train made ready for balancing: its mesh columns factored. */
export interface Balancer {
  readonly open: OpenTrain;
  readonly meshes: readonly NetworkMesh[];
  readonly columns: readonly MemberVector[];
  readonly factor: MeshFactor;
}

/** The ideal balancer of an open train, made at first use. */
export const balancerOf = (open: OpenTrain): Balancer => derivedOnce(open, idealBalancer);

const idealBalancer = (open: OpenTrain): Balancer => makeBalancer(open, alwaysIn(open.network), () => LOSSLESS);

/** A balancer with the losses given: the meshes' shares change, and with them the open train that the torques see. */
export function lossyBalancer({ network }: OpenTrain, lossOf: (mesh: NetworkMesh) => MeshLoss): Balancer {
  const meshes = alwaysIn(network);
  const shares = meshes.map((mesh) => {
    const { onA, onB } = meshShares(mesh, lossOf(mesh));
    return { ...mesh, za: onA, zb: onB };
  });
  return makeBalancer(openTrain(network, shares), meshes, lossOf);
}

function makeBalancer(
  open: OpenTrain,
  meshes: readonly NetworkMesh[],
  lossOf: (mesh: NetworkMesh) => MeshLoss,
): Balancer {
  const columns = meshes.map((mesh) => meshColumn(mesh, lossOf(mesh)));
  return { open, meshes, columns, factor: factorMeshes(columns, open.network.memberIds.length) };
}

/** Torques on the members per unit of a mesh's λ. */
export function meshColumn(mesh: NetworkMesh, loss: MeshLoss): MemberVector {
  const { onA, onB } = meshShares(mesh, loss);
  return onMembers([
    [mesh.a, onA],
    [mesh.b, onB],
    [mesh.arm, neg(add(onA, onB))],
  ]);
}

const onMembers = (vector: MemberVector): MemberVector =>
  vector.filter(([member, value]) => member !== FRAME_INDEX && !isZero(value));

/**
 * Static balance. Torques are the multipliers of the motion's own rows, and on every member they sum to zero. By
 * virtual work only the joints, the loads and the sliding meshes appear in the open train's few coordinates; the other
 * meshes follow by substitution. Exact; null where nothing resists the driver, so that no torque can be put in.
 */
export function balance(
  balancer: Balancer,
  load: BalancedLoad,
  lossOf: (mesh: NetworkMesh) => MeshLoss,
): Torques | null {
  const { open, meshes, factor } = balancer;
  const redundant = [...factor.redundant];
  const unknowns: Unknown[] = [
    ...load.joints.map((tie): Unknown => ({
      column: [
        [tie.a, neg(tie.times ?? ONE)],
        [tie.b, ONE],
      ],
      force: tieRow(open, tie).map(neg),
    })),
    ...load.receivers.map((member): Unknown => ({
      column: [[member, MINUS_ONE]],
      force: itemAt(open.speeds, member).map(neg),
    })),
    ...load.slides.map((mesh) => withForce(open, meshColumn(mesh, lossOf(mesh)))),
    ...redundant.map((k) => withForce(open, itemAt(balancer.columns, k))),
  ];
  const put = inCoordinates(open, load.acting);
  const equations = put.map((_, c) => unknowns.map(({ force }) => entryAt(force, c)));
  const solutions = solveDense(equations, put.map(neg));
  if (!solutions) return null;
  const { particular, directions } = solutions;

  const acting = new Array<Rational>(open.network.memberIds.length).fill(ZERO);
  for (const [member, torque] of load.acting) acting[member] = add(entryAt(acting, member), torque);
  const lambda = factor.solve(withTorques(acting, unknowns, particular));
  const still = new Array<Rational>(acting.length).fill(ZERO);
  const drifts = directions.map((direction) => factor.solve(withTorques(still, unknowns, direction)));
  const valueOf = (u: number): Torque =>
    directions.every((direction) => isZero(entryAt(direction, u))) ? entryAt(particular, u) : null;
  const firstSlide = load.joints.length + load.receivers.length;
  const found = new Map<NetworkMesh, Torque>();
  meshes.forEach((mesh, k) =>
    found.set(mesh, drifts.every((drift) => isZero(entryAt(drift, k))) ? entryAt(lambda, k) : null),
  );
  load.slides.forEach((mesh, i) => found.set(mesh, valueOf(firstSlide + i)));
  redundant.forEach((k, i) => found.set(itemAt(meshes, k), valueOf(firstSlide + load.slides.length + i)));
  return {
    meshes: found,
    joints: load.joints.map((_, k) => valueOf(k)),
    receivers: load.receivers.map((_, k) => valueOf(load.joints.length + k)),
  };
}

/**
 * An unknown torque: what a unit of it puts on the members, and its generalised force in the open train's coordinates.
 */
interface Unknown {
  readonly column: MemberVector;
  readonly force: Coordinates;
}

const withForce = (open: OpenTrain, column: MemberVector): Unknown => ({ column, force: inCoordinates(open, column) });

/** The torques on all members when the unknowns have these values. */
function withTorques(
  acting: readonly Rational[],
  unknowns: readonly Unknown[],
  values: readonly Rational[],
): Rational[] {
  const total = acting.slice();
  unknowns.forEach(({ column }, u) => {
    const value = entryAt(values, u);
    if (isZero(value)) return;
    for (const [member, factor] of column)
      if (member !== FRAME_INDEX) total[member] = add(entryAt(total, member), mul(factor, value));
  });
  return total;
}
