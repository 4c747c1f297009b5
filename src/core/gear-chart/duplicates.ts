import { abs, compare, equals, sign, toFraction, toNumber } from '../rational';
import type { Solved } from '../solve';
import { itemAt } from '../required';

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

/** Two rows whose ratios are nearly one: the same way, different, and less than one per cent apart. */
export interface NearDuplicate {
  readonly ids: readonly [string, string];
  /** How far the smaller one is below the larger, in per cent. */
  readonly apart: number;
}

const NEAR_PER_CENT = 1;

/** Neighbours in size that are nearly duplicates. */
export function nearDuplicates(positions: ReadonlyMap<string, Solved>): readonly NearDuplicate[] {
  const sorted = [...positions]
    .flatMap(([id, { ratio }]) => (ratio ? [{ id, ratio }] : []))
    .sort((a, b) => sign(b.ratio) - sign(a.ratio) || compare(abs(b.ratio), abs(a.ratio)));
  return sorted.slice(1).flatMap((smaller, i): NearDuplicate[] => {
    const larger = itemAt(sorted, i);
    if (sign(smaller.ratio) !== sign(larger.ratio) || equals(smaller.ratio, larger.ratio)) return [];
    const apart = 100 * (1 - toNumber(smaller.ratio) / toNumber(larger.ratio));
    return apart < NEAR_PER_CENT ? [{ ids: [larger.id, smaller.id], apart }] : [];
  });
}
