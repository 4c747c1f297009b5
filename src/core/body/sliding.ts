import { phaseAgainst, type TurnsOf } from '../end-view';
import { partsById, type Train } from '../train';
import type { StandingWheel } from './arrangement';

/** A wheel that is slid into its mesh and out of it, and the mate whose gaps it has to find. */
export interface SlidingWheel {
  /** Index of its node. */
  readonly node: number;
  readonly coupler: string;
  readonly own: StandingWheel;
  readonly mate: StandingWheel;
}

export function slidingWheels(
  train: Train,
  nodes: readonly { readonly letsGo: { readonly coupler: string } | null }[],
  wheels: readonly StandingWheel[],
): readonly SlidingWheel[] {
  const parts = partsById(train);
  const standing = (gear: string) => wheels.find(({ wheel }) => wheel.gear === gear);
  return nodes.flatMap(({ letsGo }, node) => {
    const coupler = parts.find.coupler(letsGo?.coupler);
    if (coupler?.type !== 'sliding-mesh') return [];
    const [own, mate] = parts.mesh(coupler.mesh).gears.map(standing);
    return own && mate ? [{ node, coupler: coupler.id, own, mate }] : [];
  });
}

/**
 * How far a slid wheel has to be turned on its shaft, from where it was made, so that its teeth stand in gaps now: the
 * least, for a pitch more is the same.
 */
export function slidPhase({ own, mate }: SlidingWheel, turns: TurnsOf): number {
  const angle = phaseAgainst(mate.wheel, mate.phase, own.wheel, turns) - own.phase;
  const pitch = (2 * Math.PI) / own.wheel.teeth;
  return angle - pitch * Math.round(angle / pitch);
}
