'use client';

import { Copy, Download } from 'lucide-react';
import { useEffect, useState } from 'react';
import { loadTableText } from './load-table-text';
import { whenIdle } from './on-demand';
import { fileName, saveFile } from './save-file';
import type { Table } from './table-text';

interface Props {
  /** What the file is called. */
  readonly name: string;
  readonly table: () => Table;
}

/** Takes a table along: copied as tab-separated text, or saved as CSV. */
export function TableButtons({ name, table }: Props) {
  const [done, setDone] = useState<'copied' | 'failed' | null>(null);
  useEffect(() => whenIdle([loadTableText]), []);
  const save = async () => {
    const { csvText } = await loadTableText();
    saveFile(fileName(name, '.csv'), 'text/csv;charset=utf-8', csvText(table()));
  };
  const copy = async () => {
    const { tabText } = await loadTableText();
    try {
      await navigator.clipboard.writeText(tabText(table()));
      setDone('copied');
    } catch {
      setDone('failed');
    }
  };
  return (
    <span className="flex">
      <button
        type="button"
        className="btn btn-ghost btn-xs"
        title="Copy the table, for a spreadsheet"
        onClick={() => void copy()}
      >
        <Copy className="size-3.5" aria-hidden />
        <span aria-live="polite">
          {done === 'copied' ? 'Copied' : done === 'failed' ? 'The browser does not allow copying' : 'Copy'}
        </span>
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-xs"
        title="Save the table as comma-separated values"
        onClick={() => void save()}
      >
        <Download className="size-3.5" aria-hidden /> CSV
      </button>
    </span>
  );
}
