'use client';

import { useEffect, useState } from 'react';
import { useScreenKeys } from '@/features/train/frame/screen-keys';
import { LossesChoice } from '@/features/train/input/flow-choice';
import { InputFields } from '@/features/train/input/input-fields';
import { Notice } from '@/features/train/notice';
import { onDemand, whenIdle } from '@/ui/on-demand';
import { ChartButtons } from './chart-buttons';
import { GridView } from './grid-view';
import { chartKeys, CHART_KEYS } from './keys';
import { NoRows } from './no-rows';
import { ChartPanel } from './panel/panel';
import { PasteDialogOnDemand } from './paste/on-demand';
import { usePasted } from './paste/clipboard';
import { ChartTable } from './table/chart-table';
import { Totals } from './totals';
import { useRows } from './use-chart';
import { useView, ViewChoice } from './view-choice';
import { WrittenPosition } from './written-position';

const ClicksView = onDemand(async () => (await import('./clicks-view')).ClicksView);

/** The chart, and below it a line for another position. */
const RowsView = () => (
  <>
    <ChartTable />
    <WrittenPosition />
  </>
);

/**
 * Every position in one table: what is engaged, what comes out and how large the steps are; below it, what follows from
 * that.
 */
export function ChartScreen() {
  const { rows } = useRows();
  const view = useView();
  const [pasted, setPasted] = useState<string | null>(null);
  usePasted(setPasted);
  useScreenKeys(CHART_KEYS, chartKeys);
  useEffect(() => whenIdle([ClicksView.load, PasteDialogOnDemand.load]), []);
  return (
    <main className="relative flex min-h-0 flex-1 flex-col pt-2">
      <h2 className="sr-only">Shift chart</h2>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1 px-4 pb-1.5">
        <ViewChoice />
        {rows.length > 0 && <Totals />}
        <span className="flex-1" />
        <ChartButtons onPaste={() => setPasted('')} />
        <LossesChoice />
        <InputFields inline />
      </div>
      {rows.length === 0 ? (
        <NoRows />
      ) : (
        <div className="max-h-[52%] min-h-32 shrink-0 overflow-auto px-4 contain-content" tabIndex={-1}>
          {view === 'rows' ? <RowsView /> : view === 'grid' ? <GridView /> : <ClicksView.Shown />}
        </div>
      )}
      <ChartPanel />
      {pasted !== null && <PasteDialogOnDemand.Shown text={pasted} onClose={() => setPasted(null)} />}
      <Notice />
    </main>
  );
}
