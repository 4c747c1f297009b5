import { scaleLinear } from 'd3-scale';
import { figure } from '@/core/units';

interface Props {
  readonly title: string;
  readonly xUnit: string;
  readonly yUnit: string;
  readonly curves: readonly { readonly points: readonly (readonly [number, number])[]; readonly power?: boolean }[];
}

const [WIDTH, HEIGHT, LEFT, BOTTOM, TOP] = [256, 78, 1, 14, 16];

/** A line in little, with the ends of its axes; what it says stands below. */
export function SmallCurve({ title, xUnit, yUnit, curves }: Props) {
  const all = curves.flatMap(({ points }) => points);
  const [mostX, mostY] = [Math.max(...all.map(([x]) => x)), Math.max(1e-9, ...all.map(([, y]) => y))];
  const leastY = Math.min(0, ...all.map(([, y]) => y));
  const x = scaleLinear([0, mostX], [LEFT, WIDTH - 4]);
  const y = scaleLinear([leastY, mostY], [HEIGHT - BOTTOM, TOP]);
  return (
    <figure>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full" role="img" aria-label={title}>
        <path
          d={`M ${LEFT} ${TOP} V ${y(0)} H ${WIDTH - 4}`}
          className="fill-none stroke-base-content/60"
          strokeWidth={1}
        />
        {curves.map(({ points, power = false }, i) => (
          <path
            key={i}
            d={points.map(([a, b], k) => `${k === 0 ? 'M' : 'L'} ${x(a).toFixed(1)} ${y(b).toFixed(1)}`).join(' ')}
            className={power ? 'fill-none stroke-primary' : 'fill-none stroke-base-content'}
            strokeDasharray={power ? '4 3' : undefined}
            strokeWidth={1.6}
          />
        ))}
        <g className="fill-(--muted) text-[10px]">
          <text x={0} y={TOP - 6}>
            {figure(mostY)} {yUnit}
          </text>
          <text x={WIDTH - 4} y={HEIGHT - 2} textAnchor="end">
            {figure(mostX)} {xUnit}
          </text>
        </g>
      </svg>
      <figcaption className="muted text-xs">{title}.</figcaption>
    </figure>
  );
}
