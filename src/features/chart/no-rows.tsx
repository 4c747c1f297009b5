'use client';

import { couplerName, listed } from '@/core/words';
import { useNow, useTrain } from '@/features/train/use-train';
import { useEdits } from './edits';
import { WrittenPosition } from './written-position';

/** What the chart is for, where a train has no position yet, and the first one with one press. */
export function NoRows() {
  const train = useTrain((state) => state.train);
  const { engaged } = useNow();
  const { add } = useEdits();
  return (
    <div className="mx-auto flex max-w-md flex-col items-center gap-3 py-6 text-center">
      <p>
        The chart lists a train’s positions: what is engaged in each, its ratio, and how large the step to the next one
        is. This train has no position yet. A chart copied from a spreadsheet can be pasted here.
      </p>
      <button type="button" className="btn btn-neutral btn-sm" onClick={() => add(engaged, null)}>
        Keep what is engaged now as position 1
      </button>
      <p className="text-sm">Or write one: its name, “=” and what is engaged.</p>
      <WrittenPosition />
      <p className="muted text-sm">
        {engaged.length > 0
          ? `Engaged: ${listed(engaged.map((id) => couplerName(train, id)))}.`
          : 'Nothing is engaged.'}
      </p>
    </div>
  );
}
