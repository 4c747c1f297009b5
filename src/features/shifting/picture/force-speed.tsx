import { useMemo } from 'react';
import type { Band } from '@/core/shifting';
import { figure } from '@/core/units';
import { choosePosition } from '@/features/train/choosing';
import { useNow, useTrainStore } from '@/features/train/use-train';
import { DataTable } from '@/ui/data-table';
import { DrawnFigure } from '@/ui/drawn-figure';
import type { Setup } from '../setup';
import { useNameOf, useUnits } from '../use-shifting';
import { Axes } from './axes';
import { envelope, forceAt, forceCurve, frameOf, loadCurve, pathOf, type Frame } from './frame';
import { Hump } from './hump';
import { inkOf } from './inks';
import { LoadHandle, ThresholdHandles } from './handles';
import { namePlaces } from './name-places';
import { itemAt, lookUp, required } from '@/core/required';

/**
 * Output torque over output speed: what each position can do, what the load asks, where they meet, and where it shifts.
 */
export function ForceSpeed({ setup }: { setup: Setup }) {
  const chosen = useChosen(setup);
  return (
    <DrawnFigure
      title="Torque and speed"
      beside={<PositionChips setup={setup} chosen={chosen} />}
      className="xl:flex-1 max-xl:h-80"
      table={() => <ForceTable setup={setup} />}
    >
      {(width, height) => <Picture setup={setup} chosen={chosen} width={width} height={height} />}
    </DrawnFigure>
  );
}

/** The position that is looked at on every screen, where it is one of the order's. */
function useChosen({ scenario }: Setup): string {
  const { positionId } = useNow();
  return positionId !== null && scenario.order.includes(positionId) ? positionId : itemAt(scenario.order, 0);
}

function PositionChips({ setup, chosen }: { setup: Setup; chosen: string }) {
  const store = useTrainStore();
  const nameOf = useNameOf();
  return (
    <span role="group" aria-label="Position whose power is drawn" className="flex flex-wrap items-center gap-1">
      <span className="muted pl-2 text-xs">power in</span>
      {setup.scenario.order.map((id) => (
        <button
          key={id}
          type="button"
          className="btn btn-ghost btn-xs min-w-7 aria-pressed:bg-base-300"
          aria-pressed={id === chosen}
          onClick={() => choosePosition(store, id)}
        >
          {nameOf(id)}
        </button>
      ))}
    </span>
  );
}

interface PictureProps {
  readonly setup: Setup;
  readonly chosen: string;
  readonly width: number;
  readonly height: number;
}

function Picture({ setup, chosen, width, height }: PictureProps) {
  const units = useUnits();
  const nameOf = useNameOf();
  const frame = useMemo(() => frameOf(setup, width, height), [setup, width, height]);
  const names = useMemo(() => namePlaces(frame, setup), [frame, setup]);
  const { left, right, top, bottom } = frame;
  const { order } = setup.scenario;
  return (
    <svg
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      className="absolute inset-0 select-none"
      role="group"
      aria-label="Output torque over output speed"
    >
      <clipPath id="force-speed">
        <rect x={left} y={top} width={Math.max(0, right - left)} height={Math.max(0, bottom - top)} />
      </clipPath>
      <Hump frame={frame} setup={setup} id={chosen} />
      <Axes frame={frame} units={units} />
      <g clipPath="url(#force-speed)">
        <path
          d={pathOf(frame, envelope(frame, setup))}
          className="fill-none stroke-base-content/12"
          strokeWidth={9}
          strokeLinejoin="round"
        />
        {order.map((id) => (
          <path
            key={id}
            d={pathOf(frame, forceCurve(frame, setup, id))}
            fill="none"
            stroke={inkOf(order, id)}
            strokeWidth={id === chosen ? 2.8 : 1.6}
          />
        ))}
        <Bands frame={frame} setup={setup} />
        {frame.mostLoadAt && (
          <path
            d={pathOf(frame, loadCurve(frame.mostLoadAt, frame))}
            className="fill-none stroke-base-content"
            strokeWidth={1.2}
            strokeDasharray="2 4"
          />
        )}
        <path
          d={pathOf(frame, loadCurve(frame.loadAt, frame))}
          className="fill-none stroke-base-content"
          strokeWidth={2}
          strokeDasharray="9 4"
        />
      </g>
      <LoadWords frame={frame} />
      {[...names].map(([id, place]) => (
        <text
          key={id}
          {...place}
          fill={inkOf(order, id)}
          className="stroke-base-100 text-xs font-semibold"
          strokeWidth={3}
          paintOrder="stroke"
          aria-hidden
        >
          {nameOf(id)}
        </text>
      ))}
      {order.map((id) => (
        <MeetingPoint
          key={id}
          frame={frame}
          setup={setup}
          id={id}
          chosen={id === chosen}
          says={`${nameOf(id)}: ${pointText(setup, id, units)}`}
        />
      ))}
      <LoadHandle frame={frame} setup={setup} />
      <ThresholdHandles frame={frame} setup={setup} />
    </svg>
  );
}

