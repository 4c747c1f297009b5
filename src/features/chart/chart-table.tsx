'use client';

import clsx from 'clsx';
import { useRef, type KeyboardEvent } from 'react';
import type { Chart } from '@/core/gear-chart';
import type { Coupler } from '@/core/train';
import { couplerWords } from '@/core/words';
import { choosePosition } from '@/features/train/choosing';
import { documents } from '@/features/train/documents';
import { editTrain } from '@/features/train/edit';
import { useTyped } from '@/features/train/input/typed-input';
import { useNow, useTrain, useTrainStore } from '@/features/train/use-train';
import { decidesForItself } from '@/features/train/words';
import { usePreferences } from '@/ui/preferences';
import { CouplerCell } from './coupler-cell';
import { rowFigures } from './row-figures';
import { ShiftCell } from './shift-cell';
import { shiftsFor } from './shifts';

const CELL = 'border-b border-base-300/60 px-2 py-1';
const HEAD =
  'sticky top-0 z-10 border-b border-base-content bg-base-100 px-2 py-1 text-left align-bottom font-normal muted';

/** The shift chart: a row for each position, a column for each coupler, and what comes out. Arrow keys move, Space engages. */
export function ChartTable({ chart }: { chart: Chart }) {
  const store = useTrainStore();
  const couplers = useTrain(({ train }) => train.couplers);
  const shifts = useTrain(({ train }) => shiftsFor(train));
  const { positionId: chosen } = useNow();
  const convention = usePreferences((state) => state.convention);
  const typed = useTyped();
  const table = useRef<HTMLTableElement>(null);
  const toggle = async (id: string, engaged: readonly string[], coupler: string) => {
    const { engageInPosition } = await documents();
    const next = engaged.includes(coupler) ? engaged.filter((other) => other !== coupler) : [...engaged, coupler];
    const changed = engageInPosition(store.getState().train, id, next);
    if (!changed.ok) return store.getState().set({ notice: changed.message });
    editTrain(store, changed.train);
    choosePosition(store, id);
  };
  return (
    <div className="min-h-0 overflow-auto" tabIndex={-1}>
      <table
        ref={table}
        role="grid"
        aria-label="Shift chart"
        className="border-separate border-spacing-0 text-sm"
        onKeyDown={(event) => moveFocus(event, table.current!)}
      >
        <thead>
          <tr>
            <th scope="col" className={clsx(HEAD, 'left-0 z-20')}>
              Position
            </th>
            {couplers.map((coupler) => (
              <CouplerHead key={coupler.id} coupler={coupler} />
            ))}
            <NumberHead title="in/out: input turns for one turn of the output. out/in: output turns for one of the input.">
              Ratio, {convention}
            </NumberHead>
            <th scope="col" className={HEAD}>
              Way
            </th>
            <NumberHead title="This ratio over the next forward one, in/out">Step</NumberHead>
            <NumberHead title="How far the step is from the even one">off even, %</NumberHead>
            <th scope="col" className={HEAD} title="To the next row that neither locks, is neutral nor runs in reverse">
              Shift
            </th>
            <NumberHead title="Of the first output, for the input speed">Output, {typed.speed.unit}</NumberHead>
            <NumberHead title="Of the first output, for the input torque">Output, {typed.torque.unit}</NumberHead>
          </tr>
        </thead>
        <tbody>
          {chart.rows.map((row, i) => {
            const told = rowFigures(row, chart.forward, convention, typed);
            const here = row.id === chosen;
            const { status } = row.solved;
            return (
              <tr
                key={row.id}
                aria-selected={here}
                className={clsx('hover:bg-base-200', here && 'bg-base-200')}
                onClick={() => choosePosition(store, row.id)}
              >
                <th scope="row" className={clsx(CELL, 'sticky left-0 bg-inherit text-left')}>
                  <button
                    type="button"
                    data-cell
                    tabIndex={here || (chosen === null && i === 0) ? 0 : -1}
                    className={clsx(
                      'w-full border-l-3 pl-2 text-left font-semibold',
                      here ? 'border-primary' : 'border-transparent',
                    )}
                    title="Look at this position"
                  >
                    {row.name}
                  </button>
                </th>
                {couplers.map((coupler) => (
                  <td key={coupler.id} className={clsx(CELL, 'text-center')}>
                    <CouplerCell
                      coupler={coupler}
                      row={row}
                      onToggle={() => void toggle(row.id, row.engaged, coupler.id)}
                    />
                  </td>
                ))}
                <td className={clsx(CELL, 'figure text-right')} title={told.exactRatio && `exactly ${told.exactRatio}`}>
                  {told.ratio}
                </td>
                <td className={clsx(CELL, 'whitespace-nowrap', status === 'locked' && 'text-error')}>{told.does}</td>
                <td className={clsx(CELL, 'figure text-right')} title={told.exactStep && `exactly ${told.exactStep}`}>
                  {told.step}
                </td>
                <td className={clsx(CELL, 'figure muted text-right')}>{told.offEven}</td>
                <td className={clsx(CELL, 'whitespace-nowrap')}>
                  <ShiftCell shift={shifts.get(row.id)} />
                </td>
                <td className={clsx(CELL, 'figure text-right')}>{told.speed}</td>
                <td className={clsx(CELL, 'figure text-right')}>{told.torque}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

function NumberHead({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <th scope="col" className={clsx(HEAD, 'text-right')} title={title}>
      {children}
    </th>
  );
}

function CouplerHead({ coupler }: { coupler: Coupler }) {
  const train = useTrain((state) => state.train);
  return (
    <th scope="col" className={clsx(HEAD, 'max-w-24 text-center')} title={couplerWords(train, coupler)}>
      <span className={clsx('line-clamp-2 text-center', decidesForItself(coupler) && 'italic')}>
        {coupler.name || coupler.id}
      </span>
    </th>
  );
}

/** Arrow keys go from cell to cell, as in a spreadsheet; Home and End to the ends of the row. */
function moveFocus(event: KeyboardEvent, table: HTMLTableElement): void {
  const rows = [...table.tBodies[0]!.rows].map((row) => [...row.querySelectorAll<HTMLElement>('[data-cell]')]);
  const y = rows.findIndex((cells) => cells.includes(event.target as HTMLElement));
  const x = rows[y]?.indexOf(event.target as HTMLElement) ?? -1;
  if (x < 0) return;
  const to = {
    ArrowUp: rows[y - 1]?.[x],
    ArrowDown: rows[y + 1]?.[x],
    ArrowLeft: rows[y]![x - 1],
    ArrowRight: rows[y]![x + 1],
    Home: rows[y]![0],
    End: rows[y]!.at(-1),
  }[event.key];
  if (!event.key.startsWith('Arrow') && event.key !== 'Home' && event.key !== 'End') return;
  event.preventDefault();
  event.stopPropagation();
  to?.focus();
}
