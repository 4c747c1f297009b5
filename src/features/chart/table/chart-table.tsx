'use client';

import { closestCenter, DndContext, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import clsx from 'clsx';
import { useCallback, useDeferredValue, useLayoutEffect, useMemo, useRef, type KeyboardEvent } from 'react';
import type { Shift } from '@/core/gear-chart';
import type { Coupler, Train } from '@/core/train';
import { couplerWords } from '@/core/words';
import { analyseEngaged } from '@/features/train/analysis';
import { choosePosition } from '@/features/train/choosing';
import { useTyped } from '@/features/train/input/typed-input';
import { useGoTo } from '@/features/train/frame/screens-row';
import { useNow, useTrain, useTrainStore } from '@/features/train/use-train';
import { decidesForItself } from '@/features/train/words';
import type { MeasuredTrain } from '@/features/train/log/measured';
import { useMeasured } from '@/features/train/log/use-measured';
import { VERDICTS } from '@/features/train/log/verdict-words';
import { usePreferences } from '@/ui/preferences';
import { useEdits } from '../edits';
import { useChart, useIdeals, useRows } from '../use-chart';
import { cellsOf, moveFocus } from './cell-keys';
import { ChartLine } from './chart-line';
import { couplerColumns } from './columns';
import { NOT_MEASURED, rowFigures, type MeasuredText } from './row-figures';
import { possibleShifts } from '@/core/gear-chart';
import { modelOf } from '@/core/model';
import { useSameList } from '@/ui/same-list';
import { required } from '@/core/required';
import { useTrainWords } from '@/features/train/use-train-words';

const HEAD =
  'sticky top-0 z-20 border-b border-base-content bg-base-100 px-2 max-xl:px-1 py-1 ' +
  'text-left align-bottom font-normal muted leading-tight';

/** A press that moves so far is a drag. */
const DRAGGED = { activationConstraint: { distance: 4 } };

/** The shift chart: a row for each position, a column for each coupler, and what comes out. */
export function ChartTable() {
  const store = useTrainStore();
  const chart = useRows();
  const train = useTrain((state) => state.train);
  const losses = useTrain((state) => state.losses);
  // Verdicts look at every set on the way: they may come one picture later than the figures.
  const shifts = modelOf(useDeferredValue(train)).derive(possibleShifts);
  const { positionId } = useNow();
  const ideals = useIdeals();
  const set = useChart((state) => state.set);
  const convention = usePreferences((state) => state.convention);
  const typed = useTyped();
  const edits = useEdits();
  const goTo = useGoTo();
  const table = useRef<HTMLTableElement>(null);
  const couplers = useMemo(() => couplerColumns(train.couplers), [train.couplers]);
  const coasts = useMemo(() => couplers.some(decidesForItself), [couplers]);
  const choose = useCallback((id: string) => choosePosition(store, id), [store]);
  const open = useCallback(
    (id: string) => {
      choose(id);
      goTo('');
    },
    [choose, goTo],
  );
  const measured = useMeasured();
  const look = useCallback(
    (shift: Shift) => set({ tab: 'shifts', pair: { from: shift.from.id, to: shift.to.id } }),
    [set],
  );
  // The same list as long as the same positions stand in the same order: a new one would draw every row anew.
  const order = useSameList(train.positions.map(({ id }) => id));
  const ids = useMemo(() => [...order], [order]);
  // A row that is put elsewhere in the page loses the focus; the key that moved it wants it to stay.
  const moved = useRef<{ readonly position: string; readonly at: number } | null>(null);
  useLayoutEffect(() => {
    if (!moved.current) return;
    const { position, at } = moved.current;
    moved.current = null;
    const row = [...required(table.current).rows].find((one) => one.dataset.position === position);
    if (row) cellsOf(row)[at]?.focus();
  }, [ids]);
  const press = (event: KeyboardEvent) => {
    const cell = event.target as HTMLElement;
    const position = cell.closest<HTMLElement>('[data-position]')?.dataset.position;
    if (position && event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
      moved.current = { position, at: cellsOf(required(cell.closest('tr'))).indexOf(cell) };
      edits.move(position, event.key === 'ArrowUp' ? -1 : 1);
    } else if (position && event.key === 'Insert') edits.add(engagedIn(train, position), position);
    else if (position && event.altKey && event.key.toLowerCase() === 'l') edits.leaveOut(position);
    else if (event.ctrlKey || event.metaKey || event.altKey || !moveFocus(event.key, cell, required(table.current)))
      return;
    event.preventDefault();
    event.stopPropagation();
  };
  const told = useTrainWords();
  const dropped = ({ active, over }: DragEndEvent) => {
    const at = (id: unknown) => train.positions.findIndex((position) => position.id === id);
    if (over && active.id !== over.id) edits.move(String(active.id), at(over.id) - at(active.id));
  };
  const sensors = useSensors(useSensor(PointerSensor, DRAGGED));
  return (
    <DndContext id="chart" sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped}>
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <table
          ref={table}
          role="grid"
          aria-label="Shift chart"
          className="border-separate border-spacing-0 text-sm"
          onKeyDown={press}
        >
          <ChartHead couplers={couplers} measured={measured !== null} />
          <tbody>
            {chart.rows.map((row, i) => (
              <ChartLine
                key={row.id}
                row={row}
                told={rowFigures(row, chart, ideals, convention, typed, measuredText(measured, row.id))}
                couplers={couplers}
                coasting={coasts ? analyseEngaged(train, row.engaged, 'coast', losses).solved : null}
                shift={shifts.get(row.id)}
                chosen={row.id === positionId}
                reachable={row.id === positionId || (positionId === null && i === 0)}
                lossy={losses}
                measuring={measured !== null}
                edits={edits}
                onChoose={choose}
                onOpen={open}
                onShift={look}
              />
            ))}
          </tbody>
        </table>
      </SortableContext>
      {coasts && (
        <p className="muted mt-1 text-xs">{told('One-way clutches: ◆ holds, ◇ overruns; after “/”, coasting.')}</p>
      )}
    </DndContext>
  );
}

