import type { NetworkMesh, OpenTrain, Speeds } from '../kinematics';
import { add, fromDecimal, isZero, mul, ONE, sign, sub, ZERO, type Rational } from '../rational';
import type { Train } from '../train';
import { balance, balancerOf, LOSSLESS, lossyBalancer, type Load, type MeshLoss, type Torques } from './statics';

export type Loaded =
  | { readonly outcome: 'balanced'; readonly torques: Torques; readonly lossOf: (mesh: NetworkMesh) => MeshLoss }
  /** Nothing resists the driver. */
  | { readonly outcome: 'unloaded' }
  /** No way of giving and taking power in the meshes agrees with itself: friction locks the train. */
  | { readonly outcome: 'self-locking' };

const noLoss = (): MeshLoss => LOSSLESS;

/** Every mesh ideal. */
export function idealTorques(open: OpenTrain, load: Load): Loaded {
  const torques = balance(balancerOf(open), load, noLoss);
  return torques ? { outcome: 'balanced', torques, lossOf: noLoss } : { outcome: 'unloaded' };
}

/** −1 when the first gear gives power to the mesh (it drives), 1 when it takes power, 0 when nothing rolls or nothing is known. */
type Side = -1 | 0 | 1;

/**
 * Every mesh with its efficiency. In the frame of its arm a mesh passes the rolling power λ z_a (ω_A − ω_c);
 * the side that gives it drives, and the other receives e times as much. Which side drives depends on the
 * torques, so the signs are found by repetition, starting from the ideal ones. A mesh that does not roll
 * loses nothing.
 */
export function lossyTorques(open: OpenTrain, load: Load, speeds: Speeds): Loaded {
  const ideal = idealTorques(open, load);
  if (ideal.outcome !== 'balanced') return ideal;
  const meshes = [...ideal.torques.meshes.keys()];
  const rolling = new Map(meshes.map((mesh) => [mesh, rollingSpeed(speeds, mesh)]));
  let sides = drivingSides(ideal.torques, rolling);
  const rounds = 2 * meshes.length + 8;
  for (let round = 0; round < rounds; round++) {
    const current = sides;
    const lossOf = (mesh: NetworkMesh) => meshLoss(mesh, current.get(mesh) ?? 0, open.network.train);
    const torques = balance(lossyBalancer(open, lossOf), load, lossOf);
    if (!torques) return { outcome: 'self-locking' };
    sides = drivingSides(torques, rolling);
    if (meshes.every((mesh) => sides.get(mesh) === current.get(mesh))) {
      return gives(load, speeds, torques) ? { outcome: 'balanced', torques, lossOf } : { outcome: 'self-locking' };
    }
  }
  return { outcome: 'self-locking' };
}

/** Speed of a mesh's first gear seen from its arm; null where open. */
export function rollingSpeed(speeds: Speeds, { a, arm }: NetworkMesh): Rational | null {
  const own = speeds.of(a);
  const carrier = speeds.of(arm);
  return own && carrier ? sub(own, carrier) : speeds.difference(arm, a);
}

function drivingSides(torques: Torques, rolling: ReadonlyMap<NetworkMesh, Rational | null>): ReadonlyMap<NetworkMesh, Side> {
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

/** Power must come out where the load takes it: a negative output means that friction holds the train. */
function gives(load: Load, speeds: Speeds, torques: Torques): boolean {
  const driverSpeed = speeds.of(load.driver);
  let power = ZERO;
  for (const [k, member] of load.receivers.entries()) {
    const torque = torques.receivers[k];
    const speed = speeds.of(member);
    if (!torque || !speed) return true;
    power = add(power, mul(torque, speed));
  }
  if (!driverSpeed || isZero(driverSpeed)) return true;
  return sign(power) === sign(mul(load.torque, driverSpeed));
}
