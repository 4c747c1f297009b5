'use client';

import { useEffect } from 'react';
import { useBenchStore } from './store';

/** Ctrl or Cmd with Z undoes, with Shift+Z or Y redoes, except while typing in a field. */
export function useUndoKeys(): void {
  const store = useBenchStore();
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || (event.target instanceof HTMLElement && event.target.matches('input, textarea, select'))) return;
      const key = event.key.toLowerCase();
      if (key !== 'z' && key !== 'y') return;
      event.preventDefault();
      const { undo, redo } = store.temporal.getState();
      if (key === 'y' || event.shiftKey) redo();
      else undo();
    };
    addEventListener('keydown', press);
    return () => removeEventListener('keydown', press);
  }, [store]);
}
