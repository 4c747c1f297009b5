import { geometryOf, pitchRadius } from '../geometry';
import { contributions } from '../powerflow';
import { toNumber } from '../rational';
import { rackOf } from '../shapes';
import type { Solved } from '../solve';
import { isCylindrical, partsById, type Mesh, type Train } from '../train';
import { itemAt } from '../required';

/** How a train is used: what is put in; of the torque less than 0 where the load pushes. */
export interface ForcesUse {
  readonly torqueNm: number;
  readonly speedRpm: number | null;
}

/** The forces between two wheels, of one copy where there are equal planets, N. */
export interface MeshForces {
  /** Sizes, at the working circles. */
  readonly tangentialN: number;
  readonly radialN: number;
  /** On the mesh's first gear, along the axis from input to output above 0; of bevels and worms its size alone. */
  readonly axialN: number;
  /** Of the narrower wheel; null where no width is given. */
  readonly perMmN: number | null;
  readonly pitchSpeedMs: number | null;
  readonly copies: number;
  /** On the gears of the mesh, of one copy, N·m. */
  readonly torquesNm: readonly [number, number];
}

const MM_PER_M = 1000;
const MS_PER_MM_RPM = Math.PI / 60_000;

/**
 * F_t = 2000 T / d_w for each copy, F_r = F_t tan α_wt, F_a = F_t tan β_w, where tan β_w = tan β d_w / d, so that F_a
 * is 2000 T tan β / d. Bevels on shafts that cross at 90°: F_t at the middle of the face, F_r = F_t tan α cos δ, F_a =
 * F_t tan α sin δ, tan δ = z₁ / z₂. A worm's thrust is the wheel's F_t. Chains and belts: F_t alone, without what the
 * slack side pulls.
 * @returns by mesh; null where a size is missing, or the torque is shared between parallel ways
 */
export function meshForces(solved: Solved, use: ForcesUse): ReadonlyMap<string, MeshForces | null> {
  const { train } = solved.network;
  const torques = torquesOf(solved);
  return new Map(
    train.meshes.map((mesh) => {
      const found = torques.get(mesh.id);
      return [mesh.id as string, found ? forcesBetween(solved, mesh, found, use) : null] as const;
    }),
  );
}

/** Torques on the two gears of each mesh, all copies together, for one put in; 0 where nothing is carried. */
function torquesOf(solved: Solved): ReadonlyMap<string, readonly [number, number]> {
  const found = new Map<string, (number | null)[]>();
  if (solved.state.load.outcome !== 'balanced') return new Map();
  for (const { source, torque } of contributions(solved)) {
    if (source.kind !== 'mesh' || source.side === 'arm') continue;
    const pair = found.get(source.id) ?? [0, 0];
    pair[source.side === 'a' ? 0 : 1] = torque && toNumber(torque);
    found.set(source.id, pair);
  }
  return new Map(
    solved.network.train.meshes.flatMap(({ id }) => {
      const [a, b] = found.get(id) ?? [0, 0];
      return a === null || b === null || a === undefined || b === undefined ? [] : [[id as string, [a, b] as const]];
    }),
  );
}

function forcesBetween(
  solved: Solved,
  mesh: Mesh,
  perTorque: readonly [number, number],
  { torqueNm, speedRpm }: ForcesUse,
): MeshForces | null {
  const { train } = solved.network;
  const geometry = geometryOf(train);
  const [a, b] = partsById(train).pair(mesh);
  const moduleMm = geometry.moduleMm(a.id);
  if (moduleMm === null || geometry.moduleMm(b.id) === null) return null;
  const copies = copiesOf(train, mesh);
  const torquesNm = [(perTorque[0] * torqueNm) / copies, (perTorque[1] * torqueNm) / copies] as const;
  const width = Math.min(a.faceWidth ?? Infinity, b.faceWidth ?? Infinity);
  const running = geometry.mesh(mesh.id);
  const alpha = rackOf(train).pressureAngle;
  const at = (diameters: readonly [number, number], more: (tangential: number) => Partial<MeshForces>): MeshForces => {
    // With losses the two differ a little; the larger is what the teeth have to bear.
    const tangentialN = Math.max(
      ...torquesNm.map((torque, i) => Math.abs((2 * MM_PER_M * torque) / itemAt(diameters, i))),
    );
    return {
      tangentialN,
      radialN: 0,
      axialN: 0,
      perMmN: Number.isFinite(width) ? tangentialN / width : null,
      pitchSpeedMs: pitchSpeed(solved, mesh, diameters[0], speedRpm),
      copies,
      torquesNm,
      ...more(tangentialN),
    };
  };
  if (running) {
    const [d] = running.workingDiametersMm;
    const helix = helixAt(running.helixDegrees, d / (2 * pitchRadius(a, moduleMm)));
    const thrusts = (a.herringbone ?? false) || (b.herringbone ?? false) ? 0 : Math.tan(helix);
    return at(running.workingDiametersMm, (tangential) => ({
      radialN: tangential * Math.tan(running.running.workingAngle),
      // −0 is 0.
      axialN: -Math.sign(torquesNm[0]) * tangential * thrusts + 0,
    }));
  }
  // A pair on parallel axes that cannot run, or whose centre is not known, has no forces either.
  if (isCylindrical(a) && isCylindrical(b)) return null;
  const pitch = [2 * pitchRadius(a, moduleMm), 2 * pitchRadius(b, moduleMm)] as const;
  if (a.type === 'bevel' && b.type === 'bevel') {
    const cone = Math.atan2(a.teeth, b.teeth);
    const middle = Number.isFinite(width) ? width : 0;
    return at([pitch[0] - middle * Math.sin(cone), pitch[1] - middle * Math.cos(cone)], (tangential) => ({
      radialN: tangential * Math.tan(alpha) * Math.cos(cone),
      axialN: tangential * Math.tan(alpha) * Math.sin(cone),
    }));
  }
  if (a.type === 'worm') {
    const thrust = Math.abs((2 * MM_PER_M * torquesNm[1]) / pitch[1]);
    const tangential = Math.abs((2 * MM_PER_M * torquesNm[0]) / pitch[0]);
    return at(pitch, () => ({ tangentialN: tangential, axialN: thrust, radialN: thrust * Math.tan(alpha) }));
  }
  return at(pitch, () => ({}));
}

/** The helix at another circle than the pitch circle: tan β grows with it. */
const helixAt = (degrees: number, larger: number): number => Math.atan(Math.tan((degrees * Math.PI) / 180) * larger);

/** How many equal meshes stand for one: as many as there are planets in it, and planets that carry these. */
export function copiesOf(train: Train, { gears }: Mesh): number {
  const parts = partsById(train);
  const copiesAt = (member: string): number => {
    const found = parts.find.member(member);
    return found?.carrier === undefined ? 1 : (found.copies ?? 1) * copiesAt(found.carrier);
  };
  return Math.max(...gears.map((gear) => copiesAt(parts.gear(gear).member)));
}

/** How fast the pitch circles roll on each other, past what carries them; null where that is open. */
function pitchSpeed(solved: Solved, mesh: Mesh, diameterMm: number, speedRpm: number | null): number | null {
  if (speedRpm === null) return null;
  const { network, state } = solved;
  const found = network.meshes.find((one) => one.mesh.id === mesh.id);
  const past = found && state.speeds.difference(found.arm, found.a);
  return past ? Math.abs(toNumber(past) * speedRpm) * diameterMm * MS_PER_MM_RPM : null;
}
