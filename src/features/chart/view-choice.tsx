'use client';

import { useTrain } from '@/features/train/use-train';
import type { ChartView } from './store';
import { useChart } from './use-chart';
import { gridOf, sequenceOf } from '@/core/gear-chart';
import { modelOf } from '@/core/model';

const VIEWS: Record<ChartView, { word: string; title: string }> = {
  rows: { word: 'Rows', title: 'One row for each position' },
  grid: { word: 'Grid', title: 'Groups of couplers against each other: each position engages one of each' },
  clicks: { word: 'Clicks', title: 'What moves when the selectors go from one position to the next' },
};

/** The views that this train's chart has; one that has only rows is given no choice. */
function useViews(): readonly ChartView[] {
  const train = useTrain((state) => state.train);
  return (Object.keys(VIEWS) as ChartView[]).filter(
    (view) =>
      view === 'rows' ||
      (view === 'grid' ? modelOf(train).derive(gridOf) !== null : modelOf(train).derive(sequenceOf) !== null),
  );
}

/** The view that is looked at; rows where the train has not the one that was chosen. */
export function useView(): ChartView {
  const view = useChart((state) => state.view);
  return useViews().includes(view) ? view : 'rows';
}

export function ViewChoice() {
  const views = useViews();
  const view = useView();
  const set = useChart((state) => state.set);
  if (views.length < 2) return null;
  return (
    <fieldset className="join">
      <legend className="sr-only">The chart as</legend>
      {views.map((one) => (
        <input
          key={one}
          type="radio"
          name="chart-view"
          className="btn join-item btn-xs checked:!bg-neutral checked:!text-neutral-content"
          aria-label={VIEWS[one].word}
          title={VIEWS[one].title}
          checked={view === one}
          onChange={() => set({ view: one })}
        />
      ))}
    </fieldset>
  );
}
