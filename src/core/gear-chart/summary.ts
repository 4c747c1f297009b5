import { abs, compare, div, sign, toFraction, entryAt } from '../rational';
import type { Train } from '../train';
import { modelOf } from '../model';
import { itemAt } from '../required';

/**
 * What a shelf says of a train; ratios (input turns per output turn, sizes) as exact fractions, so that it can be kept
 * as JSON.
 */
export interface TrainSummary {
  readonly notes: string;
  readonly positions: number;
  /** Smallest and largest ratio of the positions that drive; null where none has one. */
  readonly ratios: { readonly least: string; readonly most: string } | null;
  /** Largest forward ratio over the smallest; null with fewer than two. */
  readonly spread: string | null;
}

export function summariseTrain(train: Train): TrainSummary {
  const ratios = [...modelOf(train).positions().values()].flatMap(({ ratio }) => (ratio ? [ratio] : []));
  const sizes = ratios.map(abs).sort(compare);
  const forward = ratios.filter((ratio) => sign(ratio) > 0).sort(compare);
  return {
    notes: train.notes ?? '',
    positions: train.positions.length,
    ratios: sizes.length > 0 ? { least: toFraction(entryAt(sizes, 0)), most: toFraction(itemAt(sizes, -1)) } : null,
    spread: forward.length > 1 ? toFraction(div(itemAt(forward, -1), entryAt(forward, 0))) : null,
  };
}
