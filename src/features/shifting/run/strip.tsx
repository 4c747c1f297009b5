import { scaleLinear, type ScaleLinear } from 'd3-scale';
import { memo, useMemo, type KeyboardEvent, type PointerEvent } from 'react';
import { noLoadOf, sampleBefore, type Scenario, type Traces } from '@/core/shifting';
import { figure } from '@/core/units';
import { inkOf } from '../picture/inks';
import { useNameOf, useShifting, useUnits } from '../use-shifting';
import { seconds } from './seconds';
import { laneKinds, laneScale, stretchesOf, thinLine, type CueUnit, type LaneKind } from './lanes';
import { itemAt } from '@/core/required';

/** A run to be drawn: its traces so far, and what they are of. */
export interface DrawnRun {
  readonly name: string;
  readonly traces: Traces;
  readonly scenario: Scenario;
}

interface Props {
  readonly shown: DrawnRun;
  /** Runs that it is laid over. */
  readonly beside: readonly DrawnRun[];
  readonly width: number;
  readonly height: number;
}

const ROOM = { left: 92, right: 92, top: 4, bottom: 20 };
const POSITION_HEIGHT = 20;
const GAP = 6;

/** The run over time, lane above lane; a cursor follows the mouse and the arrow keys. */
export function Strip({ shown, beside, width, height }: Props) {
  const lookAt = useShifting((state) => state.lookAt);
  const cursorS = useShifting((state) => state.cursorS);
  const duration = Math.max(shown.scenario.durationS ?? 0, ...beside.map(({ scenario }) => scenario.durationS ?? 0));
  const x = useMemo(() => scaleLinear([0, duration], [ROOM.left, width - ROOM.right]).clamp(true), [duration, width]);
  const look = (event: PointerEvent<SVGSVGElement>) => {
    if (event.type === 'pointermove' && event.buttons === 0) return;
    lookAt(x.invert(event.clientX - event.currentTarget.getBoundingClientRect().left));
  };
  const press = (event: KeyboardEvent) => {
    const by = { ArrowRight: 1, ArrowLeft: -1, PageDown: 10, PageUp: -10 }[event.key];
    const to =
      event.key === 'Home'
        ? 0
        : event.key === 'End'
          ? duration
          : by === undefined
            ? null
            : cursorS + (by * duration) / 200;
    if (to === null) return;
    event.preventDefault();
    lookAt(Math.min(duration, Math.max(0, to)));
  };
  return (
    <svg
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      role="slider"
      tabIndex={0}
      aria-label="Time that is looked at"
      aria-valuemin={0}
      aria-valuemax={duration}
      aria-valuenow={Number(cursorS.toFixed(3))}
      aria-valuetext={seconds(cursorS)}
      className="absolute inset-0 cursor-crosshair select-none"
      style={{ touchAction: 'pan-y' }}
      onPointerDown={look}
      onPointerMove={look}
      onKeyDown={press}
    >
      <Lanes shown={shown} beside={beside} x={x} width={width} height={height} />
      <Cursor shown={shown} x={x} width={width} height={height} />
    </svg>
  );
}

const cueUnitOf = ({ rule, motor }: Scenario, { perNm, torqueUnit }: ReturnType<typeof useUnits>): CueUnit =>
  rule?.cue === 'torque'
    ? { unit: torqueUnit, per: perNm }
    : rule?.cue === 'speed'
      ? { unit: noLoadOf(motor) === null ? 'rpm' : 'n/n₀', per: 1 }
      : null;

function useLanes(
  { scenario }: DrawnRun,
  height: number,
): readonly (LaneKind & { readonly top: number; readonly bottom: number })[] {
  const units = useUnits();
  return useMemo(() => {
    const kinds = laneKinds(units, cueUnitOf(scenario, units));
    const begin = ROOM.top + POSITION_HEIGHT + GAP;
    const each = (height - ROOM.bottom - begin) / kinds.length;
    return kinds.map((kind, i) => ({ ...kind, top: begin + i * each, bottom: begin + (i + 1) * each - GAP }));
  }, [units, scenario, height]);
}

type TimeScale = ScaleLinear<number, number>;

interface LanesProps extends Props {
  readonly x: TimeScale;
}

/** All that does not move with the cursor. */
const Lanes = memo(function Lanes({ shown, beside, x, width, height }: LanesProps) {
  const nameOf = useNameOf();
  const lanes = useLanes(shown, height);
  const { order } = shown.scenario;
  return (
    <g>
      <text x={ROOM.left - 6} y={ROOM.top + 14} textAnchor="end" className="fill-(--muted) text-[11px]">
        Position
      </text>
      {stretchesOf(shown.traces).map(({ place, fromS, toS }) => (
        <g key={fromS}>
          <rect
            x={x(fromS)}
            width={Math.max(0.8, x(toS) - x(fromS))}
            y={ROOM.top}
            height={POSITION_HEIGHT}
            fill={place < 0 ? 'var(--color-base-300)' : inkOf(order, itemAt(order, place))}
            fillOpacity={place < 0 ? 1 : 0.28}
          />
          {place >= 0 && x(toS) - x(fromS) > 16 && (
            <text
              x={(x(fromS) + x(toS)) / 2}
              y={ROOM.top + 14}
              textAnchor="middle"
              className="fill-base-content text-[11px] font-semibold"
            >
              {nameOf(itemAt(order, place)).slice(0, Math.max(1, Math.floor((x(toS) - x(fromS)) / 8)))}
            </text>
          )}
        </g>
      ))}
      {lanes.map((lane) => (
        <Lane key={lane.name} lane={lane} shown={shown} beside={beside} x={x} width={width} />
      ))}
      {x.ticks(8).map((time) => (
        <text key={time} x={x(time)} y={height - 5} textAnchor="middle" className="fill-(--muted) text-[11px]">
          {time} s
        </text>
      ))}
    </g>
  );
});

