import { chartOf } from '@/core/gear-chart';
import { toFraction } from '@/core/rational';
import type { Train } from '@/core/train';

/** The shift chart as JSON: exact fractions in text, the ideal step a number. */
export function chartJson(train: Train): unknown {
  const { rows, forward, duplicates } = chartOf(train);
  return {
    positions: rows.map(({ id, name, engaged, solved: { status, ratio }, step }) => ({
      id,
      name,
      engaged: [...engaged].sort(),
      status,
      ratio: ratio && toFraction(ratio),
      step: step && toFraction(step),
    })),
    forward: { ...forward, spread: forward.spread && toFraction(forward.spread) },
    duplicates,
  };
}
