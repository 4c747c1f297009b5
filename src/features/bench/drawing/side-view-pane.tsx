'use client';

import type { SideView } from '@/core/drawing';
import { useDrawing, usePosition } from '../analysis';
import { TeethEditor } from '../editing/teeth-editor';
import { useBench } from '../store';
import { BearingMark, PortArrow } from './frame-marks';
import { GearBarFigure } from './gear-bar-figure';
import { ShaftLine } from './shaft-line';

/** The side view: the train from the side, with its power path; gears are picked here to be changed. */
export function SideViewPane() {
  const drawn = useDrawing();
  return (
    <section aria-label="Side view" className="relative flex min-h-72 flex-1 flex-col lg:min-h-0">
      <h2 className="absolute left-4 top-2 text-sm font-semibold">Side view</h2>
      {drawn.ok ? <Drawing view={drawn.view} /> : <p className="muted m-auto p-8 text-center">{drawn.why}</p>}
      <p className="muted px-4 pb-1.5 text-xs">
        The thick line carries power. Arrows show which way the near side of each gear moves. Pick a gear to change its teeth.
      </p>
    </section>
  );
}

function Drawing({ view }: { view: SideView }) {
  const train = useBench((state) => state.train);
  const editing = useBench((state) => state.editing);
  const set = useBench((state) => state.set);
  const { figures } = usePosition();
  const figuresOf = new Map(figures.map((figure) => [figure.id, figure]));
  const edited = view.gears.find((bar) => bar.gear === editing);
  return (
    <svg viewBox={`0 0 ${view.width} ${view.height}`} className="min-h-0 w-full flex-1" role="group" aria-label={`Side view of ${train.name}`}>
      {view.shafts.map((shaft) => (
        <ShaftLine key={shaft.member} shaft={shaft} figures={figuresOf.get(shaft.member)!} />
      ))}
      {view.bearings.map((bearing, i) => (
        <BearingMark key={i} bearing={bearing} />
      ))}
      {view.gears.map((bar) => (
        <GearBarFigure key={bar.gear} bar={bar} train={train} figures={figuresOf.get(bar.member)!} chosen={bar.gear === editing} onChoose={() => set({ editing: bar.gear })} />
      ))}
      {view.ports.map((port) => (
        <PortArrow key={port.member} port={port} />
      ))}
      {view.labels.map((label) => (
        <text
          key={`${label.of.kind} ${label.of.id}`}
          x={label.x}
          y={label.y}
          textAnchor={label.anchor}
          dominantBaseline="central"
          className={label.of.kind === 'gear' ? 'figure pointer-events-none fill-base-content text-[15px]' : 'pointer-events-none fill-base-content text-[15px] font-semibold'}
        >
          {label.text}
        </text>
      ))}
      {edited && <TeethEditor key={edited.gear} bar={edited} view={view} />}
    </svg>
  );
}
