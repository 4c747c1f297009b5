import { scaleLinear } from 'd3-scale';
import { figure, tickText } from '@/core/units';
import { DataTable } from '@/ui/data-table';
import { DrawnFigure } from '@/ui/drawn-figure';

interface Point {
  readonly position: string;
  readonly name: string;
  readonly ratio: number | null;
  readonly value: number;
  readonly least: number;
  readonly most: number;
}

const ROOM = { left: 40, right: 12, top: 10, bottom: 32 };

/** Measured efficiency over the ratio, with what each reading leaves open, and the straight trend. */
export function EfficiencyPicture({ points }: { points: readonly Point[] }) {
  const known = points.flatMap((point) => (point.ratio === null ? [] : [{ ...point, ratio: point.ratio }]));
  const trend = trendOf(known);
  return (
    <DrawnFigure
      title="Efficiency and ratio"
      className="h-56"
      beside={
        trend && (
          <span className="muted text-xs">
            {trend.slope < 0 ? 'larger in/out ratio, more loss' : 'no more loss at larger ratios'}
          </span>
        )
      }
      table={() => (
        <DataTable
          label="Efficiency and ratio"
          rows={known}
          keyOf={({ position }) => position}
          columns={[
            { head: 'Position', value: ({ name }) => name },
            { head: 'Ratio, in/out', numeric: true, value: ({ ratio }) => ratio, cell: ({ ratio }) => figure(ratio) },
            {
              head: 'Efficiency, %',
              numeric: true,
              value: ({ value }) => value * 100,
              cell: ({ value }) => figure(value * 100),
            },
          ]}
        />
      )}
    >
      {(width, height) => {
        const most = Math.max(...known.map(({ ratio }) => ratio)) * 1.1;
        const least = Math.min(0.9, ...known.map((point) => point.least));
        const x = scaleLinear([0, most], [ROOM.left, width - ROOM.right]);
        const y = scaleLinear(
          [least, Math.max(1, ...known.map((point) => point.most))],
          [height - ROOM.bottom, ROOM.top],
        );
        return (
          <svg
            width={width}
            height={height}
            viewBox={`0 0 ${width} ${height}`}
            className="absolute inset-0 text-[11px]"
            role="img"
            aria-label="Measured efficiency over ratio"
          >
            <path
              d={`M${ROOM.left} ${ROOM.top}V${height - ROOM.bottom}H${width - ROOM.right}`}
              className="fill-none stroke-base-content"
            />
            {y.ticks(4).map((tick) => (
              <text key={tick} x={ROOM.left - 5} y={y(tick) + 4} textAnchor="end" className="fill-(--muted)">
                {tickText(tick * 100)} %
              </text>
            ))}
            {x.ticks(5).map((tick) => (
              <text key={tick} x={x(tick)} y={height - ROOM.bottom + 14} textAnchor="middle" className="fill-(--muted)">
                {tickText(tick)}
              </text>
            ))}
            <text x={(ROOM.left + width) / 2} y={height - 4} textAnchor="middle" className="fill-(--muted)">
              Ratio, in/out
            </text>
            {trend && (
              <line
                x1={x(0)}
                x2={x(most)}
                y1={y(trend.at)}
                y2={y(trend.at + trend.slope * most)}
                className="stroke-accent"
                strokeDasharray="4 3"
              />
            )}
            {known.map(({ position, name, ratio, value, least: low, most: high }) => (
              <g key={position}>
                <path
                  d={`M${x(ratio)} ${y(low)}V${y(high)}M${x(ratio) - 4} ${y(low)}h8M${x(ratio) - 4} ${y(high)}h8`}
                  className="stroke-base-content"
                  strokeWidth={1.3}
                />
                <circle cx={x(ratio)} cy={y(value)} r={3.5} className="fill-primary" />
                <text x={x(ratio) + 7} y={y(value) - 5} className="fill-base-content">
                  {name}
                </text>
              </g>
            ))}
          </svg>
        );
      }}
    </DrawnFigure>
  );
}

/** The straight line nearest to the points, by least squares; null where all have one ratio. */
function trendOf(points: readonly { readonly ratio: number; readonly value: number }[]) {
  const mean = (of: (point: { ratio: number; value: number }) => number) =>
    points.reduce((sum, point) => sum + of(point), 0) / points.length;
  const [ratio, value] = [mean((point) => point.ratio), mean((point) => point.value)];
  const spread = points.reduce((sum, point) => sum + (point.ratio - ratio) ** 2, 0);
  if (points.length < 2 || spread === 0) return null;
  const slope = points.reduce((sum, point) => sum + (point.ratio - ratio) * (point.value - value), 0) / spread;
  return { slope, at: value - slope * ratio };
}
