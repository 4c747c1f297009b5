import type { CouplerShape } from '@/core/drawing';
import type { Coupler } from '@/core/train';
import { Ground } from './frame-marks';

interface Props {
  readonly shape: CouplerShape;
  readonly coupler: Coupler;
  /** Closed: engaged, or holding. */
  readonly closed: boolean;
  /** A one-way clutch that is being overtaken. */
  readonly overruns?: boolean;
  readonly stroke?: string;
}

/** A coupler as textbooks draw its kind: plates that close, teeth that meet, a band on a drum, a roller on its ramp. */
export function CouplerSymbol({
  shape: { x, y, turn, frame, kind },
  coupler,
  closed,
  overruns = false,
  stroke = 'var(--color-base-content)',
}: Props) {
  const ink = { stroke, fill: 'none', strokeWidth: closed ? 3.4 : 1.9, strokeLinejoin: 'round' as const };
  return (
    <g transform={`translate(${x} ${y}) rotate(${kind === 'slide' ? 0 : turn})`}>
      {kind === 'slide' ? (
        <SlidingTeeth closed={closed} ink={ink} />
      ) : (
        <Joint coupler={coupler} frame={frame} closed={closed} overruns={overruns} ink={ink} />
      )}
    </g>
  );
}

type Ink = Readonly<{ stroke: string; fill: string; strokeWidth: number; strokeLinejoin: 'round' }>;

/** From the first member on the left to the second on the right; the frame's side is hatched. */
function Joint({
  coupler,
  frame,
  closed,
  overruns,
  ink,
}: {
  coupler: Coupler;
  frame: CouplerShape['frame'];
  closed: boolean;
  overruns: boolean;
  ink: Ink;
}) {
  const apart = closed ? 1.7 : 4;
  const mirrored = frame === 'first';
  return (
    <g>
      {closed && <path d="M -4 0 H -1.7 M 1.7 0 H 4" {...ink} strokeWidth={2.4} />}
      <g transform={mirrored ? 'scale(-1 1)' : undefined}>
        {coupler.type === 'one-way' ? (
          <OneWay ink={ink} overruns={overruns} mirrored={mirrored} />
        ) : coupler.style === 'band' ? (
          <path d={`M -4 -9 V 9 M ${apart - 2} -10 Q ${apart + 5} 0 ${apart - 2} 10`} {...ink} />
        ) : coupler.style === 'dog' || coupler.style === 'synchro' || coupler.style === 'pin' ? (
          <path
            d={
              `M ${-apart} -9 v 4 h 2.4 v 5 h -2.4 v 5 h 2.4 v 4 M ${apart + 1} -9 ` +
              'h -2 v 4 h 2.4 v 5 h -2.4 v 5 h 2.4 v 4'
            }
            {...ink}
            strokeWidth={closed ? 2.6 : 1.8}
          />
        ) : coupler.style === 'pawl' ? (
          <path d={`M -4 -9 V 9 M ${closed ? -3 : 1} -1 L 5 -7 L 5 4`} {...ink} />
        ) : (
          <path d={`M ${-apart} -9 V 9 M ${apart} -9 V 9`} {...ink} />
        )}
        {frame && (
          <g transform="translate(8 0)">
            <Ground />
          </g>
        )}
      </g>
    </g>
  );
}

/** A roller between a straight plate and a ramp; the arrow says which way the first member can push the second. */
function OneWay({ ink, overruns, mirrored }: { ink: Ink; overruns: boolean; mirrored: boolean }) {
  return (
    <g strokeDasharray={overruns ? '2.5 2' : undefined}>
      <path d="M -4.5 -10 V 10 M 4.5 -10 L 6.5 10" {...ink} strokeWidth={overruns ? 1.6 : ink.strokeWidth} />
      <circle r={3.4} {...ink} fill={overruns ? 'none' : ink.stroke} strokeWidth={1.6} strokeDasharray="none" />
      <path
        d={
          `M ${mirrored ? 4 : -4} -13 h ${mirrored ? -8 : 8} m ${mirrored ? 3 : -3} -2.5 l ` +
          `${mirrored ? -3 : 3} 2.5 l ${mirrored ? 3 : -3} 2.5`
        }
        {...ink}
        strokeWidth={1.3}
        strokeDasharray="none"
      />
      {overruns && (
        <path d="M -3 13 l 2.5 -3 v 3 l 2.5 -3 v 3 l 2.5 -3 v 3" {...ink} strokeWidth={1.2} strokeDasharray="none" />
      )}
    </g>
  );
}

/** Two toothed rows, in each other or drawn apart, where a gear slides in and out of mesh. */
function SlidingTeeth({ closed, ink }: { closed: boolean; ink: Ink }) {
  const wave = 'h 3 v 5 h 4 v -5 h 4 v 5 h 4 v -5 h 3';
  if (closed) {
    return (
      <g>
        <rect x={-9} y={-6} width={18} height={12} rx={1.5} fill={ink.stroke} />
        <path d={`M -9 -2.5 ${wave}`} fill="none" className="stroke-base-100" strokeWidth={1.5} />
      </g>
    );
  }
  return (
    <path
      d={`M -9 -9 H 9 M -9 -9 v 3 ${wave} v -3 M -9 9 H 9 M -9 9 v -6 ${wave.replaceAll('5', '4')} v 6`}
      {...ink}
      strokeWidth={1.4}
    />
  );
}