function pointText({ points }: Setup, id: string, { speed, torque }: ReturnType<typeof useUnits>): string {
  const { stalls, outputRpm, outputTorqueNm, powerShare } = lookUp(points.positions, id);
  return stalls
    ? 'stalls'
    : `${speed(outputRpm)}, ${torque(outputTorqueNm)}, ${figure(powerShare * 100)} % of peak power`;
}

/** Where the two positions of a pair give the same power, and the band between a rule's own thresholds. */
function Bands({ frame, setup }: { frame: Frame; setup: Setup }) {
  return setup.bands.map((band) => (
    <BandMark key={`${band.from} ${band.to}`} frame={frame} setup={setup} band={band} />
  ));
}

function BandMark({
  frame: { x, top, bottom },
  setup: { gearings },
  band,
}: {
  frame: Frame;
  setup: Setup;
  band: Band;
}) {
  const [before, after] = [lookUp(gearings, band.from), lookUp(gearings, band.to)];
  const own = band.own && [x(band.own.downRpm / after.ratio), x(band.own.upRpm / before.ratio)];
  return (
    <g aria-hidden>
      {own && (
        <rect
          x={Math.min(...own)}
          width={Math.max(1, Math.abs(itemAt(own, 1) - itemAt(own, 0)))}
          y={top}
          height={Math.max(0, bottom - top)}
          className={required(band.own).verdict === 'sound' ? 'fill-accent/12' : 'fill-warning/25'}
        />
      )}
      {band.equal && (
        <line
          x1={x(band.equal.downRpm / after.ratio)}
          x2={x(band.equal.downRpm / after.ratio)}
          y1={top}
          y2={bottom}
          className="stroke-accent"
          strokeWidth={1}
          strokeDasharray="2 3"
        />
      )}
    </g>
  );
}

/** The load's name where its line leaves the plot on the right, or, where it is too large for it, at the top. */
function LoadWords({ frame: { x, y, right, top, loadAt, mostLoadAt, mostRpm } }: { frame: Frame }) {
  const word = (at: (rpm: number) => number, text: string) => {
    const rpm = 0.78 * mostRpm;
    const height = y(at(rpm));
    return height < top + 10 ? null : (
      <text
        x={Math.min(right - 4, x(rpm))}
        y={height - 5}
        textAnchor="middle"
        className="fill-base-content stroke-base-100 text-[11px]"
        strokeWidth={3}
        paintOrder="stroke"
      >
        {text}
      </text>
    );
  };
  return (
    <g aria-hidden>
      {word(loadAt, mostLoadAt ? 'load at first' : 'load')}
      {mostLoadAt && word(mostLoadAt, 'load at its most')}
    </g>
  );
}

interface PointProps {
  readonly frame: Frame;
  readonly setup: Setup;
  readonly id: string;
  readonly chosen: boolean;
  readonly says: string;
}

/** Where motor and load meet; on the axis, hollow, where the position stalls. */
function MeetingPoint({ frame: { x, y, right, top, bottom }, setup, id, chosen, says }: PointProps) {
  const { stalls, outputRpm, outputTorqueNm } = lookUp(setup.points.positions, id);
  if (!Number.isFinite(outputRpm)) return null;
  const [px, py] = [Math.min(right, x(outputRpm)), Math.min(bottom, Math.max(top, y(outputTorqueNm)))];
  const ink = inkOf(setup.scenario.order, id);
  return (
    <g transform={`translate(${px} ${py})`}>
      <title>{says}</title>
      <circle
        r={chosen ? 6 : 4.5}
        fill={stalls ? 'var(--color-base-100)' : chosen ? 'var(--color-primary)' : ink}
        stroke={ink}
        strokeWidth={2}
      />
      {stalls && <path d="M -3 -3 L 3 3 M -3 3 L 3 -3" stroke={ink} strokeWidth={1.5} />}
    </g>
  );
}

function ForceTable({ setup }: { setup: Setup }) {
  const { perRpm, perNm, speedUnit, torqueUnit } = useUnits();
  const nameOf = useNameOf();
  const { order } = setup.scenario;
  const frame = frameOf(setup, 1000, 1000);
  const rows = Array.from({ length: 41 }, (_, i) => (i / 40) * frame.mostRpm);
  return (
    <DataTable
      label="Torque and speed at the output"
      rows={rows}
      keyOf={(rpm) => String(rpm)}
      columns={[
        {
          head: `Output speed, ${speedUnit}`,
          numeric: true,
          value: (rpm) => rpm * perRpm,
          cell: (rpm) => figure(rpm * perRpm),
        },
        ...order.map((id) => ({
          head: `${nameOf(id)}, ${torqueUnit}`,
          numeric: true,
          value: (rpm: number) => forceAt(frame, setup, id, rpm) * perNm,
          cell: (rpm: number) => figure(forceAt(frame, setup, id, rpm) * perNm),
        })),
        {
          head: `Load, ${torqueUnit}`,
          numeric: true,
          value: (rpm) => frame.loadAt(rpm) * perNm,
          cell: (rpm) => figure(frame.loadAt(rpm) * perNm),
        },
      ]}
    />
  );
}
