import { toFraction } from '../rational';
import type { Solved } from '../solve';

/** Groups of positions that have exactly the same ratio: chart rows that do one job. */
export function duplicatePositions(positions: ReadonlyMap<string, Solved>): readonly (readonly string[])[] {
  const byRatio = new Map<string, string[]>();
  for (const [id, { ratio }] of positions) {
    if (ratio === null) continue;
    const key = toFraction(ratio);
    byRatio.set(key, [...(byRatio.get(key) ?? []), id]);
  }
  return [...byRatio.values()].filter((ids) => ids.length > 1);
}
