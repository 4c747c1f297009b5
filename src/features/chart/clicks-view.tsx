'use client';

import type { Click, ClickStretch } from '@/core/gear-chart';
import { couplerName, listed } from '@/core/words';
import { useTrain } from '@/features/train/use-train';
import type { Column } from '@/ui/column';
import { DataTable } from '@/ui/data-table';
import { partsById } from '@/core/train';
import { sequenceOf } from '@/core/gear-chart';
import { modelOf } from '@/core/model';
import { required } from '@/core/required';

/** What the selectors do from each position to the next. */
export function ClicksView() {
  const train = useTrain((state) => state.train);
  const { clicks, unreachable } = required(modelOf(train).derive(sequenceOf));
  const selector = (id: string) => required(required(train.selectors).find((one) => one.id === id)).name || id;
  const position = (id: string) => partsById(train).position(id).name;
  const besides = (ids: readonly string[]) => listed(ids.map((id) => couplerName(train, id)));
  const columns: Column<Click>[] = [
    { head: 'Click', value: ({ from, to }) => `${position(from)} → ${position(to)}` },
    ...required(train.selectors).map(({ id, name }): Column<Click> => ({
      head: `${name || id}, mm`,
      value: ({ moves }) => {
        const move = moves.find((one) => one.selector === id);
        return move ? `${stretch(move.from)} → ${stretch(move.to)}` : null;
      },
    })),
    {
      head: 'Moves',
      numeric: true,
      value: ({ moves }) => moves.length,
    },
    {
      head: 'What to mind',
      value: ({ moves, carries, besides: others }) =>
        [
          carries && `${selector(carries.from)} goes back and carries into ${selector(carries.to)}`,
          !carries && moves.length > 1 && 'moves several at once',
          others.length > 0 && `by other hands: ${besides(others)}`,
        ]
          .filter(Boolean)
          .join('; ') || null,
    },
  ];
  return (
    <>
      {unreachable.length > 0 && (
        <p role="alert" className="mt-1 text-sm text-error">
          No travel gives{' '}
          {listed(unreachable.map((one) => `position ${position(one.position)} on ${selector(one.selector)}`))}: what it
          asks for is never on together there.
        </p>
      )}
      <DataTable
        label="Clicks of the selectors"
        rows={clicks}
        columns={columns}
        keyOf={({ from, to }) => `${from} ${to}`}
      />
    </>
  );
}

/** "0 to 12", "below 4", "above 9". */
const stretch = ({ from, to }: ClickStretch): string =>
  from === -Infinity ? `below ${to}` : to === Infinity ? `above ${from}` : `${from} to ${to}`;
