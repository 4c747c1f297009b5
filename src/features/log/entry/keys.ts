'use client';

import { useCallback } from 'react';
import { flushSync } from 'react-dom';
import type { KeyLine } from '@/help/help-panel';
import { useScreenKeys } from '@/features/train/frame/screen-keys';
import { KIND_ORDER, KINDS, ofKind, type ReadingKind } from '../kinds';
import { useLogItself } from '../use-log';

/** What the keyboard does on the Log. */
const LOG_KEYS: readonly KeyLine[] = [
  {
    keys: KIND_ORDER.map((kind) => KINDS[kind].letter).join(' '),
    does: 'The kind of the next reading, as its list says',
  },
  { keys: 'Enter', does: 'In a field of the reading: log it; what is set up once a day stays' },
  { keys: 'Esc', does: 'Out of the field, so that keys choose positions and kinds again' },
];

/** A letter picks the kind of the next reading and goes to its first figure: as fast as on paper. */
export function useLogKeys(): void {
  const { store } = useLogItself();
  const press = useCallback(
    (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.shiftKey || isTyping(event.target)) return;
      const kind = KIND_ORDER.find((one) => KINDS[one].letter === event.key);
      if (!kind) return;
      event.preventDefault();
      pickKind(store, kind);
    },
    [store],
  );
  useScreenKeys(LOG_KEYS, press);
}

/** The first figure of the reading that is taken. */
export const FIRST_FIGURE = 'first-figure';
export const focusFirst = (): void => document.getElementById(FIRST_FIGURE)?.focus();

/** Changes what is taken, and is in its first field before the next key comes: a digit typed at once is not lost. */
export function scrollIntoPlace(change: () => void): void {
  flushSync(change);
  focusFirst();
}

export function pickKind({ getState }: ReturnType<typeof useLogItself>['store'], kind: ReadingKind): void {
  const { draft, set } = getState();
  scrollIntoPlace(() => set({ draft: ofKind(draft, kind) }));
}

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.matches('input, textarea, select') || target.isContentEditable || target.closest('dialog') !== null);
