import type { MemberFigures } from './roles';
import { isZero } from '../rational';

/** The members of a position by how they stand to the input. */
export interface MemberGroups {
  /** Turn in a fixed proportion to the driver. */
  readonly follow: readonly string[];
  /** Forced to stand. */
  readonly stand: readonly string[];
  /** Parts of sets that turn as one block. */
  readonly block: readonly string[];
  /** Their speed is left open. */
  readonly float: readonly string[];
}

export function memberGroups(figures: readonly MemberFigures[]): MemberGroups {
  const ids = (keep: (figure: MemberFigures) => boolean) => figures.filter(keep).map(({ id }) => id);
  return {
    follow: ids(({ speed }) => speed !== null && !isZero(speed)),
    stand: ids(({ speed }) => speed !== null && isZero(speed)),
    block: ids(({ block }) => block),
    float: ids(({ speed }) => speed === null),
  };
}
