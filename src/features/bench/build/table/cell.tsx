'use client';

import clsx from 'clsx';
import { useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import { beginRun, goTo, goToNextRun } from './go-to';

interface Props {
  readonly label: string;
  /** What was typed last, whether or not it could be taken. */
  readonly value: string;
  /** What holds in the train. */
  readonly taken: string;
  /** It is in a row that is not whole yet. */
  readonly waits: boolean;
  /** The id of what is offered. */
  readonly list: string | undefined;
  readonly onCommit: (text: string) => void;
  /** The same text goes into all rows from this one on. */
  readonly onFillDown: (text: string) => void;
  /** @returns whether the text was a block of cells, and is filled in. */
  readonly onPaste: (text: string) => boolean;
}

/** Whether the focus is on its way by Tab; there is one focus in a window. */
const byTab = { now: false };

/**
 * A cell, typed over as in a spreadsheet: the arrows take it and go on, Tab goes along the row, Enter to the next row
 * where this one was begun, Escape gives back what was there. What could not be taken stays until it can, or until
 * Escape takes it back.
 */
export function Cell({ label, value, taken, waits, list, onCommit, onFillDown, onPaste }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const given = useRef(false);
  const commit = () => {
    if (typed !== null && typed !== value) onCommit(typed);
    setTyped(null);
  };
  return (
    <input
      className={clsx(
        'block h-7 w-full min-w-0 bg-transparent px-1.5 outline-none focus:bg-base-100 focus:ring-2 focus:ring-accent',
        // The arrow of a list would stand over the end of a name; the arrow keys open it too.
        '[&::-webkit-calendar-picker-indicator]:hidden!',
        waits && 'muted',
        !waits && value !== taken && 'text-error',
      )}
      data-cell
      aria-label={label}
      list={list}
      autoComplete="off"
      value={typed ?? value}
      onFocus={(event) => {
        event.target.select();
        if (!byTab.now) beginRun(event.target);
        byTab.now = false;
      }}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={() => {
        if (given.current) given.current = false;
        else commit();
      }}
      onPaste={(event) => {
        if (!onPaste(event.clipboardData.getData('text/plain'))) return;
        event.preventDefault();
        setTyped(null);
      }}
      onKeyDown={(event) => {
        const { key, currentTarget: field } = event;
        byTab.now = key === 'Tab';
        if (key === 'd' && (event.ctrlKey || event.metaKey)) {
          event.preventDefault();
          onFillDown(typed ?? value);
          setTyped(null);
        }
        if (event.altKey || event.ctrlKey || event.metaKey) return;
        const refused = !waits && value !== taken;
        if (key === 'Escape' && (typed !== null || refused)) {
          event.stopPropagation();
          if (typed === null) onCommit(taken);
          setTyped(null);
        } else if (key === 'Enter' || key === 'ArrowUp' || key === 'ArrowDown') {
          event.preventDefault();
          // The row below may come with what is taken.
          flushSync(commit);
          given.current = true;
          if (key === 'Enter' && !event.shiftKey) goToNextRun(field);
          else goTo(field, key === 'ArrowDown' ? 1 : -1, 0);
          given.current = false;
        } else if (key === 'ArrowLeft' && field.selectionEnd === 0) goTo(field, 0, -1);
        else if (key === 'ArrowRight' && field.selectionStart === field.value.length) goTo(field, 0, 1);
        else if (key === 'ArrowLeft' || key === 'ArrowRight') {
          const whole = field.selectionStart === 0 && field.selectionEnd === field.value.length && typed === null;
          if (!whole) return;
          event.preventDefault();
          goTo(field, 0, key === 'ArrowLeft' ? -1 : 1);
        }
      }}
    />
  );
}
