import { scaleLinear } from 'd3-scale';
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import type { Selector, TravelStretch } from '@/core/shifting';
import { setSpan, type Train } from '@/core/train';
import { couplerName } from '@/core/words';
import { editTrain, endVisit } from '@/features/train/edit';
import { useTrainStore } from '@/features/train/use-train';
import { itemAt, required } from '@/core/required';

const [WIDTH, LEFT, LANE, TOP] = [348, 84, 18, 4];

interface Props {
  readonly train: Train;
  readonly selector: Selector;
  readonly stretches: readonly TravelStretch[];
}

/**
 * A sleeve's travel to scale, a lane for each coupler; ends of engagements are dragged, or moved with the arrow keys by
 * half a millimetre.
 */
export function TravelBar({ train, selector, stretches }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const couplers = [...new Set(selector.spans.map(({ coupler }) => coupler))];
  const [from, to] = [stretches[0]?.fromMm ?? 0, stretches.at(-1)?.toMm ?? 1];
  const x = scaleLinear([from, to], [LEFT, WIDTH - 8]);
  const bottom = TOP + couplers.length * LANE;
  const own = train.selectors?.includes(selector) ?? false;
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${WIDTH} ${bottom + 30}`}
      className="w-full select-none"
      role="group"
      aria-label={`Lanes of ${selector.name || selector.id}`}
    >
      {stretches
        .filter(({ status }) => status === 'locked')
        .map(({ fromMm, toMm }) => (
          <rect
            key={fromMm}
            x={x(fromMm)}
            width={x(toMm) - x(fromMm)}
            y={TOP}
            height={bottom - TOP}
            className="fill-error/20"
          />
        ))}
      {couplers.map((coupler, lane) => {
        const y = TOP + lane * LANE;
        return (
          <g key={coupler}>
            <text x={LEFT - 6} y={y + 12} textAnchor="end" className="fill-base-content text-[11px]">
              {couplerName(train, coupler).slice(0, 14)}
            </text>
            <line x1={LEFT} x2={WIDTH - 8} y1={y + LANE / 2} y2={y + LANE / 2} className="stroke-base-300" />
            {selector.spans.map((span, at) =>
              span.coupler !== coupler ? null : (
                <g key={at}>
                  <rect
                    x={x(span.from)}
                    width={Math.max(1, x(span.to) - x(span.from))}
                    y={y + 3}
                    height={LANE - 6}
                    className="fill-base-content/60"
                  />
                  {own &&
                    (['from', 'to'] as const).map((end) => (
                      <SpanEnd
                        key={end}
                        svg={svg}
                        train={train}
                        selector={selector}
                        at={at}
                        end={end}
                        x={x(span[end])}
                        y={y}
                        mmAt={(px) => x.invert(px)}
                      />
                    ))}
                </g>
              ),
            )}
          </g>
        );
      })}
      <g className="fill-(--muted) text-[10px]">
        {x.ticks(5).map((mm) => (
          <g key={mm}>
            <line x1={x(mm)} x2={x(mm)} y1={bottom} y2={bottom + 4} className="stroke-base-content" />
            <text x={x(mm)} y={bottom + 14} textAnchor="middle">
              {mm}
            </text>
          </g>
        ))}
        <text x={(LEFT + WIDTH) / 2} y={bottom + 26} textAnchor="middle">
          Travel, mm
        </text>
      </g>
    </svg>
  );
}

interface EndProps {
  readonly svg: React.RefObject<SVGSVGElement | null>;
  readonly train: Train;
  readonly selector: Selector;
  readonly at: number;
  readonly end: 'from' | 'to';
  readonly x: number;
  readonly y: number;
  readonly mmAt: (px: number) => number;
}

const HALF_MM = 0.5;

/** An end of an engagement; one drag is one step of undo. */
function SpanEnd({ svg, train, selector, at, end, x, y, mmAt }: EndProps) {
  const store = useTrainStore();
  const span = itemAt(selector.spans, at);
  const label = `${couplerName(train, span.coupler)} ${end === 'from' ? 'begins' : 'ends'}`;
  const put = (mm: number) => {
    const value = Math.round(mm / HALF_MM) * HALF_MM;
    const edit = setSpan(train, selector.id, at, { ...span, [end]: value });
    if (edit.ok) editTrain(store, edit.train, { merge: `span ${selector.id} ${at} ${end}` });
  };
  const follow = (event: PointerEvent<SVGRectElement>) => {
    if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
    const box = required(svg.current).getBoundingClientRect();
    put(mmAt(((event.clientX - box.left) / box.width) * WIDTH));
  };
  const press = (event: KeyboardEvent) => {
    const by = event.key === 'ArrowRight' ? HALF_MM : event.key === 'ArrowLeft' ? -HALF_MM : 0;
    if (by === 0) return;
    event.preventDefault();
    put(span[end] + by);
  };
  return (
    <rect
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuenow={span[end]}
      aria-valuetext={`${label} at ${span[end]} mm`}
      x={x - 3}
      y={y + 1}
      width={6}
      height={LANE - 2}
      rx={2}
      className="cursor-ew-resize fill-base-100 stroke-base-content"
      strokeWidth={1.2}
      style={{ touchAction: 'none' }}
      onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
      onPointerMove={follow}
      onPointerUp={() => endVisit(store)}
      onBlur={() => endVisit(store)}
      onKeyDown={press}
    >
      <title>{`${label} at ${span[end]} mm`}</title>
    </rect>
  );
}
