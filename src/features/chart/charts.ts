import { chartOf, type Chart } from '@/core/gear-chart';
import type { Train } from '@/core/train';
import { DOCUMENTS, Recent } from '@/features/train/recent';

const charts = new Recent<Train, Partial<Record<'ideal' | 'lossy', Chart>>>(DOCUMENTS);

/** A train's chart, worked out when it is first asked for. */
export function chartFor(train: Train, losses: boolean): Chart {
  const known = charts.get(train) ?? {};
  if (!charts.get(train)) charts.set(train, known);
  return (known[losses ? 'lossy' : 'ideal'] ??= chartOf(train, { losses }));
}
