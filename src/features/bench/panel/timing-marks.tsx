'use client';

import type { TimingMark } from '@/core/checks';
import { toNumber } from '@/core/rational';
import { figure } from '@/core/units';

const SIZE = 190;
const ORBIT = 58;
const PLANET = 20;

/**
 * How each planet's mark has to point at assembly: the planets round their carrier, as one looks on the marked side.
 */
export function TimingMarks({ marks }: { marks: readonly TimingMark[] }) {
  const planet = Math.min(PLANET, (ORBIT * Math.PI) / marks.length - 4);
  return (
    <figure className="my-1.5 flex items-center gap-4">
      <svg
        viewBox={`${-SIZE / 2} ${-SIZE / 2} ${SIZE} ${SIZE}`}
        className="h-40 w-40 shrink-0"
        role="img"
        aria-label="Marks of the planets at assembly"
      >
        <circle r={ORBIT} className="fill-none stroke-base-content/30" strokeDasharray="3 3" />
        <circle r={3} className="fill-base-content/40" />
        {marks.map(({ planet: number, at, mark }) => {
          // Counter-clockwise, from the top; y goes down on the screen.
          const round = (toNumber(at) - 0.25) * -2 * Math.PI - Math.PI;
          const [x, y] = [ORBIT * Math.cos(round), ORBIT * Math.sin(round)];
          const points = round - toNumber(mark) * 2 * Math.PI;
          const tip = (far: number) => ({ x: x + far * Math.cos(points), y: y + far * Math.sin(points) });
          const label = { x: (ORBIT + planet + 9) * Math.cos(round), y: (ORBIT + planet + 9) * Math.sin(round) };
          return (
            <g key={number}>
              <circle cx={x} cy={y} r={planet} className="fill-base-200 stroke-base-content" strokeWidth={1.2} />
              <line
                x1={x}
                y1={y}
                x2={tip(planet - 4).x}
                y2={tip(planet - 4).y}
                className="stroke-base-content"
                strokeWidth={1.4}
              />
              <circle cx={tip(planet - 4).x} cy={tip(planet - 4).y} r={3.4} className="fill-base-content" />
              <text
                x={label.x}
                y={label.y}
                textAnchor="middle"
                dominantBaseline="central"
                className="figure fill-base-content text-[11px]"
              >
                {number}
              </text>
            </g>
          );
        })}
      </svg>
      <figcaption>
        <table className="text-xs [&_td]:pr-3 [&_th]:pr-3 [&_th]:font-normal">
          <thead className="muted text-left">
            <tr>
              <th scope="col">Planet</th>
              <th scope="col">Mark, from straight out</th>
            </tr>
          </thead>
          <tbody className="figure">
            {marks.map(({ planet: number, mark }) => (
              <tr key={number}>
                <td>{number}</td>
                <td>{degrees(toNumber(mark))}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </figcaption>
    </figure>
  );
}

const degrees = (turns: number): string =>
  turns === 0 ? '0°' : `${figure(Math.abs(turns) * 360)}° ${turns > 0 ? 'counter-clockwise' : 'clockwise'}`;
