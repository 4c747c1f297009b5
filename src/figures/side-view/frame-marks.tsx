import type { Point, Port } from '@/core/drawing';

/** The frame: a line with hatching on its far side. Drawn to the right of the origin. */
export function Ground({ half = 9 }: { half?: number }) {
  const ticks = [];
  for (let y = -half + 1; y <= half; y += 4.5) ticks.push(`M 0 ${y} l 5 -4`);
  return (
    <path d={`M 0 ${-half} V ${half} ${ticks.join(' ')}`} className="fill-none stroke-base-content" strokeWidth={1.3} />
  );
}

/** A bearing: the frame, hatched, above and below the shaft. */
export function BearingMark({ at: { x, y } }: { at: Point }) {
  return (
    <g transform={`translate(${x} ${y})`}>
      <g transform="translate(0 6) rotate(90)">
        <Ground />
      </g>
      <g transform="translate(0 -6) rotate(-90)">
        <Ground />
      </g>
    </g>
  );
}

/** Where power goes in (towards the train) and comes out (away from it). */
export function PortArrow({ port: { kind, side, x, y } }: { port: Port }) {
  const outward = side === 'left' ? -1 : 1;
  const [tip, back] = kind === 'input' ? [x + outward * 2, x + outward * 18] : [x + outward * 18, x + outward * 2];
  return <path d={`M ${tip} ${y} L ${back} ${y - 8} V ${y + 8} Z`} className="fill-primary" aria-hidden />;
}
