import { geometryOf, pitchRadius, type MeshGeometry } from '../geometry';
import { forcedState, type ForcedOptions } from './forced-state';
import { modelOf } from '../model';
import { rackOf } from '../shapes';
import type { Solved } from '../solve';
import { partsById, type Gear, type Train } from '../train';
import { linePressure, stiffnessOf } from './materials';
import { meshForces, type ForcesUse, type MeshForces } from './mesh-forces';
import { rootSection, rootStress, type RootSection } from './root-section';

/** How hard a wheel is used where it is used hardest, to be compared with the others of its train. */
export interface WheelStress {
  readonly gear: string;
  /** N/mm². */
  readonly rootStressMPa: number;
  /** Of the largest root stress in this train. */
  readonly ofLargest: number;
  /** Where its root is stressed most. */
  readonly position: string;
  readonly mesh: string;
  /** The largest pressure on its flanks, which may be elsewhere; null where no pair of materials is given. */
  readonly contact: Contact | null;
}

/** Pressure between two wheels, N/mm². */
interface Contact {
  readonly pressureMPa: number;
  readonly position: string;
  readonly mesh: string;
}

const MM_PER_M = 1000;

/**
 * Wheels by the stress in their roots, the largest first, each in its worst position of all or of those that are named,
 * and the pressure on their flanks in the worst of theirs; without what is not known. A torque below 0 is the load's
 * that pushes: then every position coasts.
 */
export function rankWheels(
  train: Train,
  use: ForcesUse,
  {
    positions = train.positions.map(({ id }) => id),
    ...how
  }: ForcedOptions & { readonly positions?: readonly string[] } = {},
): readonly WheelStress[] {
  const worst = new Map<string, Omit<WheelStress, 'ofLargest'>>();
  for (const id of positions) {
    const { solved, use: borne } = forcedState(train, partsById(train).position(id), use, how);
    for (const { gear, mesh, rootStressMPa, contactMPa } of stressesIn(solved, borne)) {
      const known = worst.get(gear);
      const root = known && known.rootStressMPa >= rootStressMPa ? known : { gear, mesh, rootStressMPa, position: id };
      const contact =
        contactMPa === null || (known?.contact && known.contact.pressureMPa >= contactMPa)
          ? (known?.contact ?? null)
          : { pressureMPa: contactMPa, position: id, mesh };
      worst.set(gear, { ...root, contact });
    }
  }
  const ranked = [...worst.values()].sort((a, b) => b.rootStressMPa - a.rootStressMPa);
  const largest = ranked[0]?.rootStressMPa ?? 0;
  return ranked.map((one) => ({ ...one, ofLargest: one.rootStressMPa / largest }));
}

/** The stresses of one wheel in one mesh and state. */
interface Stress {
  readonly gear: string;
  readonly mesh: string;
  readonly rootStressMPa: number;
  readonly contactMPa: number | null;
}

/** The stresses of all wheels that carry, in one state. */
export function stressesIn(solved: Solved, use: ForcesUse): readonly Stress[] {
  const { train } = solved.network;
  const forces = meshForces(solved, use);
  const { mesh } = modelOf(train).derive(sectionsOf);
  return train.meshes.flatMap(({ id }) => {
    const found = forces.get(id);
    const run = mesh(id);
    return found && run ? run.sides.flatMap((side, i) => stressOf(train, id, found, run, side, i)) : [];
  });
}

interface Run {
  readonly geometry: MeshGeometry;
  readonly pair: readonly [Gear, Gear];
  readonly sides: readonly Side[];
  readonly curvaturePerMm: number;
  readonly widthMm: number;
}

interface Side {
  readonly gear: Gear;
  readonly section: RootSection | null;
  readonly pitchMm: number;
}

/** What of the stresses does not hang on the forces, made once for a train. */
function sectionsOf(train: Train): { readonly mesh: (id: string) => Run | null } {
  const wheels = geometryOf(train);
  const parts = partsById(train);
  const runs = new Map<string, Run>(
    train.meshes.flatMap((mesh) => {
      const geometry = wheels.mesh(mesh.id);
      const pair = parts.pair(mesh);
      const widthMm = Math.min(pair[0].faceWidth ?? NaN, pair[1].faceWidth ?? NaN);
      if (!geometry || !Number.isFinite(widthMm)) return [];
      const sides = pair.map((gear): Side => {
        const cut = wheels.gear(gear.id);
        return {
          gear,
          section: cut && rootSection(cut.spec, geometry.usableContactRatio),
          pitchMm: 2 * pitchRadius(gear, geometry.moduleMm),
        };
      });
      const { workingRadiiMm, workingAngle } = geometry.running;
      const [one, two] = workingRadiiMm.map((radius) => 1 / (radius * Math.sin(workingAngle)));
      const internal = pair.some(({ type }) => type === 'internal');
      return [
        [
          mesh.id as string,
          { geometry, pair, sides, widthMm, curvaturePerMm: (one ?? 0) + (internal ? -1 : 1) * (two ?? 0) },
        ] as const,
      ];
    }),
  );
  return { mesh: (id) => runs.get(id) ?? null };
}

function stressOf(train: Train, mesh: string, found: MeshForces, run: Run, side: Side, i: number): Stress[] {
  const torqueNm = Math.abs(found.torquesNm[i] ?? 0);
  const { section, gear, pitchMm } = side;
  if (!section || torqueNm === 0) return [];
  const rack = rackOf(train);
  const tangential = (2 * MM_PER_M * torqueNm) / pitchMm;
  return [
    {
      gear: gear.id,
      mesh,
      rootStressMPa: rootStress(section, tangential, run.widthMm, rack.pressureAngle),
      contactMPa: contactOf(train, found, run),
    },
  ];
}

/** Pressure at the pitch point, the whole width carrying; the load along the normal of the flanks across the axis. */
function contactOf(train: Train, { tangentialN }: MeshForces, run: Run): number | null {
  const [a, b] = run.pair.map(({ material }) => (material ? stiffnessOf(train, material) : null));
  if (!a || !b) return null;
  const alongAction = tangentialN / Math.cos(run.geometry.running.workingAngle);
  // The line of contact leans by β_b: longer, and less curved, by its cosine each.
  const base = Math.asin(Math.sin((run.geometry.helixDegrees * Math.PI) / 180) * Math.cos(rackOf(train).pressureAngle));
  return linePressure(alongAction / run.widthMm, run.curvaturePerMm * Math.cos(base), a, b);
}
