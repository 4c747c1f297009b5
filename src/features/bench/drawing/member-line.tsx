import { memo } from 'react';
import type { MemberLines, Segment } from '@/core/drawing';
import type { MemberRole } from '@/core/powerflow';

const TICK_ROOM = 12;

/** A member's lines by its state: thin where it idles, hatched where it is held, dotted where it floats. */
export const MemberLine = memo(function MemberLine({
  lines,
  role,
  color,
  lit,
}: {
  lines: MemberLines;
  role: MemberRole;
  color: string;
  lit: boolean;
}) {
  const d = lines.segments.map(({ x1, y1, x2, y2 }) => `M ${x1} ${y1} L ${x2} ${y2}`).join(' ');
  const held = role === 'holds' || role === 'still';
  return (
    <g className="pointer-events-none" aria-hidden>
      {lit && <path d={d} stroke={color} strokeWidth={11} strokeOpacity={0.28} fill="none" strokeLinecap="round" />}
      <path
        d={d}
        fill="none"
        strokeLinecap="round"
        stroke={role === 'floats' ? 'var(--muted)' : color}
        strokeWidth={held ? 2.8 : 1.8}
        strokeDasharray={role === 'floats' ? '0.5 5' : undefined}
      />
      {held && <path d={lines.segments.map(hatching).join(' ')} stroke={color} strokeWidth={1.1} fill="none" />}
    </g>
  );
});

/** Small ticks along a line, as on ground: what stands. */
function hatching({ x1, y1, x2, y2 }: Segment): string {
  const ticks = [];
  if (y1 === y2)
    for (let x = Math.min(x1, x2) + TICK_ROOM / 2; x < Math.max(x1, x2) - 4; x += TICK_ROOM)
      ticks.push(`M ${x} ${y1} l -4 5`);
  else
    for (let y = Math.min(y1, y2) + TICK_ROOM / 2; y < Math.max(y1, y2) - 4; y += TICK_ROOM)
      ticks.push(`M ${x1} ${y} l 5 -4`);
  return ticks.join(' ');
}
