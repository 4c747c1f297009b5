'use client';

import { useDraggable, useDroppable } from '@dnd-kit/core';
import clsx from 'clsx';
import type { ReactNode } from 'react';
import { goTo } from './go-to';

interface Props {
  readonly name: string;
  readonly says: string;
  readonly wrong: boolean;
  readonly span: number;
  readonly lit: boolean;
  readonly chosen: boolean;
  readonly at: number;
  /** Null of the empty row. */
  readonly number: number | null;
  readonly onChoose: (further: boolean) => void;
  readonly onRemove: () => void;
  readonly onMove: (by: number) => void;
  readonly onPoint: (over: boolean) => void;
  readonly children: ReactNode;
}

/** A row: its number, by which it is chosen, dragged and removed, its cells, and below them what is said of it. */
export function GridRow({
  name,
  says,
  wrong,
  span,
  lit,
  chosen,
  number,
  at,
  onChoose,
  onRemove,
  onMove,
  onPoint,
  children,
}: Props) {
  const { setNodeRef: setGrip, listeners } = useDraggable({ id: at, disabled: number === null });
  const { setNodeRef: setTarget, isOver } = useDroppable({ id: at, disabled: number === null });
  return (
    <>
      <tr
        ref={setTarget}
        className={clsx(isOver && 'outline-2 outline-accent', lit && 'bg-base-200', chosen && 'bg-base-300')}
        onPointerEnter={() => onPoint(true)}
        onPointerLeave={() => onPoint(false)}
        onKeyDown={(event) => {
          if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return;
          event.preventDefault();
          onMove(event.key === 'ArrowUp' ? -1 : 1);
        }}
      >
        {number === null ? (
          <td className="w-8" />
        ) : (
          <th className="w-8 p-0 font-normal">
            <button
              type="button"
              aria-label={`${name}. Delete removes it, Alt with an arrow moves it.`}
              aria-pressed={chosen}
              data-cell
              data-row={at}
              ref={setGrip}
              {...listeners}
              tabIndex={-1}
              className="muted figure h-full w-full cursor-pointer px-1 text-right hover:bg-base-200"
              onClick={(event) => onChoose(event.shiftKey)}
              onKeyDown={(event) => {
                const { key, currentTarget, altKey } = event;
                if (altKey) return;
                if (key === 'Delete' || key === 'Backspace') onRemove();
                else if (key === 'ArrowRight') goTo(currentTarget, 0, 1);
                else if (key === 'ArrowUp' || key === 'ArrowDown') goTo(currentTarget, key === 'ArrowUp' ? -1 : 1, 0);
                else return;
                event.preventDefault();
              }}
            >
              {number}
            </button>
          </th>
        )}
        {children}
      </tr>
      {says !== '' && (
        <tr>
          <td />
          <td
            colSpan={span}
            className={clsx('px-1.5 text-xs', wrong ? 'text-error' : 'muted')}
            role={wrong ? 'alert' : undefined}
          >
            {says}
          </td>
        </tr>
      )}
    </>
  );
}
