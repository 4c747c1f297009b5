'use client';

import { useEffect } from 'react';
import { begun, KIND_ORDER, KINDS, type Kind } from '../kinds';
import { useLogItself } from '../use-log';

/** A letter picks the kind of the next reading and goes to its first figure: as fast as on paper. */
export function useLogKeys(): void {
  const { store } = useLogItself();
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.shiftKey || isTyping(event.target)) return;
      const kind = KIND_ORDER.find((one) => KINDS[one].letter === event.key);
      if (!kind) return;
      event.preventDefault();
      pickKind(store, kind);
      requestAnimationFrame(focusFirst);
    };
    addEventListener('keydown', press);
    return () => removeEventListener('keydown', press);
  }, [store]);
}

/** The first figure of the reading that is taken. */
export const FIRST_FIGURE = 'first-figure';
export const focusFirst = (): void => document.getElementById(FIRST_FIGURE)?.focus();

export function pickKind({ getState }: ReturnType<typeof useLogItself>['store'], kind: Kind): void {
  const { draft, set } = getState();
  set({ draft: { ...draft, kind, figures: { ...draft.figures, ...begun(kind, draft.figures) } } });
}

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.matches('input, textarea, select') || target.isContentEditable || target.closest('dialog') !== null); // prettier-ignore
