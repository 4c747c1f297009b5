import type { Shaft } from '@/core/drawing';
import type { MemberFigures } from '@/core/powerflow';

/** A member along its axis: thick with a moving dash where it carries power, thin where it idles, dotted where it floats. */
export function ShaftLine({ shaft: { y, x1, x2 }, figures }: { shaft: Shaft; figures: MemberFigures }) {
  const carries = figures.role === 'drives' || figures.role === 'carries' || figures.role === 'gives out';
  if (!carries) {
    return <line x1={x1} x2={x2} y1={y} y2={y} className="stroke-base-content" strokeWidth={1.6} strokeDasharray={figures.role === 'floats' ? '2 4' : undefined} />;
  }
  return (
    <g>
      <line x1={x1} x2={x2} y1={y} y2={y} className="stroke-primary" strokeWidth={5} />
      <line x1={x1} x2={x2} y1={y} y2={y} className="power-dash stroke-base-100" strokeWidth={1.6} />
    </g>
  );
}
