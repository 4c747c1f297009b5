import { scaleTime } from 'd3-scale';
import { useRef } from 'react';
import { useSize } from '@/ui/use-size';
import { VERDICTS } from '@/features/train/log/verdict-words';
import type { ReadingRow } from '../rows';
import { useLog } from '../use-log';

const [HEIGHT, MIDDLE] = [40, 14];
/** Marks that are drawn: more would lie over one another. */
const MOST = 300;

/** Readings over time: filled where they agree, a cross where they do not, a ring where it cannot be told. */
export function Timeline({ rows }: { rows: readonly ReadingRow[] }) {
  const place = useRef<HTMLDivElement>(null);
  const size = useSize(place);
  const chosen = useLog((state) => state.chosen);
  const set = useLog((state) => state.set);
  // Of many, every so many-th, so that the whole time is seen.
  const every = Math.ceil(rows.length / MOST);
  const some = every > 1 ? rows.filter(({ id }, i) => i % every === 0 || id === chosen) : rows;
  const dated = some.flatMap((row) => {
    const time = new Date(row.reading.at ?? '').getTime();
    return Number.isNaN(time) ? [] : [{ row, time }];
  });
  const times = dated.map(({ time }) => time);
  const [first, last] = [Math.min(...times), Math.max(...times)];
  const x = scaleTime([first, last === first ? first + 1 : last], [16, (size?.width ?? 100) - 16]);
  return (
    <div ref={place} className="h-10 shrink-0 border-b border-base-300" data-timeline>
      {size && dated.length > 1 && (
        <svg width={size.width} height={HEIGHT} role="img" aria-label={`Timeline of ${dated.length} readings`}>
          <line x1={10} x2={size.width - 10} y1={MIDDLE} y2={MIDDLE} className="stroke-base-300" />
          {dated.map(({ row, time }) => (
            <g
              key={row.id}
              transform={`translate(${x(time)} ${MIDDLE})`}
              className="cursor-pointer"
              onClick={() => set({ chosen: row.id, side: 'reading' })}
            >
              <title>{`${row.judged?.line ?? ''} ${row.judged ? VERDICTS[row.judged.verdict] : ''}`}</title>
              <Mark row={row} chosen={row.id === chosen} />
            </g>
          ))}
          {x.ticks(Math.max(2, Math.floor(size.width / 130))).map((tick) => (
            <text
              key={tick.getTime()}
              x={x(tick)}
              y={HEIGHT - 4}
              textAnchor="middle"
              className="fill-(--muted) text-[10px]"
            >
              {x.tickFormat()(tick)}
            </text>
          ))}
        </svg>
      )}
    </div>
  );
}

function Mark({ row: { judged, reading }, chosen }: { row: ReadingRow; chosen: boolean }) {
  const ring = chosen && <circle r={9} className="fill-none stroke-accent" strokeWidth={1.5} />;
  if (reading.kind === 'event')
    return (
      <>
        {ring}
        <path d="M 0 -7 L 6 5 H -6 Z" className="fill-warning" />
      </>
    );
  if (judged?.verdict === 'does-not-agree')
    return (
      <>
        {ring}
        <path d="M -4 -4 L 4 4 M -4 4 L 4 -4" className="stroke-error" strokeWidth={2} />
      </>
    );
  return (
    <>
      {ring}
      <circle
        r={4}
        className={
          judged?.verdict === 'agrees' ? 'fill-base-content stroke-base-content' : 'fill-base-100 stroke-base-content'
        }
        strokeWidth={1.3}
      />
    </>
  );
}
