import type { SideView } from '@/core/drawing';

/** The side view as a picture, without words or handles. */
export function SmallDrawing({ view }: { view: SideView }) {
  return (
    <svg viewBox={`0 0 ${view.width} ${view.height}`} className="h-44 w-full" aria-hidden>
      {view.shafts.map((shaft) => (
        <line key={shaft.member} x1={shaft.x1} x2={shaft.x2} y1={shaft.y} y2={shaft.y} className="stroke-base-content" strokeWidth={2} />
      ))}
      {view.gears.map(({ gear, x, y, radius, halfWidth }) => (
        <rect key={gear} x={x - halfWidth / 2} y={y - radius + 1} width={halfWidth} height={2 * radius - 2} className="fill-base-200 stroke-base-content" strokeWidth={1.5} />
      ))}
    </svg>
  );
}
