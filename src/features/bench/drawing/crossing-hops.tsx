import type { PowerLine, SideView } from '@/core/drawing';
import { powerWidth } from '@/figures/side-view/power-path';

const REACH = 8;

/** Where two members' lines cross, the level one hops over the upright one. */
export function CrossingHops({
  view,
  flowing,
  colorOf,
}: {
  view: SideView;
  flowing: readonly PowerLine[];
  colorOf: (member: string) => string;
}) {
  const ink = (member: string, x: number, y: number) => {
    const line = flowing.find(
      (own) =>
        own.member === member &&
        Math.min(own.from.x, own.to.x) <= x &&
        x <= Math.max(own.from.x, own.to.x) &&
        Math.min(own.from.y, own.to.y) <= y &&
        y <= Math.max(own.from.y, own.to.y),
    );
    return line
      ? { stroke: 'var(--color-primary)', strokeWidth: powerWidth(line.share) }
      : { stroke: colorOf(member), strokeWidth: 2 };
  };
  return (
    <g className="pointer-events-none" aria-hidden>
      {view.crossings.map(({ x, y, over, under }) => (
        <g key={`${x} ${y}`}>
          <rect x={x - REACH} y={y - 5} width={2 * REACH} height={10} className="fill-base-100" />
          <path d={`M ${x} ${y - 6} V ${y + 6}`} {...ink(under, x, y)} />
          <path
            d={`M ${x - REACH} ${y} A ${REACH} ${REACH} 0 0 1 ${x + REACH} ${y}`}
            fill="none"
            {...ink(over, x, y)}
          />
        </g>
      ))}
    </g>
  );
}
