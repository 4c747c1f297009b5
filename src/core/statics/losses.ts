import { FRAME_INDEX, type MemberIndex, type NetworkMesh, type OpenTrain, type Speeds } from '../kinematics';
import { add, equals, fromDecimal, isZero, mul, ONE, sign, sub, ZERO, type Rational } from '../rational';
import type { Train } from '../train';
import { powerOf } from './power';
import {
  balance,
  balancerOf,
  LOSSLESS,
  lossyBalancer,
  type BalancedLoad,
  type MeshLoss,
  type Torque,
  type Torques,
} from './statics';
import { itemAt, lookUp } from '../required';

/** What the members carry, and what each mesh loses of it. */
export interface LossyTorques {
  readonly torques: Torques;
  readonly lossOf: (mesh: NetworkMesh) => MeshLoss;
}

export type LossyLoad =
  | (LossyTorques & {
      readonly outcome: 'balanced';
      /**
       * Where friction allows more than one way of passing the power round, all of them; then a torque on which they
       * differ is open.
       */
      readonly answers: readonly LossyTorques[];
    })
  /** Nothing resists the driver. */
  | { readonly outcome: 'unloaded' }
  /** No way of giving and taking power in the meshes agrees with itself: friction locks the train. */
  | { readonly outcome: 'self-locking' };

const noLoss = (): MeshLoss => LOSSLESS;

/** Every mesh ideal. */
export function idealTorques(open: OpenTrain, load: BalancedLoad): LossyLoad {
  const torques = balance(balancerOf(open), load, noLoss);
  if (!torques) return { outcome: 'unloaded' };
  const answer = { torques, lossOf: noLoss };
  return { outcome: 'balanced', ...answer, answers: [answer] };
}

/**
 * −1 when the first gear gives power to the mesh (it drives), 1 when it takes power, 0 when nothing rolls or nothing is
 * known.
 */
type Side = -1 | 0 | 1;
type Sides = ReadonlyMap<NetworkMesh, Side>;

/**
 * Sets of meshes that may turn over, at the most, for all their ways to be tried: 2^6 balances take a few milliseconds.
 */
const MAX_TURNED = 6;

/**
 * Every mesh with its efficiency. In the frame of its arm a mesh passes the rolling power λ z_a (ω_A − ω_c); the side
 * that gives it drives, and the other receives e times as much. Which side drives depends on the torques, so the signs
 * are found by repetition, starting from the ideal ones. A mesh that does not roll loses nothing. Power that goes round
 * in planetary sets may be able to go either way: every other choice of signs is tried as well.
 */
export function lossyTorques(open: OpenTrain, load: BalancedLoad, speeds: Speeds): LossyLoad {
  const ideal = idealTorques(open, load);
  if (ideal.outcome !== 'balanced') return ideal;
  const meshes = [...ideal.torques.meshes.keys()];
  const rolling = new Map(meshes.map((mesh) => [mesh, rollingSpeed(speeds, mesh)]));
  const balanced = (sides: Sides): (LossyTorques & { readonly next: Sides }) | null => {
    const lossOf = (mesh: NetworkMesh) => meshLoss(mesh, sides.get(mesh) ?? 0, open.network.train);
    const torques = balance(lossyBalancer(open, lossOf), load, lossOf);
    return torques && { torques, lossOf, next: drivingSides(torques, rolling) };
  };
  const agrees = (sides: Sides, next: Sides) => meshes.every((mesh) => sides.get(mesh) === next.get(mesh));

  let sides = drivingSides(ideal.torques, rolling);
  let first: LossyTorques | null = null;
  for (let round = 0; round < 2 * meshes.length + 8 && !first; round++) {
    const tried = balanced(sides);
    if (!tried) break;
    if (agrees(sides, tried.next)) first = tried;
    sides = tried.next;
  }
  const others = turnedOver(meshes, sides, load).flatMap((choice) => {
    const tried = balanced(choice);
    return tried && agrees(choice, tried.next) ? [tried] : [];
  });
  const answers = [...(first ? [first] : []), ...others].filter(({ torques }) => gives(load, speeds, torques));
  const [answer] = answers;
  if (!answer) return { outcome: 'self-locking' };
  return {
    outcome: 'balanced',
    torques: answers.map(({ torques }) => torques).reduce(agreed),
    lossOf: answer.lossOf,
    answers,
  };
}

/**
 * The sides with every choice of groups turned over, but for none; empty where nothing can go round, or there are too
 * many.
 */
