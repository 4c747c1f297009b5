import type { GearShape } from '@/core/drawing';
import type { GearType } from '@/core/train';

interface Props {
  readonly shape: GearShape;
  readonly type: GearType;
  /** The member's colour, or that of power. */
  readonly stroke: string;
  readonly fill: string;
  readonly lit?: boolean;
}

/** A gear seen from the side, as its kind is drawn: bar, tooth line, planet on its pin, bevel, worm. */
export function GearOutline({ shape: gear, type, stroke, fill, lit = false }: Props) {
  const { x, y, radius, halfWidth, shape, bore } = gear;
  const ink = { stroke, fill, fillOpacity: lit ? 0.5 : 0.18, strokeWidth: lit ? 2.8 : 1.9 };
  switch (shape) {
    case 'bar':
      return (
        <g>
          {bore > 0 ? (
            [-1, 1].map((side) => (
              <rect
                key={side}
                x={x - halfWidth}
                y={side < 0 ? y - radius + 1 : y + bore}
                width={2 * halfWidth}
                height={Math.max(2, radius - bore - 1)}
                rx={2}
                {...ink}
              />
            ))
          ) : (
            <rect x={x - halfWidth} y={y - radius + 1} width={2 * halfWidth} height={2 * radius - 2} rx={2} {...ink} />
          )}
          {type === 'worm' && <path d={threads(gear)} stroke={stroke} strokeWidth={1.4} fill="none" />}
        </g>
      );
    case 'cup':
      return (
        <path
          d={`M ${x - halfWidth} ${y - radius} H ${x + halfWidth + 4} V ${y + radius} H ${x - halfWidth}`}
          {...ink}
          fill="none"
          strokeWidth={lit ? 4 : 3}
        />
      );
    case 'sun':
    case 'ring':
      // The tooth line lies on the far side of the pitch line, clear of the planet's end.
      return (
        <rect
          x={x - halfWidth}
          y={shape === 'sun' ? y + 0.5 : y - 6.5}
          width={2 * halfWidth}
          height={6}
          rx={1}
          {...ink}
          fillOpacity={lit ? 0.9 : 0.45}
        />
      );
    case 'planet':
      return (
        <path
          d={
            `M ${x - halfWidth} ${y - radius} H ${x + halfWidth} M ${x} ${y - radius} V ` +
            `${y + radius} M ${x - halfWidth} ${y + radius} H ${x + halfWidth}`
          }
          {...ink}
          fill="none"
          strokeWidth={lit ? 4 : 2.8}
        />
      );
    case 'side':
      return (
        <path
          d={
            `M ${x - halfWidth} ${y + radius} L ${x - halfWidth} ${y - radius + 6} L ` +
            `${x + halfWidth} ${y - radius} L ${x + halfWidth} ${y + radius} Z`
          }
          {...ink}
        />
      );
    case 'top':
      return (
        <path
          d={
            `M ${x - halfWidth} ${y - radius} H ${x + halfWidth} L ` +
            `${x + halfWidth - 6} ${y + radius} H ${x - halfWidth + 6} Z`
          }
          {...ink}
        />
      );
  }
}

/** A worm's thread as slanted lines across its bar. */
function threads({ x, y, radius, halfWidth }: GearShape): string {
  const lines = [];
  for (let at = -halfWidth + 3; at < halfWidth - 5; at += 7)
    lines.push(`M ${x + at} ${y + radius - 2} l 6 ${-2 * radius + 4}`);
  return lines.join(' ');
}