/** The last ratio measured in a position, and what it proves; in full where it is pointed at. */
function measuredText(measured: MeasuredTrain | null, id: string): MeasuredText {
  const found = measured?.positions.get(id)?.find(({ ratio }) => ratio);
  if (!found) return NOT_MEASURED;
  const verdict = VERDICTS[found.verdict];
  return { measured: `${found.value} ${verdict}`, measuredSays: `${found.text} ${verdict}` };
}

/** A new row begins as a copy of the one it is made from. */
const engagedIn = ({ positions }: Train, id: string): readonly string[] =>
  required(positions.find((position) => position.id === id)).engaged;

function NumberHead({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <th scope="col" className={clsx(HEAD, 'max-w-24 text-right')} title={title}>
      {children}
    </th>
  );
}

function CouplerHead({ coupler }: { coupler: Coupler }) {
  const train = useTrain((state) => state.train);
  const itself = decidesForItself(coupler);
  const told = useTrainWords();
  return (
    <th scope="col" className={clsx(HEAD, 'max-w-20 text-center')} title={told(couplerWords(train, coupler))}>
      <span className={clsx('line-clamp-2 text-center', itself && 'italic')}>{coupler.name || coupler.id}</span>
    </th>
  );
}

/** What stands in the columns, with the units and the school of steps that are chosen. */
function ChartHead({ couplers, measured }: { couplers: readonly Coupler[]; measured: boolean }) {
  const losses = useTrain((state) => state.losses);
  const school = useChart((state) => state.school);
  const convention = usePreferences((state) => state.convention);
  const typed = useTyped();
  return (
    <thead>
      <tr>
        <th scope="col" className={clsx(HEAD, 'left-0 z-30 pl-5')}>
          Position
        </th>
        {couplers.map((coupler) => (
          <CouplerHead key={coupler.id} coupler={coupler} />
        ))}
        <NumberHead title="in/out: input turns for one turn of the output. out/in: output turns for one of the input.">
          Ratio, {convention}
        </NumberHead>
        <th scope="col" className={HEAD}>
          Direction
        </th>
        <NumberHead title="This ratio over the next forward one, in/out">Step</NumberHead>
        <NumberHead title={`How far the step is from the ${school} one`}>off {school},&nbsp;%</NumberHead>
        <th scope="col" className={HEAD} title="To the next forward position that drives">
          Shift
        </th>
        <NumberHead title="Of the first output, for the input speed">Output, {typed.speed.unit}</NumberHead>
        <NumberHead title="Of the first output, for the input torque">Output, {typed.torque.unit}</NumberHead>
        {losses && <NumberHead title="Power out over power in">Efficiency, %</NumberHead>}
        {measured && (
          <th scope="col" className={HEAD} title="The last reading of the output there, in/out, and what it proves">
            Measured
          </th>
        )}
      </tr>
    </thead>
  );
}