interface LaneProps {
  readonly lane: LaneKind & { readonly top: number; readonly bottom: number };
  readonly shown: DrawnRun;
  readonly beside: readonly DrawnRun[];
  readonly x: TimeScale;
  readonly width: number;
}

function Lane({ lane: { name, unit, per, of, top, bottom }, shown, beside, x, width }: LaneProps) {
  const y = laneScale(
    [shown, ...beside].flatMap(({ traces }) => of(traces)),
    top,
    bottom,
  );
  const [least, most] = y.domain() as [number, number];
  const lines = (drawn: DrawnRun) => of(drawn.traces).map((values) => thinLine(drawn.traces.timeS, values, x, y));
  return (
    <g>
      <line x1={ROOM.left} x2={width - ROOM.right} y1={y(0)} y2={y(0)} className="stroke-base-300" />
      <g className="fill-(--muted) text-[11px]">
        <text x={ROOM.left - 6} y={top + 10} textAnchor="end">
          {name}
        </text>
        <text x={ROOM.left - 6} y={top + 22} textAnchor="end" className="text-[10px]">
          {figure(least * per)} to {figure(most * per)}
        </text>
      </g>
      <text x={width - ROOM.right + 6} y={bottom - 1} className="fill-(--muted) text-[10px]">
        {unit}
      </text>
      {beside.map((other, i) =>
        lines(other).map((d, k) => (
          <path key={`${i} ${k}`} d={d} className="fill-none stroke-accent" strokeWidth={1.2} strokeDasharray="3 2" />
        )),
      )}
      {lines(shown).map((d, k) => (
        <path
          key={k}
          d={d}
          className={name === 'Power' ? 'fill-none stroke-primary' : 'fill-none stroke-base-content'}
          strokeWidth={k === 0 ? 1.5 : 1}
          strokeDasharray={k === 0 ? undefined : '5 2'}
        />
      ))}
      {name === 'Detector' && <ThresholdLines shown={shown} x={x} y={y} />}
    </g>
  );
}

/** The thresholds of the position that is in: where the reading meets them, it shifts. */
function ThresholdLines({ shown: { traces, scenario }, x, y }: { shown: DrawnRun; x: TimeScale; y: TimeScale }) {
  const { rule, order } = scenario;
  const [, most] = y.domain() as [number, number];
  return stretchesOf(traces).flatMap(({ place, fromS, toS }) =>
    place < 0
      ? []
      : ([rule?.down?.[itemAt(order, place)], rule?.up?.[itemAt(order, place)]] as const).map((value, k) =>
          value === undefined || value > most ? null : (
            <line
              key={`${fromS} ${k}`}
              x1={x(fromS)}
              x2={x(toS)}
              y1={y(value)}
              y2={y(value)}
              className="stroke-accent"
              strokeWidth={1}
            />
          ),
        ),
  );
}

interface CursorProps {
  readonly shown: DrawnRun;
  readonly x: TimeScale;
  readonly width: number;
  readonly height: number;
}

function Cursor({ shown, x, width, height }: CursorProps) {
  const cursorS = useShifting((state) => state.cursorS);
  const lanes = useLanes(shown, height);
  const { traces, scenario } = shown;
  if (traces.timeS.length === 0) return null;
  const at = sampleBefore(traces, cursorS);
  const { wheelDiameterMm } = scenario.load;
  return (
    <g aria-hidden>
      <line
        x1={x(cursorS)}
        x2={x(cursorS)}
        y1={ROOM.top}
        y2={height - ROOM.bottom}
        className="stroke-primary"
        strokeWidth={1.2}
      />
      <g className="figure fill-base-content text-xs">
        <text x={width - ROOM.right + 6} y={ROOM.top + 14}>
          {seconds(cursorS)}
        </text>
        {lanes.map(({ name, per, of, top }) => (
          <text key={name}>
            {of(traces).map((values, k) => (
              <tspan
                key={k}
                x={width - ROOM.right + 6}
                y={top + 10 + 13 * k}
                className={k > 0 ? 'fill-(--muted)' : undefined}
              >
                {figure(itemAt(values, at) * per)}
              </tspan>
            ))}
            {name === 'Output speed' && wheelDiameterMm ? (
              <tspan x={width - ROOM.right + 6} y={top + 23} className="fill-(--muted)">
                {figure((itemAt(traces.outputRpm, at) * Math.PI * wheelDiameterMm) / 60_000)} m/s
              </tspan>
            ) : null}
          </text>
        ))}
      </g>
    </g>
  );
}
