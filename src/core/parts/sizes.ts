import { centreDistance, geometryOf, pitchRadius } from '../geometry';
import { partsById, type Gear, type Mesh, type Train } from '../train';

export interface Sizes {
  readonly of: (gear: Gear) => {
    readonly moduleMm: number | null;
    readonly pitchMm: number | null;
    readonly outsideMm: number | null;
    readonly rootMm: number | null;
  };
  /** Of two that mesh; null where it is not known, or they turn about lines that meet. */
  readonly centreDistance: (mesh: Mesh) => number | null;
}

/** Diameters and centre distances of a train's gears as they are cut and as they run. */
export function gearSizes(train: Train): Sizes {
  const geometry = geometryOf(train);
  const parts = partsById(train);
  return {
    of: (gear) => {
      const moduleMm = geometry.moduleMm(gear.id);
      if (moduleMm === null) return { moduleMm, pitchMm: null, outsideMm: null, rootMm: null };
      const pitchMm = 2 * pitchRadius(gear, moduleMm);
      // Chains, belts, bevels and worms have their own rules.
      const form = geometry.gear(gear.id)?.form;
      if (!form) return { moduleMm, pitchMm, outsideMm: null, rootMm: null };
      return { moduleMm, pitchMm, outsideMm: 2 * form.tipRadius, rootMm: 2 * form.rootRadius };
    },
    centreDistance: (mesh) => {
      const running = geometry.mesh(mesh.id)?.running;
      if (running) return running.centreMm;
      const [a, b] = parts.pair(mesh);
      const own = geometry.moduleMm(a.id);
      return own !== null && (a.type === 'worm' || b.type === 'worm')
        ? (geometry.givenCentreMm(mesh) ?? centreDistance(a, b, own))
        : null;
    },
  };
}
