/** What a check found: what is wrong, why it matters, what would mend it, and the parts it is about. */
export interface Finding {
  readonly kind: 'module' | 'distance' | 'assembly' | 'collision' | 'coaxial' | 'shared factor' | 'undercut' | 'locked' | 'duplicate';
  /** wrong: it cannot be built or cannot run · note: it can, and is worth knowing. */
  readonly weight: 'wrong' | 'note';
  readonly what: string;
  readonly why: string;
  readonly mend: string;
  readonly gears: readonly string[];
  readonly members: readonly string[];
  readonly positions: readonly string[];
}

export const finding = (kind: Finding['kind'], weight: Finding['weight'], texts: Pick<Finding, 'what' | 'why' | 'mend'>, parts: Partial<Pick<Finding, 'gears' | 'members' | 'positions'>>): Finding => ({ kind, weight, ...texts, gears: [], members: [], positions: [], ...parts });
