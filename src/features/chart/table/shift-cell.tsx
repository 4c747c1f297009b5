'use client';

import clsx from 'clsx';
import type { Shift } from '@/core/gear-chart';
import { useTrain } from '@/features/train/use-train';
import { useTrainWords } from '@/features/train/use-train-words';
import { shiftSays, verdictWords } from '../shift-words';

/** How the shift to the next row goes, in a word; the whole of it on hover, and all about it on a press. */
export function ShiftCell({ shift, onShift }: { shift: Shift | undefined; onShift: (shift: Shift) => void }) {
  const train = useTrain((state) => state.train);
  const told = useTrainWords();
  if (!shift)
    return (
      <span className="muted" data-cell tabIndex={-1} aria-label="no shift">
        —
      </span>
    );
  const hard = shift.verdict === 'blocked' || shift.verdict === 'double';
  return (
    <button
      type="button"
      data-cell
      tabIndex={-1}
      title={told(shiftSays(train, shift))}
      className={clsx('hover:underline', hard && 'text-error')}
      onClick={(event) => {
        event.stopPropagation();
        onShift(shift);
      }}
    >
      <span className="muted">to {shift.to.name}:</span> {verdictWords(shift)}
    </button>
  );
}
