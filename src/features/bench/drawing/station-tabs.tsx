'use client';

import type { SideView } from '@/core/drawing';
import { useBench, useStations } from '../use-bench';
import { stationPlaces } from './station-places';

const HALF = 9;

/** A numbered tab under every station: press it to see that cut in the end view. */
export function StationTabs({ view }: { view: SideView }) {
  const stations = useStations();
  const shown = useBench((state) => Math.min(state.station, stations.length - 1));
  const lookAt = useBench((state) => state.lookAt);
  if (stations.length < 2) return null;
  const places = stationPlaces(view.gears, stations);
  return (
    <g data-screen-only>
      {stations.map(({ key }, i) => {
        const x = places[i];
        if (x === null) return null;
        const on = i === shown;
        const choose = () => lookAt(i);
        return (
          <g
            key={key}
            role="button"
            tabIndex={0}
            aria-label={`Station ${i + 1} in the end view`}
            aria-pressed={on}
            className="group cursor-pointer outline-none"
            transform={`translate(${x} ${view.height - HALF - 2})`}
            onClick={choose}
            onKeyDown={(event) => {
              if (event.key !== 'Enter' && event.key !== ' ') return;
              event.preventDefault();
              choose();
            }}
          >
            <path
              d={`M ${-HALF} ${HALF} V -3 L 0 ${-HALF - 2} L ${HALF} -3 V ${HALF} Z`}
              className={
                on
                  ? 'fill-base-content stroke-base-content group-focus-visible:stroke-accent'
                  : 'fill-base-100 stroke-base-content/45 group-hover:fill-base-300 group-focus-visible:stroke-accent'
              }
              strokeWidth={1.2}
            />
            <text
              textAnchor="middle"
              y={5}
              className={on ? 'figure fill-base-100 text-[11px]' : 'figure fill-base-content text-[11px]'}
            >
              {i + 1}
            </text>
          </g>
        );
      })}
    </g>
  );
}
