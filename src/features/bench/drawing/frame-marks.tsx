import type { Bearing, Port } from '@/core/drawing';

/** A bearing: the frame, hatched, above and below the shaft. */
export function BearingMark({ bearing: { x, y } }: { bearing: Bearing }) {
  return (
    <g className="stroke-base-content" strokeWidth={1.2}>
      {[-1, 1].map((side) => (
        <g key={side}>
          <line x1={x - 9} x2={x + 9} y1={y + side * 6} y2={y + side * 6} />
          {[-7, -2, 3].map((at) => (
            <line key={at} x1={x + at} x2={x + at + 4} y1={y + side * (side < 0 ? 6 : 11)} y2={y + side * (side < 0 ? 11 : 6)} opacity={0.7} />
          ))}
        </g>
      ))}
    </g>
  );
}

/** Where power goes in and comes out. */
export function PortArrow({ port: { kind, x, y } }: { port: Port }) {
  const tip = kind === 'input' ? x : x + 16;
  return <path d={`M ${tip} ${y} l -16 -8 v 16 z`} className="fill-primary" aria-hidden />;
}
