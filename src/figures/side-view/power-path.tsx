import type { PowerLine } from '@/core/drawing';

const ARROW_ROOM = 26;
/** More dashes than this stand still: moving them would take the time of everything else. */
const MOST_MOVING = 120;

/** Thickness for a share of the input power; of one that is open, that of a half. */
export const powerWidth = (share: number | null): number => 2.2 + 3.6 * Math.min(1.8, share ?? 0.5);

/**
 * Where power flows: thick by its share, an arrowhead on every long stretch, and a dash that moves with the flow.
 * Where parallel ways share
 * it, nobody knows how much goes which way: dotted, without an arrow.
 */
export function PowerPathLines({ lines }: { lines: readonly PowerLine[] }) {
  const moving = lines.length <= MOST_MOVING;
  return (
    <g className="pointer-events-none" aria-hidden>
      {lines.map(({ from, to, share }, i) => (
        <g key={i}>
          <line
            x1={from.x}
            y1={from.y}
            x2={to.x}
            y2={to.y}
            className="stroke-primary"
            strokeWidth={powerWidth(share)}
            strokeLinecap="round"
            strokeDasharray={share === null ? '0.1 8' : undefined}
          />
          {share !== null && (
            <line
              x1={from.x}
              y1={from.y}
              x2={to.x}
              y2={to.y}
              className={moving ? 'power-dash stroke-base-100' : 'stroke-base-100'}
              strokeDasharray="2 14"
              strokeWidth={Math.max(1, powerWidth(share) / 3.4)}
            />
          )}
        </g>
      ))}
      {lines.map((line, i) => (
        <Arrowhead key={i} line={line} />
      ))}
    </g>
  );
}

function Arrowhead({ line: { from, to, share } }: { line: PowerLine }) {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  if (length < ARROW_ROOM || share === null) return null;
  const half = 3.4 + powerWidth(share) / 2;
  const angle = (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI;
  return (
    <path
      d={`M ${half} 0 L ${-half} ${-half} L ${-half} ${half} Z`}
      transform={`translate(${(from.x + to.x) / 2} ${(from.y + to.y) / 2}) rotate(${angle})`}
      className="fill-primary stroke-base-100"
      strokeWidth={1}
    />
  );
}
