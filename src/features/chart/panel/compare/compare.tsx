'use client';

import { useMemo, useState } from 'react';
import { chartOf, compareCharts, type Chart, type MatchBy, type Pairing } from '@/core/gear-chart';
import { toNumber } from '@/core/rational';
import type { Train } from '@/core/train';
import { figure } from '@/core/units';
import { useTrain } from '@/features/train/use-train';
import type { Column } from '@/ui/column';
import { DataTable } from '@/ui/data-table';
import { usePreferences } from '@/ui/preferences';
import { useSettled } from '@/ui/settled';
import { percent } from '../../table/row-figures';
import { useChart, useRows } from '../../use-chart';
import { ratioColumn } from '../ratio-column';
import { LadderPlot } from '../pictures/ladder';
import { AgainstChoice } from './against-choice';
import { WhatIf } from './what-if';

/** Two charts side by side: this one, and another train, a kept state, or this train with other counts. */
export function ComparePane() {
  const mine = useRows();
  const name = useTrain((state) => state.train.name);
  const theirTrain = useTheirs();
  const against = useChart((state) => state.against);
  const [by, setBy] = useState<MatchBy>('name');
  const theirs = useMemo(() => chartOf(theirTrain), [theirTrain]);
  const pairs = useMemo(() => compareCharts(mine, theirs, by), [mine, theirs, by]);
  const theirName = against.kind === 'itself' ? 'with other counts' : against.name;
  const both = useMemo(
    () => [
      { name, chart: mine },
      { name: theirName, chart: theirs },
    ],
    [name, mine, theirName, theirs],
  );
  const charts = useSettled(both);
  return (
    <>
      <div className="flex flex-wrap items-end gap-x-5 gap-y-1 text-sm">
        <AgainstChoice />
        <fieldset className="flex items-center gap-3 pb-1">
          <legend className="sr-only">Rows are matched by</legend>
          <span className="muted">Rows matched by</span>
          {(['name', 'ratio'] as const).map((one) => (
            <label key={one} className="flex cursor-pointer items-center gap-1.5">
              <input
                type="radio"
                name="match-by"
                className="radio radio-xs"
                checked={by === one}
                onChange={() => setBy(one)}
              />
              {one === 'name' ? 'name' : 'nearest ratio'}
            </label>
          ))}
        </fieldset>
      </div>
      <div className="mt-2 grid gap-x-8 gap-y-3 lg:grid-cols-[auto_minmax(24rem,1fr)]">
        <Pairs pairs={pairs} theirName={theirName} />
        <div className="min-w-0">
          <LadderPlot charts={charts} />
          <Sums mine={mine} theirs={theirs} theirName={theirName} />
          <WhatIf theirs={theirTrain} />
        </div>
      </div>
    </>
  );
}

/** The other side, with the counts that are tried there. */
function useTheirs(): Train {
  const own = useTrain((state) => state.train);
  const against = useChart((state) => state.against);
  const whatIf = useChart((state) => state.whatIf);
  const base = against.kind === 'itself' ? own : against.train;
  return useMemo(
    () => ({ ...base, gears: base.gears.map((gear) => ({ ...gear, teeth: whatIf[gear.id] ?? gear.teeth })) }),
    [base, whatIf],
  );
}

function Pairs({ pairs, theirName }: { pairs: readonly Pairing[]; theirName: string }) {
  const convention = usePreferences((state) => state.convention);
  const columns: Column<Pairing>[] = [
    { head: 'This chart', value: ({ mine }) => mine?.name ?? null, cell: ({ mine }) => mine?.name ?? '—' },
    ratioColumn(`Ratio, ${convention}`, convention, ({ mine }) => mine?.solved.ratio ?? null),
    { head: theirName, value: ({ theirs }) => theirs?.name ?? null, cell: ({ theirs }) => theirs?.name ?? '—' },
    ratioColumn(`Ratio there, ${convention}`, convention, ({ theirs }) => theirs?.solved.ratio ?? null),
    {
      head: 'Differs, %',
      title: 'Their ratio in/out against this one',
      numeric: true,
      value: ({ difference }) => difference,
      cell: ({ difference }) => (difference === null ? '—' : percent(difference)),
    },
  ];
  return (
    <DataTable
      label="Charts compared"
      rows={pairs}
      columns={columns}
      keyOf={({ mine, theirs }) => `${mine?.id ?? ''} ${theirs?.id ?? ''}`}
    />
  );
}

/** What both charts come to. */
function Sums({ mine, theirs, theirName }: { mine: Chart; theirs: Chart; theirName: string }) {
  const steps = ({ rows }: Chart) => rows.flatMap(({ step }) => (step ? [toNumber(step)] : []));
  const range = (values: readonly number[]) =>
    values.length > 0 ? `${figure(Math.min(...values))} to ${figure(Math.max(...values))}` : '—';
  const lines: readonly (readonly [string, (chart: Chart) => string])[] = [
    ['Forward', ({ forward }) => String(forward.count)],
    ['Spread', ({ forward }) => (forward.spread ? figure(toNumber(forward.spread)) : '—')],
    ['Steps', (chart) => range(steps(chart))],
  ];
  return (
    <table className="mt-1 text-sm" aria-label="What both charts come to">
      <thead className="muted text-left">
        <tr>
          <th />
          <th className="pr-5 font-normal">this chart</th>
          <th className="font-normal">{theirName}</th>
        </tr>
      </thead>
      <tbody>
        {lines.map(([word, of]) => (
          <tr key={word}>
            <th scope="row" className="muted pr-4 text-left font-normal">
              {word}
            </th>
            <td className="figure pr-5">{of(mine)}</td>
            <td className="figure">{of(theirs)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