function turnedOver(meshes: readonly NetworkMesh[], sides: Sides, load: BalancedLoad): readonly Sides[] {
  const turning = meshes.filter((mesh) => sides.get(mesh) !== 0);
  if (turning.every(({ arm }) => arm === FRAME_INDEX)) return [];
  const groups = meshesInLine(turning, load);
  if (groups.length > MAX_TURNED) return [];
  return Array.from({ length: 2 ** groups.length - 1 }, (_, i) => {
    const turned = new Set(groups.filter((__, g) => (i + 1) & (1 << g)).flat());
    return new Map(
      [...sides].map(([mesh, side]): [NetworkMesh, Side] => [
        mesh,
        turned.has(mesh) && side !== 0 ? (side > 0 ? -1 : 1) : side,
      ]),
    );
  });
}

/**
 * Meshes in groups whose powers can only turn over together: through a member that nothing else acts on, one mesh gives
 * just what the other takes.
 */
function meshesInLine(meshes: readonly NetworkMesh[], load: BalancedLoad): readonly (readonly NetworkMesh[])[] {
  const acted = new Set([
    ...load.acting.map(([member]) => member),
    ...load.receivers,
    ...load.joints.flatMap(({ a, b }) => [a, b]),
    ...meshes.map(({ arm }) => arm),
    FRAME_INDEX,
  ]);
  const groups = new Map(meshes.map((mesh) => [mesh, new Set([mesh])]));
  const on = new Map<MemberIndex, NetworkMesh[]>();
  for (const mesh of meshes)
    for (const member of [mesh.a, mesh.b]) if (!acted.has(member)) on.set(member, [...(on.get(member) ?? []), mesh]);
  for (const [first, second, ...more] of on.values()) {
    if (!first || !second || more.length > 0 || groups.get(first) === groups.get(second)) continue;
    const joined = new Set([...lookUp(groups, first), ...lookUp(groups, second)]);
    for (const mesh of joined) groups.set(mesh, joined);
  }
  return [...new Set(groups.values())].map((group) => [...group]);
}

/** The torques on which two answers agree; the others are open. */
function agreed(a: Torques, b: Torques): Torques {
  const both = (x: Torque, y: Torque) => (x && y && equals(x, y) ? x : null);
  return {
    meshes: new Map([...a.meshes].map(([mesh, torque]) => [mesh, both(torque, b.meshes.get(mesh) ?? null)])),
    joints: a.joints.map((torque, k) => both(torque, itemAt(b.joints, k))),
    receivers: a.receivers.map((torque, k) => both(torque, itemAt(b.receivers, k))),
  };
}

/** Speed of a mesh's first gear seen from its arm; null where open. */
export function rollingSpeed(speeds: Speeds, { a, arm }: NetworkMesh): Rational | null {
  const own = speeds.of(a);
  const carrier = speeds.of(arm);
  return own && carrier ? sub(own, carrier) : speeds.difference(arm, a);
}

function drivingSides(torques: Torques, rolling: ReadonlyMap<NetworkMesh, Rational | null>): Sides {
  return new Map(
    [...torques.meshes].map(([mesh, lambda]) => {
      const speed = rolling.get(mesh);
      return [mesh, lambda && speed ? sign(mul(mul(lambda, mesh.za), speed)) : 0];
    }),
  );
}

function meshLoss({ mesh }: NetworkMesh, side: Side, train: Train): MeshLoss {
  if (side === 0) return LOSSLESS;
  const forward = mesh.efficiency ?? train.efficiency ?? 1;
  const efficiency = fromDecimal(side < 0 ? forward : (mesh.backEfficiency ?? forward));
  return side < 0 ? { onA: ONE, onB: efficiency } : { onA: efficiency, onB: ONE };
}

/** What takes power must get it, and what gives it must give: where the signs differ, friction holds the train. */
function gives(load: BalancedLoad, speeds: Speeds, torques: Torques): boolean {
  const given = powerIn(load.acting, speeds);
  const taken = powerIn(
    load.receivers.map((member, k) => [member, torques.receivers[k] ?? null]),
    speeds,
  );
  return !given || !taken || isZero(given) || sign(taken) === sign(given);
}

/** Torques times speeds, all together; null where one is open. */
function powerIn(torques: readonly (readonly [MemberIndex, Torque])[], speeds: Speeds): Rational | null {
  let power = ZERO;
  for (const [member, torque] of torques) {
    const its = powerOf(torque, speeds.of(member));
    if (!its) return null;
    power = add(power, its);
  }
  return power;
}
