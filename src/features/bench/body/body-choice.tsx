'use client';

import { Box } from 'lucide-react';
import clsx from 'clsx';
import { useEffect, useRef } from 'react';
import { usePreferences } from '@/ui/preferences';

/** Whether it was just pressed: the one that was is gone with its pane, and the other takes the focus over. */
let wasPressed = false;

/** Whether the train is shown as a body that can be cut open. */
export function BodyChoice() {
  const body = usePreferences((state) => state.body);
  const set = usePreferences((state) => state.set);
  const button = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (wasPressed) button.current?.focus();
    wasPressed = false;
  }, []);
  return (
    <button
      ref={button}
      type="button"
      aria-pressed={body}
      title="The train in three dimensions, sawn open"
      className={clsx('btn btn-xs', body ? 'btn-neutral' : 'btn-ghost')}
      onClick={() => {
        wasPressed = true;
        set({ body: !body });
      }}
    >
      <Box className="size-4" aria-hidden /> Body
    </button>
  );
}
