import { type NetworkMesh, type Speeds } from '../kinematics';
import { add, fromDecimal, isZero, mul, ONE, sign, sub, ZERO, type Rational } from '../rational';
import type { Train } from '../train';
import { balance, LOSSLESS, type Load, type MeshLoss, type Torques } from './statics';

export type Loaded =
  | { readonly outcome: 'balanced'; readonly torques: Torques; readonly losses: readonly MeshLoss[] }
  /** Nothing resists the driver. */
  | { readonly outcome: 'unloaded' }
  /** No way of giving and taking power in the meshes agrees with itself: friction locks the train. */
  | { readonly outcome: 'self-locking' };

export interface Rolling extends Omit<Load, 'meshes'> {
  readonly meshes: readonly NetworkMesh[];
  readonly speeds: Speeds;
}

/** Every mesh ideal. */
export function idealTorques(load: Rolling): Loaded {
  const losses = load.meshes.map(() => LOSSLESS);
  const torques = balance({ ...load, meshes: load.meshes.map((mesh) => ({ mesh, loss: LOSSLESS })) });
  return torques ? { outcome: 'balanced', torques, losses } : { outcome: 'unloaded' };
}

/**
 * Every mesh with its efficiency. In the frame of its arm a mesh passes the rolling power λ z_a (ω_A − ω_c);
 * the side that gives it drives, and the other receives e times as much. Which side drives depends on the
 * torques, so the signs are found by repetition, starting from the ideal ones. A mesh that does not roll
 * loses nothing.
 */
export function lossyTorques(load: Rolling, train: Train): Loaded {
  const rolling = load.meshes.map(({ a, arm }) => {
    const speed = load.speeds.of(a);
    const carrier = load.speeds.of(arm);
    return speed && carrier ? sub(speed, carrier) : load.speeds.difference(arm, a);
  });
  const ideal = idealTorques(load);
  if (ideal.outcome !== 'balanced') return ideal;
  let signs = drivingSides(ideal.torques, rolling, load.meshes);
  const rounds = 2 * load.meshes.length + 8;
  for (let round = 0; round < rounds; round++) {
    const losses = load.meshes.map((mesh, k) => lossOf(mesh, signs[k]!, train));
    const torques = balance({ ...load, meshes: load.meshes.map((mesh, k) => ({ mesh, loss: losses[k]! })) });
    if (!torques) return { outcome: 'self-locking' };
    const next = drivingSides(torques, rolling, load.meshes);
    if (next.every((side, k) => side === signs[k])) {
      return gives(load, torques) ? { outcome: 'balanced', torques, losses } : { outcome: 'self-locking' };
    }
    signs = next;
  }
  return { outcome: 'self-locking' };
}

/** −1 when the first gear gives power to the mesh (it drives), 1 when it takes power, 0 when nothing rolls or nothing is known. */
function drivingSides(torques: Torques, rolling: readonly (Rational | null)[], meshes: readonly NetworkMesh[]): (-1 | 0 | 1)[] {
  return meshes.map(({ za }, k) => {
    const lambda = torques.meshes[k];
    const speed = rolling[k];
    return lambda && speed ? sign(mul(mul(lambda, za), speed)) : 0;
  });
}

function lossOf({ mesh }: NetworkMesh, side: -1 | 0 | 1, train: Train): MeshLoss {
  if (side === 0) return LOSSLESS;
  const forward = mesh.efficiency ?? train.efficiency ?? 1;
  const efficiency = fromDecimal(side < 0 ? forward : (mesh.backEfficiency ?? forward));
  return side < 0 ? { onA: ONE, onB: efficiency } : { onA: efficiency, onB: ONE };
}

/** Power must come out where the load takes it: a negative output means that friction holds the train. */
function gives(load: Rolling, torques: Torques): boolean {
  const driverSpeed = load.speeds.of(load.driver);
  let power = ZERO;
  let known = true;
  load.receivers.forEach((member, k) => {
    const torque = torques.receivers[k];
    const speed = load.speeds.of(member);
    if (!torque || !speed) known = false;
    else power = add(power, mul(torque, speed));
  });
  if (!known || !driverSpeed || isZero(driverSpeed)) return true;
  return sign(power) === sign(mul(load.torque, driverSpeed));
}
