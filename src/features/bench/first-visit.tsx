'use client';

import { X } from 'lucide-react';
import { useEffect, useState } from 'react';
import { useReducedMotion } from '@/ui/reduced-motion';
import { useCrank } from './use-bench';

const SLOWLY = 0.1;

/** On a first visit the train turns at once, and one line says what to try. */
export function FirstVisit() {
  const crank = useCrank();
  const still = useReducedMotion();
  const [open, setOpen] = useState(true);
  useEffect(() => {
    document.cookie = 'visited=yes; path=/; max-age=31536000; samesite=lax';
    if (!still) crank.play(SLOWLY);
  }, [crank, still]);
  if (!open) return null;
  return (
    <p role="note" className="flex items-center gap-3 border-b border-base-300 bg-base-200 px-4 py-1 text-sm">
      <span className="flex-1">
        The pan rake’s gearbox, in first. Press <kbd className="kbd kbd-sm">2</kbd> or{' '}
        <kbd className="kbd kbd-sm">R</kbd> to shift, click a clutch on the drawing, or{' '}
        <kbd className="kbd kbd-sm">T</kbd> to turn exactly one turn and read the counters.
      </span>
      <button
        type="button"
        className="btn btn-ghost btn-xs btn-square"
        aria-label="Close the hint"
        onClick={() => setOpen(false)}
      >
        <X className="size-4" aria-hidden />
      </button>
    </p>
  );
}
