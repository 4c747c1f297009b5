'use client';

import { FileText } from 'lucide-react';
import clsx from 'clsx';
import { useBench, useBenchItself } from '../use-bench';

/** Whether the train is shown in writing below its drawing, to be changed there. */
export function BuildChoice() {
  const building = useBench((state) => state.building);
  const { store } = useBenchItself();
  return (
    <button
      type="button"
      aria-pressed={building === 'text'}
      title="The train in writing, below its drawing"
      className={clsx('btn btn-xs', building === 'text' ? 'btn-neutral' : 'btn-ghost')}
      onClick={() => store.getState().build(building === 'text' ? null : 'text')}
    >
      <FileText className="size-4" aria-hidden /> Text
    </button>
  );
}
