import type { Train } from '../train';
import type { RatioConvention } from '../units';
import { partChanges } from './parts';
import { ratioChanges } from './ratios';

/** What is different between two states of a train, in words. Two empty lists mean that they are the same. */
export interface Difference {
  /** Parts added, removed and changed. */
  readonly parts: readonly string[];
  /** Positions of both whose ratio or status is another: "2nd: 2.837 → 2.567". */
  readonly positions: readonly string[];
}

/** Says what changed from one state of a train to another; parts are the same when their ids are. */
export function differenceOf(before: Train, after: Train, convention: RatioConvention): Difference {
  const parts = partChanges(before, after);
  return { parts, positions: parts.length === 0 ? [] : ratioChanges(before, after, convention) };
}
