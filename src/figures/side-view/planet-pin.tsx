/** A planet's pin; where the planet has gears in several planes, the sleeve that makes them one piece. */
export function PlanetPinFigure({ x1, x2, y, color }: { x1: number; x2: number; y: number; color: string }) {
  return (
    <g className="pointer-events-none" aria-hidden>
      {x1 !== x2 && <path d={`M ${x1} ${y - 4} H ${x2} M ${x1} ${y + 4} H ${x2}`} stroke={color} strokeWidth={2} />}
      <circle cx={(x1 + x2) / 2} cy={y} r={3.6} className="fill-base-100 stroke-base-content" strokeWidth={1.6} />
    </g>
  );
}
