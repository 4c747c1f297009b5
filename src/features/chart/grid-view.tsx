'use client';

import clsx from 'clsx';
import { useRef, type KeyboardEvent } from 'react';
import type { CouplerGrid, GridCell } from '@/core/gear-chart';
import { ratioFigure } from '@/core/units';
import { couplerName, listed } from '@/core/words';
import { choosePosition } from '@/features/train/choosing';
import { useGoTo } from '@/features/train/frame/screens-row';
import { useNow, useTrain, useTrainStore } from '@/features/train/use-train';
import { usePreferences } from '@/ui/preferences';
import { moveFocus } from './table/cell-keys';
import { partsById } from '@/core/train';
import { gridOf } from '@/core/gear-chart';
import { modelOf } from '@/core/model';
import { itemAt, required } from '@/core/required';

const HEAD = 'muted sticky bg-base-100 px-2 py-1 font-normal';

/**
 * The chart as a grid: a line for each range, and across all that is combined with it; where that is too much for one
 * line, only the widest group goes across. The darker a cell, the larger its ratio.
 */
export function GridView() {
  const train = useTrain((state) => state.train);
  const grid = required(modelOf(train).derive(gridOf));
  const table = useRef<HTMLTableElement>(null);
  const convention = usePreferences((state) => state.convention);
  const name = (id: string) => couplerName(train, id);
  const across = acrossOf(grid);
  const down = grid.groups.map((_, g) => g).filter((g) => !across.includes(g));
  const lines = combinations(down.map((g) => itemAt(grid.groups, g)));
  const columns = combinations(across.map((g) => itemAt(grid.groups, g)));
  const overlaps = grid.cells.filter((cell) => cell.overlaps).length;
  const press = (event: KeyboardEvent) => {
    if (!moveFocus(event.key, event.target as Element, required(table.current))) return;
    event.preventDefault();
    event.stopPropagation();
  };
  const rowNames = (ids: readonly string[]) =>
    train.positions.filter(({ id }) => ids.includes(id)).map((one) => one.name);
  return (
    <div className="w-max">
      <table
        ref={table}
        role="grid"
        aria-label="Grid of positions"
        className="border-separate border-spacing-0 text-sm"
        onKeyDown={press}
      >
        <thead>
          {across.map((g, level) => (
            <tr key={g}>
              {level === 0 &&
                down.map((d) => (
                  <th
                    key={d}
                    scope="col"
                    rowSpan={across.length}
                    className={clsx(HEAD, 'top-0 left-0 z-20 text-left align-bottom')}
                  >
                    {d === 0 ? 'Range' : 'with'}
                  </th>
                ))}
              {spans(columns, level).map(({ id, span }, i) => (
                <th
                  key={i}
                  scope="col"
                  colSpan={span}
                  className={clsx(HEAD, span > 1 ? 'border-l border-base-300 text-left' : 'text-right')}
                >
                  {name(id)}
                </th>
              ))}
            </tr>
          ))}
        </thead>
        <tbody>
          {lines.map((line, i) => (
            <tr key={line.join()}>
              {line.map((id, d) => (
                <th
                  key={down[d]}
                  scope="row"
                  className={clsx(
                    'bg-base-100 px-2 text-left',
                    d === 0 ? 'sticky left-0 z-10 font-semibold' : 'font-normal',
                  )}
                >
                  {d > 0 || lines[i - 1]?.[0] !== id ? name(id) : <span className="sr-only">{name(id)}</span>}
                </th>
              ))}
              {columns.map((column) => (
                <Cell
                  key={column.join()}
                  cell={grid.cells.find(
                    ({ at }) => down.every((g, d) => at[g] === line[d]) && across.every((g, a) => at[g] === column[a]),
                  )}
                  convention={convention}
                  begins={down.length > 1 && i > 0 && itemAt(lines, i - 1)[0] !== line[0]}
                />
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="muted mt-2 max-w-3xl text-xs">
        The larger the ratio, the darker the cell.
        {overlaps > 0 && ` ${overlaps} ratios marked ∩ lie within another range too.`}
        {grid.always.length > 0 && ` Always engaged: ${listed(grid.always.map(name))}.`}
        {grid.outside.length > 0 && ` Outside the grid, as they do not drive: ${listed(rowNames(grid.outside))}.`}
      </p>
    </div>
  );
}

function Cell({
  cell,
  convention,
  begins,
}: {
  cell: GridCell | undefined;
  convention: 'in/out' | 'out/in';
  begins: boolean;
}) {
  const store = useTrainStore();
  const goTo = useGoTo();
  const { positionId } = useNow();
  const name = useTrain(({ train }) => partsById(train).find.position(cell?.position)?.name ?? '');
  if (!cell) return <td className={clsx('muted px-2 text-center', begins && 'border-t border-base-content')}>—</td>;
  const chosen = cell.position === positionId;
  const shade = Math.round(4 + 30 * (1 - cell.rank));
  return (
    <td
      className={clsx('p-px', begins && 'border-t border-base-content')}
      aria-selected={chosen}
      style={{ background: `color-mix(in oklab, var(--color-base-content) ${shade}%, var(--color-base-100))` }}
    >
      <button
        type="button"
        data-cell
        tabIndex={chosen ? 0 : -1}
        aria-label={`${name}: ${ratioFigure(cell.ratio, convention)}`}
        className={clsx(
          'w-full min-w-18 px-1.5 py-0.5 text-right outline-offset-[-2px]',
          chosen && 'bg-base-100 ring-2 ring-primary',
        )}
        title={`Position ${name}${cell.overlaps ? ', within another range too' : ''}. Enter looks at it on the Bench.`}
        onClick={() => choosePosition(store, cell.position)}
        onKeyDown={(event) => {
          if (event.key !== 'Enter') return;
          event.preventDefault();
          event.stopPropagation();
          choosePosition(store, cell.position);
          goTo('');
        }}
      >
        <span className="mr-2 text-xs opacity-80">
          {cell.overlaps && '∩ '}
          {name}
        </span>
        <span className="figure">{ratioFigure(cell.ratio, convention)}</span>
      </button>
    </td>
  );
}

/** Columns that have room in one line. */
const MOST_ACROSS = 12;

/** The groups that go across: all but the ranges where they have room, else the one with the most members. */
function acrossOf({ groups }: CouplerGrid): readonly number[] {
  const others = groups.slice(1).map((_, g) => g + 1);
  if (others.reduce((product, g) => product * itemAt(groups, g).length, 1) <= MOST_ACROSS) return others;
  return [others.reduce((best, g) => (itemAt(groups, g).length >= itemAt(groups, best).length ? g : best))];
}

/** The heads of one level of columns: what stands in several next to each other is told once. */
function spans(columns: readonly (readonly string[])[], level: number): readonly { id: string; span: number }[] {
  const found: { id: string; span: number }[] = [];
  columns.forEach((column, i) => {
    const before = columns[i - 1];
    const same = before && column.slice(0, level + 1).every((id, l) => id === before[l]);
    if (same) itemAt(found, -1).span++;
    else found.push({ id: itemAt(column, level), span: 1 });
  });
  return found;
}

function combinations(groups: readonly (readonly string[])[]): readonly (readonly string[])[] {
  return groups.reduce<readonly (readonly string[])[]>(
    (made, group) => made.flatMap((line) => group.map((id) => [...line, id])),
    [[]],
  );
}
