import type { Units } from '../use-shifting';
import { ticksOf, type Frame } from './frame';

/** Output speed across, output torque up, in the units that people have chosen. */
export function Axes({
  frame: { x, y, left, right, top, bottom, mostRpm, mostNm },
  units,
}: {
  frame: Frame;
  units: Units;
}) {
  return (
    <g aria-hidden className="text-[11px]">
      {ticksOf(mostNm, units.perNm, 5).map(({ at, text }) => (
        <g key={text}>
          <line x1={left} x2={right} y1={y(at)} y2={y(at)} className="stroke-base-300" strokeWidth={0.8} />
          <text x={left - 6} y={y(at) + 4} textAnchor="end" className="fill-(--muted)">
            {text}
          </text>
        </g>
      ))}
      {ticksOf(mostRpm, units.perRpm, 6).map(({ at, text }) => (
        <text key={text} x={x(at)} y={bottom + 15} textAnchor="middle" className="fill-(--muted)">
          {text}
        </text>
      ))}
      <path d={`M${left} ${top}V${bottom}H${right}`} className="fill-none stroke-base-content" strokeWidth={1.2} />
      <text x={(left + right) / 2} y={bottom + 30} textAnchor="middle" className="fill-(--muted)">
        Output speed, {units.speedUnit}
      </text>
      <text
        transform={`translate(13 ${(top + bottom) / 2}) rotate(-90)`}
        textAnchor="middle"
        className="fill-(--muted)"
      >
        Output torque, {units.torqueUnit}
      </text>
    </g>
  );
}
