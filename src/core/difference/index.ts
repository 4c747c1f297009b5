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

/** Changes that a line names; the rest is counted. */
const NAMED = 2;

/** What changed in one line: "26 on first wheel: 28 teeth", "… and 3 more"; null where nothing did. */
export function changeText(before: Train, after: Train): string | null {
  const parts = partChanges(before, after);
  if (parts.length === 0) return null;
  const named = parts.slice(0, NAMED).join('; ');
  return parts.length > NAMED ? `${named} and ${parts.length - NAMED} more` : named;
}

export { mergeTrains } from './merge';
