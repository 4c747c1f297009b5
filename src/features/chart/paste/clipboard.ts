'use client';

import { useEffect } from 'react';
import { loadTableText, tableTextNow } from '@/ui/load-table-text';
import { whenIdle } from '@/ui/on-demand';
import type { Table } from '@/ui/table-text';

/** Where pasting and copying are the field's own. */
const FIELD = 'input, textarea, select, dialog';

/** A table that is pasted anywhere on the screen but into a field. */
export function usePasted(onPaste: (text: string) => void): void {
  useEffect(() => {
    const paste = (event: ClipboardEvent) => {
      const text = event.clipboardData?.getData('text/plain') ?? '';
      if (isField(event) || !/[\t\n]/.test(text.trim())) return;
      event.preventDefault();
      onPaste(text);
    };
    document.addEventListener('paste', paste);
    return () => document.removeEventListener('paste', paste);
  }, [onPaste]);
}

/** Ctrl C in a table, with nothing else marked, copies the whole of it. */
export function useCopied(table: () => Table): void {
  useEffect(() => {
    const copy = (event: ClipboardEvent) => {
      const within = event.target instanceof Element && event.target.closest('[role=grid]');
      if (!within || isField(event) || String(getSelection()) !== '') return;
      event.preventDefault();
      const texts = tableTextNow();
      if (texts) event.clipboardData?.setData('text/plain', texts.tabText(table()));
      else void loadTableText().then(({ tabText }) => navigator.clipboard.writeText(tabText(table())));
    };
    document.addEventListener('copy', copy);
    const stop = whenIdle([loadTableText]);
    return () => {
      document.removeEventListener('copy', copy);
      stop();
    };
  }, [table]);
}

const isField = ({ target }: ClipboardEvent): boolean => target instanceof Element && target.closest(FIELD) !== null;
