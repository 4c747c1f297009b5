import { modelOf } from '../model';
import { driveBackward, solveCoasting, type Solved } from '../solve';
import type { Position, Train } from '../train';
import type { ForcesUse } from './mesh-forces';

/** Who pushes: the input, the load while the input holds back, or the outputs, which drive the input. */
export type ForcedFlow = 'drive' | 'coast' | 'backward';

export interface ForcedOptions {
  readonly losses?: boolean;
  /** A torque below 0 at the input is the load's that pushes; see flowOf. */
  readonly flow?: ForcedFlow;
}

/** A position as it is used, and the size of what acts on it. */
export interface ForcedState {
  readonly solved: Solved;
  readonly use: ForcesUse;
}

/** What a torque at the input means where nothing else is said. */
export const flowOf = ({ torqueNm }: ForcesUse): ForcedFlow => (torqueNm < 0 ? 'coast' : 'drive');

/**
 * A position under a torque. Where the load pushes, one-way clutches and worms stand otherwise and meshes lose the
 * other way, so that it is solved as coasting, or as driven from its outputs.
 */
export function forcedState(
  train: Train,
  { id, engaged }: Position,
  use: ForcesUse,
  { losses = false, flow = flowOf(use) }: ForcedOptions = {},
): ForcedState {
  const { open, solvedIn } = modelOf(train);
  const size = { ...use, torqueNm: Math.abs(use.torqueNm) };
  switch (flow) {
    case 'drive':
      return { solved: solvedIn(id, { losses }), use };
    case 'coast':
      return { solved: solveCoasting(open, engaged, { losses }), use: size };
    case 'backward':
      return { solved: driveBackward(open, engaged, { losses }).solved, use: size };
  }
}
