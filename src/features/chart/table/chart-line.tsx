'use client';

import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import clsx from 'clsx';
import { GripVertical, ListX } from 'lucide-react';
import { memo } from 'react';
import { isForward, type ChartRow, type Shift } from '@/core/gear-chart';
import type { Solved } from '@/core/solve';
import type { Coupler } from '@/core/train';
import { decidesForItself } from '@/features/train/words';
import type { ChartEdits } from '../edits';
import { CouplerCell, OneWayCell } from './coupler-cell';
import { NameCell } from './name-cell';
import type { RowFigures } from './row-figures';
import { ShiftCell } from './shift-cell';

const CELL = 'border-b border-base-300/60 px-2 max-xl:px-1 py-0.5';

interface Props {
  readonly row: ChartRow;
  readonly told: RowFigures;
  /** Clutches, brakes and sliding meshes, then one-way clutches. */
  readonly couplers: readonly Coupler[];
  readonly coasting: Solved | null;
  readonly shift: Shift | undefined;
  readonly chosen: boolean;
  readonly reachable: boolean;
  readonly lossy: boolean;
  /** Something was measured, so there is a column for it. */
  readonly measuring: boolean;
  readonly edits: ChartEdits;
  readonly onChoose: (id: string) => void;
  readonly onOpen: (id: string) => void;
  readonly onShift: (shift: Shift) => void;
}

/** One position of the chart. It is written anew only where something in it changed. */
export const ChartLine = memo(function ChartLine(props: Props) {
  const {
    row,
    told,
    couplers,
    coasting,
    shift,
    chosen,
    reachable,
    lossy,
    measuring,
    edits,
    onChoose,
    onOpen,
    onShift,
  } = props;
  const { setNodeRef, transform, transition, listeners, isDragging } = useSortable({ id: row.id });
  const { status, state } = row.solved;
  return (
    <tr
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      aria-selected={chosen}
      data-position={row.id}
      className={clsx(
        'group hover:bg-base-200',
        chosen ? 'bg-base-200' : 'bg-base-100',
        isDragging && 'relative z-30 shadow-md',
      )}
      onClick={() => onChoose(row.id)}
    >
      <th scope="row" className={clsx(CELL, 'sticky left-0 z-10 bg-inherit pl-0 text-left')}>
        <span className="flex items-center">
          <span
            {...listeners}
            className="muted cursor-grab touch-none opacity-0 group-hover:opacity-100"
            title="Drag to another place"
            aria-hidden
          >
            <GripVertical className="size-3.5" />
          </span>
          <span>
            <NameCell
              name={row.name}
              chosen={chosen}
              reachable={reachable}
              onRename={(name) => edits.rename(row.id, name)}
              onOpen={() => onOpen(row.id)}
              onRemove={() => edits.remove(row.id)}
            />
          </span>
        </span>
      </th>
      {couplers.map((coupler) => {
        const label = `${coupler.name || coupler.id} in ${row.name}`;
        const does = state.oneWays.get(coupler.id);
        return (
          <td key={coupler.id} className={clsx(CELL, 'text-center')}>
            {decidesForItself(coupler) ? (
              <OneWayCell label={label} drive={does} coast={coasting ? coasting.state.oneWays.get(coupler.id) : does} />
            ) : (
              <CouplerCell
                label={label}
                on={row.engaged.includes(coupler.id)}
                brake={coupler.type === 'brake'}
                does={does}
                onToggle={(on) => edits.toggle(row.id, coupler.id, on)}
              />
            )}
          </td>
        );
      })}
      <td className={clsx(CELL, 'text-right whitespace-nowrap')}>
        {told.doubles && (
          <span className="muted mr-2 text-xs" title={told.doublesSays}>
            {told.doubles}
          </span>
        )}
        <span className="figure" title={told.exactRatio && `exactly ${told.exactRatio}`}>
          {told.ratio}
        </span>
      </td>
      <td className={clsx(CELL, 'whitespace-nowrap', status === 'locked' && 'text-error')}>{told.does}</td>
      <td className={clsx(CELL, 'figure text-right')} title={told.exactStep && `exactly ${told.exactStep}`}>
        <LeaveOut row={row} step={told.step} onPress={() => edits.leaveOut(row.id)} />
      </td>
      <td className={clsx(CELL, 'figure muted text-right')}>{told.off}</td>
      <td className={clsx(CELL, 'whitespace-nowrap')}>
        <ShiftCell shift={shift} onShift={onShift} />
      </td>
      <td className={clsx(CELL, 'figure text-right')}>{told.speed}</td>
      <td className={clsx(CELL, 'figure text-right')}>{told.torque}</td>
      {lossy && <td className={clsx(CELL, 'figure text-right')}>{told.efficiency}</td>}
      {measuring && (
        <td className={clsx(CELL, 'whitespace-nowrap')} title={told.measuredSays}>
          {told.measured}
        </td>
      )}
    </tr>
  );
}, sameLine);

