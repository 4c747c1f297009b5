'use client';

import { InputFields } from '@/features/train/input/input-fields';
import { Notice } from '@/features/train/notice';
import { useTrain } from '@/features/train/use-train';
import { ChartTable } from './chart-table';
import { chartFor } from './charts';
import { NoRows } from './no-rows';
import { Totals } from './totals';

/** Every position in one table: what is engaged, what comes out, and how large the steps are. */
export function Screen() {
  const chart = useTrain(({ train, losses }) => chartFor(train, losses));
  return (
    <main className="relative flex min-h-0 flex-1 flex-col gap-3 px-4 py-3">
      <div className="flex flex-wrap items-start gap-x-8 gap-y-2">
        <h2 className="text-lg font-semibold">Shift chart</h2>
        <span className="flex-1" />
        <InputFields />
      </div>
      {chart.rows.length === 0 ? (
        <NoRows />
      ) : (
        <>
          <Totals chart={chart} />
          <ChartTable chart={chart} />
        </>
      )}
      <Notice />
    </main>
  );
}
