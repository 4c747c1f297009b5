import { abs, compare, sign } from '../rational';
import type { Train } from '../train';
import { modelOf } from '../model';
import { itemAt } from '../required';

/**
 * Positions that drive the output one way, the slowest first: forward ones, or, where there is none, those in reverse.
 * Of equal ratios the first stands for all.
 */
export function orderOf(train: Train): readonly string[] {
  const { solvedIn } = modelOf(train);
  const driving = train.positions.flatMap(({ id }) => {
    const { ratio } = solvedIn(id);
    return ratio && sign(ratio) !== 0 ? [{ id, ratio }] : [];
  });
  const forward = driving.filter(({ ratio }) => sign(ratio) > 0);
  const sorted = (forward.length > 0 ? forward : driving).sort((a, b) => compare(abs(b.ratio), abs(a.ratio)));
  return sorted
    .filter(({ ratio }, i) => i === 0 || compare(abs(ratio), abs(itemAt(sorted, i - 1).ratio)) !== 0)
    .map(({ id }) => id);
}