/** A row's step; for one that drives forward also whether it is a rung of the ladder. */
function LeaveOut({ row, step, onPress }: { row: ChartRow; step: string; onPress: () => void }) {
  if (!isForward(row.solved.ratio)) return step;
  const title = row.onLadder
    ? 'A variant of another position? Leave it out of the ladder, its steps and shifts (Alt L).'
    : 'Not in the ladder: no step leads here. Take it in again (Alt L).';
  return (
    <span className="inline-flex items-center gap-1">
      <button
        type="button"
        tabIndex={-1}
        aria-label={`${row.name}: ${row.onLadder ? 'leave out of the ladder' : 'take into the ladder'}`}
        className={clsx(
          'cursor-pointer font-sans text-xs',
          row.onLadder ? 'muted opacity-0 group-hover:opacity-100 focus-visible:opacity-100' : 'underline',
        )}
        title={title}
        onClick={onPress}
      >
        {row.onLadder ? <ListX className="size-3.5" aria-hidden /> : 'left out'}
      </button>
      {row.onLadder && step}
    </span>
  );
}

/** Solved rows are new with every edit; what is shown of them mostly is not. */
function sameLine(a: Props, b: Props): boolean {
  return (
    a.chosen === b.chosen &&
    a.reachable === b.reachable &&
    a.lossy === b.lossy &&
    a.measuring === b.measuring &&
    a.couplers === b.couplers &&
    sameShift(a.shift, b.shift) &&
    a.row.id === b.row.id &&
    a.row.name === b.row.name &&
    a.row.onLadder === b.row.onLadder &&
    sameList(a.row.engaged, b.row.engaged) &&
    (Object.keys(a.told) as (keyof RowFigures)[]).every((key) => a.told[key] === b.told[key]) &&
    sameOneWays(a.row.solved, b.row.solved) &&
    sameOneWays(a.coasting, b.coasting)
  );
}

/** What its cell and its story on hover are made of. */
const sameShift = (a: Shift | undefined, b: Shift | undefined): boolean =>
  a === b ||
  (a !== undefined &&
    b !== undefined &&
    a.verdict === b.verdict &&
    a.to.id === b.to.id &&
    a.to.name === b.to.name &&
    sameList(a.off, b.off) &&
    sameList(a.on, b.on) &&
    a.between.every(({ solved }, i) => solved.status === b.between[i]?.solved.status));

const sameList = (a: readonly string[], b: readonly string[]): boolean =>
  a.length === b.length && a.every((id, i) => id === b[i]);

const sameOneWays = (a: Solved | null, b: Solved | null): boolean =>
  a === b ||
  (a !== null &&
    b !== null &&
    [...a.state.oneWays].every(([id, does]) => b.state.oneWays.get(id) === does) &&
    a.state.oneWays.size === b.state.oneWays.size);
