'use client';

import {
  createColumnHelper,
  flexRender,
  getCoreRowModel,
  getSortedRowModel,
  useReactTable,
  type SortingState,
} from '@tanstack/react-table';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useMemo, useState } from 'react';
import { figure } from '@/core/units';
import { memberName } from '@/core/words';
import { useScale } from '@/features/train/input/loads';
import { useExplained } from '@/features/train/use-explained';
import { useTrain, useLight } from '@/features/train/use-train';
import { memberColor } from '@/figures/member-colors';
import { TableButtons } from '@/ui/table-buttons';
import { useCard } from '../use-bench';
import { figureRow, figuresTable, type FigureRow } from './figure-rows';

const column = createColumnHelper<FigureRow>();

/** Every member's speed, direction, torque and power for what is put in; sorted by any column, copied as a table. */
export function FiguresTable() {
  const train = useTrain((state) => state.train);
  const light = useLight();
  const { figures } = useExplained();
  const typed = useScale();
  const [sorting, setSorting] = useState<SortingState>([]);
  const rows = useMemo(
    () => figures.map((row) => figureRow(row, memberName(train, row.id), typed)),
    [figures, train, typed],
  );
  const columns = useMemo(
    () => [
      column.accessor('name', {
        header: 'Member',
        cell: ({ row: { original } }) => <MemberName row={original} color={memberColor(train, original.id)} />,
      }),
      column.accessor('speed', {
        header: `Speed, ${typed.speed.unit}`,
        sortUndefined: 'last',
        cell: ({ row: { original } }) => (
          <Twice
            top={shown(original.speed)}
            below={original.way}
            exact={original.exact === null ? 'undetermined' : `exactly ${original.exact} per input turn`}
          />
        ),
      }),
      column.accessor('torque', {
        header: `Torque, ${typed.torque.unit}`,
        cell: ({ getValue }) => <Twice top={shown(getValue())} />,
      }),
      column.accessor('power', { header: 'Power, W', cell: ({ getValue }) => <Twice top={shown(getValue())} /> }),
    ],
    [train, typed.speed.unit, typed.torque.unit],
  );
  // The table's own functions change with every render; nothing here is kept from one to the next.
  // eslint-disable-next-line react-hooks/incompatible-library
  const table = useReactTable({
    data: rows,
    columns,
    state: { sorting },
    onSortingChange: setSorting,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
  });
  return (
    <section aria-label="Figures" className="mt-2.5">
      <div className="flex justify-end">
        <TableButtons
          name="figures"
          table={() =>
            figuresTable(
              table.getRowModel().rows.map(({ original }) => original),
              typed,
            )
          }
        />
      </div>
      <table className="w-full text-sm [&_td]:py-0.5 [&_td:not(:first-child)]:text-right [&_th:not(:first-child)]:text-right">
        <thead className="muted">
          {table.getHeaderGroups().map((group) => (
            <tr key={group.id}>
              {group.headers.map((header) => {
                const sorted = header.column.getIsSorted();
                return (
                  <th
                    key={header.id}
                    scope="col"
                    aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : 'none'}
                    className="border-b border-base-300 text-left align-bottom font-normal"
                  >
                    <button
                      type="button"
                      className="leading-tight hover:text-base-content"
                      onClick={header.column.getToggleSortingHandler()}
                    >
                      {flexRender(header.column.columnDef.header, header.getContext())}
                      {sorted === 'asc' && <ArrowUp className="inline size-3" aria-hidden />}
                      {sorted === 'desc' && <ArrowDown className="inline size-3" aria-hidden />}
                    </button>
                  </th>
                );
              })}
            </tr>
          ))}
        </thead>
        <tbody>
          {table.getRowModel().rows.map((row) => (
            <tr
              key={row.original.id}
              className="border-b border-base-300/60 align-top hover:bg-base-200"
              onPointerEnter={() => light({ members: [row.original.id] })}
              onPointerLeave={() => light(null)}
            >
              {row.getVisibleCells().map((cell) => (
                <td key={cell.id}>{flexRender(cell.column.columnDef.cell, cell.getContext())}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="muted mt-1 text-xs">
        Point at a speed for its exact part of an input turn. Torque is what the member transmits.
      </p>
    </section>
  );
}

const shown = (value: number | null): string => (value === null ? '—' : figure(value));

/** A member's name opens its card. */
function MemberName({ row: { id, name, state, carries }, color }: { row: FigureRow; color: string }) {
  const openCard = useCard();
  return (
    <button
      type="button"
      className="w-full text-left hover:underline"
      title={`Change ${name}`}
      onClick={() => openCard({ kind: 'member', id })}
    >
      <Twice top={name} below={state} strong={carries} color={color} />
    </button>
  );
}

function Twice({
  top,
  below,
  exact,
  strong = false,
  color,
}: {
  top: string;
  below?: string;
  exact?: string;
  strong?: boolean;
  color?: string;
}) {
  return (
    <span className="block leading-tight" title={exact}>
      <span className={color ? 'font-semibold' : 'figure'}>
        {color && (
          <span className="mr-1.5 inline-block size-2.5 rounded-full" style={{ background: color }} aria-hidden />
        )}
        {top}
      </span>
      {below && <span className={`block text-xs ${strong ? 'text-primary' : 'muted'}`}>{below}</span>}
    </span>
  );
}
