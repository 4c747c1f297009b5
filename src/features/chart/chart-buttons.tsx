'use client';

import { ArrowDownWideNarrow, ClipboardPaste, Plus, Workflow } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useCallback, useContext, useMemo } from 'react';
import { planetarySetsOf, type Train } from '@/core/train';
import { useTyped } from '@/features/train/input/typed-input';
import { SessionContext, useNow, useTrain } from '@/features/train/use-train';
import { usePreferences } from '@/ui/preferences';
import { TableButtons } from '@/ui/table-buttons';
import { useEdits } from './edits';
import { useCopied } from './paste/clipboard';
import { chartText } from './table/chart-text';
import { useIdeals, useRows } from './use-chart';

/** What can be done with the whole chart. */
export function ChartButtons({ onPaste }: { onPaste: () => void }) {
  const chart = useRows();
  const ideals = useIdeals();
  const train = useTrain((state) => state.train);
  const convention = usePreferences((state) => state.convention);
  const typed = useTyped();
  const { sort, add } = useEdits();
  const { engaged, positionId } = useNow();
  const table = useCallback(
    () => chartText(chart, train.couplers, ideals, convention, typed),
    [chart, train, ideals, convention, typed],
  );
  useCopied(table);
  return (
    <span className="flex flex-wrap">
      <button
        type="button"
        className="btn btn-ghost btn-xs"
        title="Add a position that engages what is engaged now, after the chosen one (Insert)"
        onClick={() => add(engaged, positionId)}
      >
        <Plus className="size-3.5" aria-hidden /> Add
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-xs"
        title="Put the positions in the order of their ratios, forward ones first; undo brings the old order back"
        disabled={chart.rows.length < 2}
        onClick={sort}
      >
        <ArrowDownWideNarrow className="size-3.5" aria-hidden /> Sort
      </button>
      <TableButtons name={`${train.name} chart`} table={table} />
      <button
        type="button"
        className="btn btn-ghost btn-xs"
        title="Read positions out of a table, such as one copied from a spreadsheet (Ctrl V)"
        onClick={onPaste}
      >
        <ClipboardPaste className="size-3.5" aria-hidden /> Paste
      </button>
      <SchemesDoor train={train} />
    </span>
  );
}

/** To what else could be made of the sets of this train. */
function SchemesDoor({ train }: { train: Train }) {
  const router = useRouter();
  const id = useContext(SessionContext)?.id ?? null;
  const hasSets = useMemo(() => planetarySetsOf(train).length > 0, [train]);
  if (!hasSets) return null;
  const open = async () => {
    const { addressOfSets } = await import('@/features/train/scheme-address');
    router.push(addressOfSets(train, id) ?? '/schemes');
  };
  return (
    <button
      type="button"
      className="btn btn-ghost btn-xs"
      title="What else could be made of these planetary sets"
      onClick={() => void open()}
    >
      <Workflow className="size-3.5" aria-hidden /> Other schemes
    </button>
  );
}
