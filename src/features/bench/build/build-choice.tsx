'use client';

import { FileText, Table2 } from 'lucide-react';
import clsx from 'clsx';
import type { Building } from '../store';
import { useBench, useBenchItself } from '../use-bench';

const CHOICES = [
  { key: 'table', label: 'Table', title: 'The parts as tables, below the drawing', Icon: Table2 },
  { key: 'text', label: 'Text', title: 'The train in writing, below the drawing', Icon: FileText },
] as const satisfies readonly { readonly key: Building; readonly [other: string]: unknown }[];

/** Whether the parts stand below the drawing to be changed there, as tables or in writing. */
export function BuildChoice() {
  const building = useBench((state) => state.building);
  const { store } = useBenchItself();
  return (
    <div role="group" aria-label="Build" className="flex gap-1">
      {CHOICES.map(({ key, label, title, Icon }) => (
        <button
          key={key}
          type="button"
          aria-pressed={building === key}
          title={title}
          className={clsx('btn btn-xs', building === key ? 'btn-neutral' : 'btn-ghost')}
          onClick={() => store.getState().build(building === key ? null : key)}
        >
          <Icon className="size-4" aria-hidden /> {label}
        </button>
      ))}
    </div>
  );
}
