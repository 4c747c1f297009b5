'use client';

import clsx from 'clsx';
import type { Shift } from '@/core/gear-chart';
import { useTrain } from '@/features/train/use-train';
import { shiftSays, VERDICT_WORDS } from './shifts';

/** How the shift to the next row goes, in a word; the whole of it on hover. */
export function ShiftCell({ shift }: { shift: Shift | undefined }) {
  const train = useTrain((state) => state.train);
  if (!shift) return <span className="muted">—</span>;
  const hard = shift.verdict === 'blocked' || shift.verdict === 'double';
  return (
    <span title={shiftSays(train, shift)} className={clsx(hard && 'text-error')}>
      <span className="muted">to {shift.to.name}:</span> {VERDICT_WORDS[shift.verdict]}
    </span>
  );
}
