import type { OpenTrain } from '../kinematics';
import type { Rational } from '../rational';
import { solveEngaged, type Solved, type Status } from '../solve';

/** What is left when a coupler is let go in a position. */
export interface LettingGo {
  readonly coupler: string;
  readonly status: Status;
  /** Input over output of what still drives; null where power runs out. */
  readonly ratio: Rational | null;
}

/**
 * Each coupler of what is engaged let go alone, solved: what a worm or a brake still holds drives on, what nothing
 * holds runs out backwards.
 */
export const releaseEffects = (open: OpenTrain, { engaged, flow, losses }: Solved): readonly LettingGo[] =>
  [...engaged].map((coupler) => {
    const { status, ratio } = solveEngaged(
      open,
      [...engaged].filter((other) => other !== coupler),
      { flow, losses },
    );
    return { coupler, status, ratio };
  });
