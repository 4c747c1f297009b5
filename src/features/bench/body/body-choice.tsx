'use client';

import { Box } from 'lucide-react';
import clsx from 'clsx';
import { usePreferences } from '@/ui/preferences';

/** Whether the train is shown as a body that can be cut open. */
export function BodyChoice() {
  const body = usePreferences((state) => state.body);
  const set = usePreferences((state) => state.set);
  return (
    <button
      type="button"
      aria-pressed={body}
      title="The train in three dimensions, sawn open"
      className={clsx('btn btn-xs', body ? 'btn-neutral' : 'btn-ghost')}
      onClick={() => set({ body: !body })}
    >
      <Box className="size-4" aria-hidden /> Body
    </button>
  );
}
