'use client';

import {
  flexRender,
  getCoreRowModel,
  getSortedRowModel,
  useReactTable,
  type ColumnDef,
  type SortingState,
} from '@tanstack/react-table';
import clsx from 'clsx';
import { ArrowDown, ArrowUp, ChevronDown, ChevronRight } from 'lucide-react';
import { Fragment, useMemo, useRef, useState, type ReactNode } from 'react';
import type { Column } from './column';
import { TableButtons } from './table-buttons';
import { ColumnChoice, useColumns } from './table-columns';
import type { Table } from './table-text';
import { useSteadyColumns, useVisibleRows } from './visible-rows';
import { itemAt } from '@/core/required';

interface Props<Row> {
  /** What the table is, for screen readers and for the name of its file. */
  readonly label: string;
  /** By what the choice of its columns is remembered, where its label changes. */
  readonly kind?: string;
  readonly rows: readonly Row[];
  readonly columns: readonly Column<Row>[];
  readonly keyOf: (row: Row) => string;
  /** What stands left of the buttons. */
  readonly beside?: ReactNode;
  readonly chosen?: (row: Row) => boolean;
  /** No cell breaks its text: the table grows wider than its place instead. */
  readonly oneLine?: boolean;
  /** Makes rows pressable: anywhere with the mouse, by their first cell with the keyboard. */
  readonly onChoose?: (row: Row) => void;
}

/**
 * A table that sorts by any column, is copied and saved, with all its rows; its head and first column stay in view. Of
 * a long one only what is in sight is drawn.
 */
export function DataTable<Row>({
  label,
  kind = label,
  rows,
  columns: all,
  keyOf,
  beside,
  chosen,
  oneLine = false,
  onChoose,
}: Props<Row>) {
  const { shown: columns, folded } = useColumns(kind, all);
  const [opened, setOpened] = useState<ReadonlySet<string>>(NONE);
  const [sorting, setSorting] = useState<SortingState>([]);
  const defined = useMemo(
    () =>
      columns.map(({ head, value, cell }, i): ColumnDef<Row> => ({
        id: `${i}`,
        header: head,
        accessorFn: (row) => value(row) ?? undefined,
        sortUndefined: 'last',
        cell: ({ row: { original } }) => (cell ? cell(original) : (value(original) ?? '')),
      })),
    [columns],
  );
  // The table's own functions change with every render; nothing here is kept from one to the next.
  // eslint-disable-next-line react-hooks/incompatible-library
  const table = useReactTable<Row>({
    data: rows as Row[],
    columns: defined,
    state: { sorting },
    onSortingChange: setSorting,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
    getRowId: keyOf,
  });
  const head = useRef<HTMLTableRowElement>(null);
  const body = useRef<HTMLTableSectionElement>(null);
  const sorted = table.getRowModel().rows;
  const { places, abovePx, belowPx, measure } = useVisibleRows(sorted.length, body);
  useSteadyColumns(head, measure !== undefined);
  const asText = (): Table => ({
    head: all.map(({ head }) => head),
    rows: sorted.map(({ original }) => all.map(({ value }) => plain(value(original)))),
  });
  return (
    <section aria-label={label} className="w-fit min-w-72">
      <div className={clsx('flex items-center gap-3 py-1', oneLine && 'sticky left-0 z-30 w-fit')}>
        <div className="min-w-0 flex-1 text-sm">{beside}</div>
        {all.some(({ less }) => less) && (
          <ColumnChoice
            kind={kind}
            heads={all.slice(1).map(({ head }) => head)}
            shown={new Set(columns.map(({ head }) => head))}
          />
        )}
        <TableButtons name={label} table={asText} />
      </div>
      <table className="border-separate border-spacing-0 text-sm" aria-rowcount={measure && sorted.length + 1}>
        <thead>
          {table.getHeaderGroups().map((group) => (
            <tr key={group.id} ref={head}>
              {group.headers.map((header, i) => {
                const direction = header.column.getIsSorted();
                const { numeric, title } = itemAt(columns, i);
                return (
                  <th
                    key={header.id}
                    scope="col"
                    title={title}
                    aria-sort={direction === 'asc' ? 'ascending' : direction === 'desc' ? 'descending' : 'none'}
                    className={clsx(
                      'muted sticky top-0 border-b border-base-content bg-base-100 px-2 py-1 align-bottom font-normal',
                      numeric ? 'text-right' : 'text-left',
                      i === 0 ? 'left-0 z-20' : 'z-10',
                    )}
                  >
                    <button
                      type="button"
                      className="max-w-40 [text-align:inherit] text-inherit leading-tight hover:text-base-content"
                      onClick={header.column.getToggleSortingHandler()}
                    >
                      {flexRender(header.column.columnDef.header, header.getContext())}
                      <SortArrow direction={direction} />
                    </button>
                  </th>
                );
              })}
            </tr>
          ))}
        </thead>
        <tbody ref={body}>
          <RowsOutOfSight px={abovePx} columns={columns.length} />
          {places.map((place) => {
            const row = itemAt(sorted, place);
            const isOpen = folded.length > 0 && opened.has(row.id);
            const open = () => setOpened(isOpen ? without(opened, row.id) : new Set([...opened, row.id]));
            return (
              <Fragment key={row.id}>
                <tr
                  ref={measure}
                  data-index={place}
                  aria-rowindex={measure && place + 2}
                  aria-current={chosen?.(row.original) || undefined}
                  className={clsx(
                    'hover:bg-base-200',
                    onChoose && 'cursor-pointer',
                    chosen?.(row.original) ? 'bg-base-200' : 'bg-base-100',
                  )}
                  onClick={onChoose && (() => onChoose(row.original))}
                >
                  {row.getVisibleCells().map((cell, i) => {
                    const Cell = i === 0 ? 'th' : 'td';
                    const shown = flexRender(cell.column.columnDef.cell, cell.getContext());
                    return (
                      <Cell
                        key={cell.id}
                        scope={i === 0 ? 'row' : undefined}
                        className={clsx(
                          'border-b border-base-300/60 px-2 py-1 font-normal',
                          i === 0 && 'sticky left-0 bg-inherit',
                          itemAt(columns, i).numeric ? 'figure text-right whitespace-nowrap' : 'text-left',
                          oneLine && 'whitespace-nowrap',
                        )}
                      >
                        {i === 0 && onChoose ? <RowButton>{shown}</RowButton> : shown}
                        {i === 0 && folded.length > 0 && <MoreButton open={isOpen} onPress={open} />}
                      </Cell>
                    );
                  })}
                </tr>
                {isOpen && <FoldedCells row={row.original} folded={folded} columns={columns.length} />}
              </Fragment>
            );
          })}
          <RowsOutOfSight px={belowPx} columns={columns.length} />
        </tbody>
      </table>
    </section>
  );
}

