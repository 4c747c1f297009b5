import type { Edit, Train } from '../train';
import type { TimingMark } from './assembly';

export type FindingKind =
  | 'axes'
  | 'station'
  | 'module'
  | 'distance'
  | 'assembly'
  | 'timing'
  | 'collision'
  | 'coaxial'
  | 'shared factor'
  | 'undercut'
  | 'centre'
  | 'contact'
  | 'interference'
  | 'pointed'
  | 'shortened'
  | 'helix'
  | 'thrust'
  | 'tip speed'
  | 'locked'
  | 'duplicate'
  | 'same ratio'
  | 'idle coupler'
  | 'floating output'
  | 'capacity'
  | 'one-way clutches'
  | 'touching';

/** The parts that a finding is about. */
export interface Concerned {
  readonly gears: readonly string[];
  readonly members: readonly string[];
  readonly couplers: readonly string[];
  readonly positions: readonly string[];
}

/** One way to mend a finding at once. */
export interface FindingFix {
  readonly label: string;
  readonly apply: (train: Train) => Edit;
}

/** What a check found: what is wrong, why it matters, what would mend it, and the parts it is about. */
export interface Finding extends Concerned {
  readonly kind: FindingKind;
  /** Names the finding for as long as it is about the same parts, so that it can be set aside. */
  readonly key: string;
  /** wrong: it cannot be built or cannot run · note: it can, and is worth knowing. */
  readonly weight: 'wrong' | 'note';
  readonly what: string;
  readonly why: string;
  readonly mend: string;
  readonly mends: readonly FindingFix[];
  /** How each planet's mark must point; of findings about timing only. */
  readonly marks: readonly TimingMark[];
}

interface Told extends Pick<Finding, 'what' | 'why' | 'mend'> {
  readonly mends?: readonly FindingFix[];
  readonly marks?: readonly TimingMark[];
}

export function finding(kind: FindingKind, weight: Finding['weight'], told: Told, parts: Partial<Concerned>): Finding {
  const concerned: Concerned = { gears: [], members: [], couplers: [], positions: [], ...parts };
  const key = [kind, ...Object.values(concerned).flatMap((ids: readonly string[]) => [...ids].sort())].join(' / ');
  return { kind, key, weight, mends: [], marks: [], ...told, ...concerned };
}
