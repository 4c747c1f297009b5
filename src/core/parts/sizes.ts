import { centreDistance, gearModules, linesOf, pitchRadius } from '../end-view';
import { structureOf } from '../structure';
import type { Gear, Train } from '../train';

const ADDENDUM = 1;
const DEDENDUM = 1.25;

export interface Sizes {
  readonly of: (gear: Gear) => {
    readonly moduleMm: number | null;
    readonly pitchMm: number | null;
    readonly outsideMm: number | null;
    readonly rootMm: number | null;
  };
  /** Of two that mesh; null where it is not known, or they turn about lines that meet. */
  readonly centreDistance: (a: Gear, b: Gear) => number | null;
}

/** Diameters and centre distances of a train's gears without profile shift: m z, m (z ± 2), m (z ∓ 2.5). */
export function gearSizes(train: Train): Sizes {
  const lineOf = linesOf(structureOf(train));
  const modules = gearModules(train, lineOf);
  const doubled = gearModules(timesTwo(train), lineOf);
  // What follows from the modules that are given doubles with them; what is only assumed does not.
  const moduleOf = (gear: Gear) => {
    const own = modules.get(gear.id)!;
    return Math.abs(doubled.get(gear.id)! / own - 2) < 1e-9 ? own : null;
  };
  return {
    of: (gear) => {
      const moduleMm = moduleOf(gear);
      if (moduleMm === null) return { moduleMm, pitchMm: null, outsideMm: null, rootMm: null };
      const pitchMm = 2 * pitchRadius(gear, moduleMm);
      const sense = gear.type === 'external' ? 1 : gear.type === 'internal' ? -1 : null;
      // Chains, belts, bevels and worms have their own rules.
      if (sense === null) return { moduleMm, pitchMm, outsideMm: null, rootMm: null };
      return { moduleMm, pitchMm, outsideMm: pitchMm + sense * 2 * ADDENDUM * moduleMm, rootMm: pitchMm - sense * 2 * DEDENDUM * moduleMm }; // prettier-ignore
    },
    centreDistance: (a, b) => {
      const own = moduleOf(a);
      const plain = [a, b].every(({ type }) => type === 'external' || type === 'internal' || type === 'worm');
      return own === null || !plain ? null : centreDistance(a, b, own);
    },
  };
}

const timesTwo = (train: Train): Train => ({
  ...train,
  gears: train.gears.map((gear) => (gear.module === undefined ? gear : { ...gear, module: gear.module * 2 })),
});
