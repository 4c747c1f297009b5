'use client';

import { useRef } from 'react';
import type { GearShape } from '@/core/drawing';
import { useEachFrame } from '../crank/turns';
import { useBench, useCrank } from '../use-bench';

/** A little less than two frames. */
const SEEN_MS = 30;

/** The painted teeth seen from the side: up and down over the gear's face, full in front, hollow behind. */
export function MarkDots({ gears }: { gears: readonly GearShape[] }) {
  const marks = useBench((state) => state.marks);
  const dots = useRef(new Map<string, SVGCircleElement>());
  const marked = gears.filter(({ gear, shape }) => shape === 'bar' && marks.includes(gear));
  const crank = useCrank();
  const last = useRef(0);
  useEachFrame((turns) => {
    // Each move paints the whole drawing anew, and a dot this small needs no more than every other frame.
    if (crank.turnsSince !== 0 && performance.now() - last.current < SEEN_MS) return;
    last.current = performance.now();
    for (const { gear, member, y, radius } of marked) {
      const dot = dots.current.get(gear);
      const angle = 2 * Math.PI * turns(member);
      dot?.setAttribute('cy', String(y - (radius - 4) * Math.cos(angle)));
      dot?.setAttribute('fill-opacity', Math.sin(angle) >= 0 ? '1' : '0');
    }
  });
  return (
    <g className="fill-base-content stroke-base-content">
      {marked.map(({ gear, x, y }) => (
        <circle
          key={gear}
          ref={(element) => {
            if (element) dots.current.set(gear, element);
            else dots.current.delete(gear);
          }}
          cx={x}
          cy={y}
          r={3.4}
          strokeWidth={1.3}
        />
      ))}
    </g>
  );
}
