import { centreOf, toothOutline, toothPhases, type Station } from '@/core/end-view';
import type { SheetScale } from '@/core/sheet';
import type { Train } from '@/core/train';
import { memberColor } from '../member-colors';

interface Props {
  readonly station: Station;
  readonly name: string;
  /** Null where no module says how large it is: then it fills the width. */
  readonly scale: SheetScale | null;
  readonly train: Train;
}

const STILL = () => 0;
const MARGIN = 0.06;
const FLANK_POINTS = 5;

/** A cut across the train, at a scale that can be measured, with a ruler bar; nothing turned. */
export function SheetEndView({ station, name, scale, train }: Props) {
  const { left, right, top, bottom } = station.bounds;
  const size = Math.max(right - left, bottom - top);
  const room = size * MARGIN;
  const [width, height] = [right - left + 2 * room, bottom - top + 2 * room];
  const phases = toothPhases(station.wheels, station.meshes, STILL);
  const line = size / 500;
  return (
    <figure className={scale ? 'tw-end-view' : 'tw-end-view tw-small'}>
      <svg
        viewBox={`${left - room} ${top - room} ${width} ${height}`}
        style={
          scale
            ? { width: `${width * scale.paperPerMm}mm`, height: `${height * scale.paperPerMm}mm` }
            : { width: '80mm' }
        }
        role="img"
        aria-label={`End view of ${name}`}
      >
        {station.wheels.map((wheel, i) => {
          const { x, y } = centreOf(wheel, STILL);
          const color = memberColor(train, wheel.member);
          const turn = ((phases[i] ?? 0) * 180) / Math.PI;
          const toothed = wheel.shape === 'toothed' || wheel.shape === 'ring';
          return (
            <g
              key={i}
              transform={`translate(${x} ${y}) rotate(${turn})`}
              fill="none"
              stroke={color}
              strokeWidth={line * 1.4}
            >
              {toothed ? <path d={outline(wheel)} /> : <circle r={wheel.radius} />}
              <circle r={wheel.radius} strokeDasharray={`${line * 8} ${line * 5}`} strokeWidth={line * 0.7} />
              <path d={`M ${-line * 6} 0 H ${line * 6} M 0 ${-line * 6} V ${line * 6}`} strokeWidth={line} />
            </g>
          );
        })}
      </svg>
      <figcaption>
        {name}
        {scale ? (
          <>
            , scale {scale.text}
            <span className="tw-ruler" style={{ width: `${rulerMm(size) * scale.paperPerMm}mm` }}>
              {rulerMm(size)} mm
            </span>
          </>
        ) : (
          ', not to scale: no module is given'
        )}
      </figcaption>
    </figure>
  );
}

/** A round length, about a third of what is shown. */
function rulerMm(size: number): number {
  const unit = 10 ** Math.floor(Math.log10(size / 3));
  return Number((Math.max(1, Math.floor(size / 3 / unit)) * unit).toPrecision(3));
}

const outline = ({ teeth, shape, module, shift }: Station['wheels'][number]): string =>
  `M${toothOutline(teeth, shape === 'ring', FLANK_POINTS, shift)
    .map(({ x, y }) => `${(x * module).toFixed(3)} ${(y * module).toFixed(3)}`)
    .join('L')}Z`;
