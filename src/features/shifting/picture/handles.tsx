import { cueReading, noLoadOf, type Band } from '@/core/shifting';
import { figure } from '@/core/units';
import type { Setup } from '../setup';
import { useFill, useTypedFields, useNameOf, useUnits } from '../use-shifting';
import { DragHandle } from './drag-handle';
import { forceAt, type Frame } from './frame';
import { inkOf } from './inks';
import { lookUp } from '@/core/required';

interface Props {
  readonly frame: Frame;
  readonly setup: Setup;
}

const digits = (value: number): string => String(Number(value.toPrecision(4)));

/** The load's constant part, dragged up and down. */
export function LoadHandle({ frame: { x, y, top, bottom, loadAt, mostRpm, mostNm }, setup }: Props) {
  const { load } = useTypedFields('load');
  const fill = useFill();
  const { torque } = useUnits();
  const constant = setup.scenario.load.constantNm ?? 0;
  const rpm = 0.94 * mostRpm;
  const here = loadAt(rpm);
  const put = (nm: number) => fill({ load: { ...load, constant: digits(Math.abs(nm) < mostNm / 1000 ? 0 : nm) } });
  return (
    <DragHandle
      label="Load, its constant part"
      value={constant}
      text={torque(constant)}
      x={x(rpm)}
      y={Math.min(bottom, Math.max(top, y(here)))}
      cursor="ns-resize"
      onMove={(_, py) => put(constant + y.invert(Math.min(bottom, Math.max(top, py))) - here)}
      onStep={(by) => put(constant + (by * mostNm) / 200)}
    >
      <rect
        x={-7}
        y={-5}
        width={14}
        height={10}
        rx={3}
        className="fill-base-100 stroke-base-content"
        strokeWidth={1.6}
      />
      <path d="M -3.5 -1.5 H 3.5 M -3.5 1.5 H 3.5" className="stroke-base-content" strokeWidth={1} />
    </DragHandle>
  );
}

/** The rule's own thresholds, on the curve of the position that is left there: up points up, down points down. */
export function ThresholdHandles({ frame, setup }: Props) {
  const cue = setup.scenario.rule?.cue;
  if (cue === undefined || cue === 'hand') return null;
  return setup.bands.map((band) =>
    band.own === null ? null : (
      <g key={`${band.from} ${band.to}`}>
        <Threshold
          frame={frame}
          setup={setup}
          cue={cue}
          way="up"
          band={band}
          leaves={band.from}
          to={band.to}
          rpm={band.own.upRpm}
        />
        <Threshold
          frame={frame}
          setup={setup}
          cue={cue}
          way="down"
          band={band}
          leaves={band.to}
          to={band.from}
          rpm={band.own.downRpm}
        />
      </g>
    ),
  );
}

interface ThresholdProps extends Props {
  readonly cue: 'speed' | 'torque';
  readonly way: 'up' | 'down';
  readonly band: Band;
  readonly leaves: string;
  readonly to: string;
  /** Speed of the input, rpm. */
  readonly rpm: number;
}

function Threshold({ frame: { x, y, line, free }, setup, cue, way, band, leaves, to, rpm }: ThresholdProps) {
  const { rule } = useTypedFields('rule');
  const fill = useFill();
  const nameOf = useNameOf();
  const gearing = lookUp(setup.gearings, leaves);
  const noLoad = noLoadOf(setup.scenario.motor) ?? 1;
  const outputRpm = rpm / gearing.ratio;
  const value = cueReading(line, noLoad, cue, gearing, rpm);
  const put = (inputRpm: number) => {
    const read = cueReading(line, noLoad, cue, gearing, Math.min(free, Math.max(0, inputRpm)));
    fill({ rule: { ...rule, [way]: { ...rule[way], [leaves]: digits(read) } } });
  };
  const unit = cue === 'torque' ? 'N·m at the output' : noLoad === 1 ? 'rpm' : 'of no load';
  return (
    <DragHandle
      label={`${nameOf(leaves)} ${way} to ${nameOf(to)}`}
      value={value}
      text={`${figure(value)} ${unit}${band.own?.verdict === 'hunts' ? ', hunts' : ''}`}
      x={x(outputRpm)}
      y={y(forceAt({ line }, setup, leaves, outputRpm))}
      cursor="ew-resize"
      onMove={(px) => put(x.invert(px) * gearing.ratio)}
      onStep={(by) => put(rpm + (by * free) / 200)}
    >
      <path
        d={way === 'up' ? 'M 0 -8 L 7 5 H -7 Z' : 'M 0 8 L 7 -5 H -7 Z'}
        className={band.own?.verdict === 'hunts' ? 'fill-warning' : 'fill-base-100'}
        stroke={inkOf(setup.scenario.order, leaves)}
        strokeWidth={2}
      />
    </DragHandle>
  );
}