const NONE: ReadonlySet<string> = new Set();

function without(all: ReadonlySet<string>, one: string): ReadonlySet<string> {
  const left = new Set(all);
  left.delete(one);
  return left;
}

/** Opens what is folded into a row. */
const MoreButton = ({ open, onPress }: { open: boolean; onPress: () => void }) => (
  <button
    type="button"
    className="ml-1 inline-flex size-6 items-center justify-center align-middle hover:bg-base-300"
    aria-expanded={open}
    aria-label="More of this row"
    onClick={(event) => {
      event.stopPropagation();
      onPress();
    }}
  >
    {open ? <ChevronDown className="size-3.5" aria-hidden /> : <ChevronRight className="size-3.5" aria-hidden />}
  </button>
);

interface FoldedProps<Row> {
  readonly row: Row;
  readonly folded: readonly Column<Row>[];
  readonly columns: number;
}

/** What is folded into a row, under it. */
function FoldedCells<Row>({ row, folded, columns }: FoldedProps<Row>) {
  const told = folded.filter(({ value }) => (value(row) ?? '') !== '');
  return (
    <tr>
      <td colSpan={columns} className="max-w-0 border-b border-base-300/60 px-2 pt-0.5 pb-1.5 pl-8">
        <dl className="flex flex-wrap gap-x-4 gap-y-0.5">
          {told.map(({ head, title, value, cell, numeric }) => (
            <div key={head} className="flex gap-1.5" title={title}>
              <dt className="muted">{head}</dt>
              <dd className={clsx('min-w-0', numeric && 'figure')}>{cell ? cell(row) : value(row)}</dd>
            </div>
          ))}
          {told.length === 0 && <dt className="muted">There is no more of it.</dt>}
        </dl>
      </td>
    </tr>
  );
}

/** A press on the row chooses it; from the keyboard this does. */
const RowButton = ({ children }: { children: ReactNode }) => (
  <button type="button" className="text-left text-inherit">
    {children}
  </button>
);

function SortArrow({ direction }: { direction: false | 'asc' | 'desc' }) {
  const Arrow = direction === 'asc' ? ArrowUp : ArrowDown;
  return direction && <Arrow className="inline size-3" aria-hidden />;
}

/** Room for the rows that are not drawn. */
function RowsOutOfSight({ px, columns }: { px: number; columns: number }) {
  if (px <= 0) return null;
  return (
    <tr aria-hidden>
      <td colSpan={columns} style={{ height: px }} className="p-0" />
    </tr>
  );
}

/** A value as a spreadsheet reads it. */
const plain = (value: string | number | null): string =>
  value === null ? '' : typeof value === 'number' ? String(Number(value.toPrecision(7))) : value;
