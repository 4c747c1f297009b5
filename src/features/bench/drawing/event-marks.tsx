'use client';

import { useMemo } from 'react';
import { markPlaces, type SideView } from '@/core/drawing';
import { useMeasured } from '@/features/train/log/use-measured';

const NONE: readonly never[] = [];

/**
 * Parts to which something happened at the bench, marked where they are drawn; what it was shows when a mark is pointed
 * at.
 */
export function EventMarks({ view }: { view: SideView }) {
  const events = useMeasured()?.events ?? NONE;
  const places = useMemo(
    () =>
      markPlaces(
        view,
        events.map(({ part }) => part),
      ),
    [view, events],
  );
  return events.map(({ id, what }, i) => {
    const at = places[i];
    return (
      at && (
        <g key={id} role="img" aria-label={what} transform={`translate(${at.x} ${at.y})`}>
          <title>{what}</title>
          <path d="M 0 -10 L 9 6 H -9 Z" className="fill-base-100 stroke-warning" strokeWidth={2.4} />
          <path d="M 0 -4 V 1 M 0 3.2 V 4" className="stroke-warning" strokeWidth={2} />
        </g>
      )
    );
  });
}
