'use client';

import { useState } from 'react';
import type { PartRef } from '@/core/train';
import { listed } from '@/core/words';
import { useTrain } from '@/features/train/use-train';
import { removedWith } from './goes-along-words';

/** Removes a part, after saying what else goes with it where anything does. */
export function GoesAlong({ part, onRemove }: { part: PartRef; onRemove: () => void }) {
  const train = useTrain((state) => state.train);
  const [asked, setAsked] = useState(false);
  const along = removedWith(train, part);
  if (!asked) {
    return (
      <button
        type="button"
        className="btn btn-ghost btn-xs text-error"
        onClick={() => (along.length === 0 ? onRemove() : setAsked(true))}
      >
        Remove
      </button>
    );
  }
  return (
    <div className="w-full">
      <p>This also removes {listed(along)}. Undo restores it.</p>
      <div className="mt-1 flex gap-2">
        <button type="button" className="btn btn-error btn-xs" autoFocus onClick={onRemove}>
          Remove all of it
        </button>
        <button type="button" className="btn btn-ghost btn-xs" onClick={() => setAsked(false)}>
          Cancel
        </button>
      </div>
    </div>
  );
}
