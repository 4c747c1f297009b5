'use client';

import type { SideView } from '@/core/drawing';
import { useMeasured } from '@/features/train/log/use-measured';

/**
 * Parts to which something happened at the bench, marked where they are drawn; what it was shows when a mark is pointed
 * at.
 */
export function EventMarks({ view }: { view: SideView }) {
  const events = useMeasured()?.events ?? [];
  return events.map(({ id, part, what }) => {
    const at = placeOf(view, part);
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

/** Above a coupler or a gear; over the end of a member's longest line. */
function placeOf(view: SideView, part: string): { readonly x: number; readonly y: number } | null {
  const coupler = view.couplers.find((shape) => shape.coupler === part);
  if (coupler) return { x: coupler.x, y: coupler.y - 22 };
  const gear = view.gears.find((shape) => shape.gear === part);
  if (gear) return { x: gear.x, y: gear.y - gear.radius - 12 };
  const segments = view.lines.find(({ member }) => member === part)?.segments ?? [];
  const [longest] = [...segments].sort((a, b) => lengthOf(b) - lengthOf(a));
  return longest ? { x: (longest.x1 + longest.x2) / 2, y: Math.min(longest.y1, longest.y2) - 12 } : null;
}

const lengthOf = ({ x1, x2, y1, y2 }: SideView['lines'][number]['segments'][number]): number =>
  Math.hypot(x2 - x1, y2 - y1);
