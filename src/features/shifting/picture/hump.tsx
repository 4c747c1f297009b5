import { peakPower, torqueAt } from '@/core/shifting';
import type { Setup } from '../setup';
import type { Frame } from './frame';
import { lookUp } from '@/core/required';

const SAMPLES = 80;

/**
 * The motor's power in one position as a share of its peak, over the output speed, with the operating point on it; its
 * axis stands on the right.
 */
export function Hump({
  frame: { x, top, bottom, right, line, free },
  setup,
  id,
}: {
  frame: Frame;
  setup: Setup;
  id: string;
}) {
  const { ratio } = lookUp(setup.gearings, id);
  const { power } = peakPower(line);
  const { stalls, outputRpm, powerShare } = lookUp(setup.points.positions, id);
  const height = (share: number) => bottom - share * (bottom - top - 6);
  const points = Array.from({ length: SAMPLES + 1 }, (_, i) => (i / SAMPLES) * free).map((rpm) => {
    const share = power > 0 ? Math.max(0, (torqueAt(line, rpm) * rpm) / power) : 0;
    return `${x(rpm / ratio).toFixed(1)} ${height(share).toFixed(1)}`;
  });
  return (
    <g aria-hidden>
      <path
        d={`M${x(0)} ${bottom}L${points.join('L')}Z`}
        className="fill-primary/10 stroke-primary/45"
        strokeWidth={1}
      />
      {!stalls && Number.isFinite(outputRpm) && (
        <g transform={`translate(${x(outputRpm)} ${height(powerShare)})`}>
          <circle r={3.5} className="fill-primary" />
          <text x={7} y={4} className="fill-primary stroke-base-100 text-[11px]" strokeWidth={3} paintOrder="stroke">
            {Math.round(powerShare * 100)} %
          </text>
        </g>
      )}
      <g className="fill-primary text-[11px]">
        {[0, 0.5, 1].map((share) => (
          <text key={share} x={right + 5} y={height(share) + 4}>
            {share * 100} %
          </text>
        ))}
        <text x={right + 5} y={height(0.75) + 4}>
          power
        </text>
      </g>
    </g>
  );
}
