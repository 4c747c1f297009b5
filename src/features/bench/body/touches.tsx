'use client';

import type { TrainBody } from '@/core/body';
import { memberName } from '@/core/words';
import { useTrain } from '@/features/train/use-train';

const MOST = 3;

/** Members that want the same room, and where. */
export function Touches({ body: { touching, isTrue } }: { body: TrainBody }) {
  const train = useTrain((state) => state.train);
  if (touching.length === 0) return null;
  const mm = (value: number) => (isTrue ? ` at ${value.toFixed(0)} mm along the axis` : '');
  const told = touching
    .slice(0, MOST)
    .map(({ members: [a, b], at }) => `${memberName(train, a)} and ${memberName(train, b)}${mm(at.z)}`);
  return (
    <p className="absolute bottom-20 left-4 max-w-xl bg-base-100/90 px-1 text-sm text-error" role="status">
      Would touch as drawn: {told.join('; ')}
      {touching.length > MOST ? `; and ${touching.length - MOST} more pairs` : ''}.
    </p>
  );
}
