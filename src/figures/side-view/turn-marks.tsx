import type { SideView } from '@/core/drawing';

/** A painted tooth on every gear that is seen whole: up and down over its face, full in front, hollow behind. */
export function TurnMarks({ view, turns }: { view: SideView; turns: (member: string) => number }) {
  return (
    <g className="fill-base-content stroke-base-content" strokeWidth={1.3}>
      {view.gears
        .filter(({ shape }) => shape === 'bar')
        .map(({ gear, member, x, y, radius }) => {
          const angle = 2 * Math.PI * turns(member);
          return (
            <circle
              key={gear}
              cx={x}
              cy={y - (radius - 5) * Math.cos(angle)}
              r={4.5}
              fillOpacity={Math.sin(angle) >= 0 ? 1 : 0}
            />
          );
        })}
    </g>
  );
}
