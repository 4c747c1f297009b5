import { centreDistance, gearModules, axisLines, pitchRadius } from '../end-view';
import { toothForm } from '../shapes';
import { structureOf } from '../structure';
import type { Gear, Train } from '../train';
import { lookUp } from '../required';

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

/**
 * Diameters and centre distances of a train's gears without profile shift, as they are drawn: the tips of a ring are
 * shortened where they would foul.
 */
export function gearSizes(train: Train): Sizes {
  const lineOf = axisLines(structureOf(train));
  const modules = gearModules(train, lineOf);
  const doubled = gearModules(timesTwo(train), lineOf);
  // What follows from the modules that are given doubles with them; what is only assumed does not.
  const moduleOf = (gear: Gear) => {
    const own = lookUp(modules, gear.id);
    return Math.abs(lookUp(doubled, gear.id) / own - 2) < 1e-9 ? own : null;
  };
  return {
    of: (gear) => {
      const moduleMm = moduleOf(gear);
      if (moduleMm === null) return { moduleMm, pitchMm: null, outsideMm: null, rootMm: null };
      const pitchMm = 2 * pitchRadius(gear, moduleMm);
      // Chains, belts, bevels and worms have their own rules.
      if (gear.type !== 'external' && gear.type !== 'internal')
        return { moduleMm, pitchMm, outsideMm: null, rootMm: null };
      const form = toothForm({ teeth: gear.teeth, moduleMm, internal: gear.type === 'internal' });
      return { moduleMm, pitchMm, outsideMm: 2 * form.tipRadius, rootMm: 2 * form.rootRadius };
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
