'use client';

import { Maximize, Minus, Plus } from 'lucide-react';
import { memo, useMemo, useRef, useState } from 'react';
import { powerLines, type Label, type SideView } from '@/core/drawing';
import { FlowChoice } from '@/features/train/input/flow-choice';
import { Notice } from '@/features/train/notice';
import { useExplained } from '@/features/train/use-explained';
import { useTrain } from '@/features/train/use-train';
import { memberColor } from '@/figures/member-colors';
import { BearingMark, PortArrow } from '@/figures/side-view/frame-marks';
import { SideViewLabels } from '@/figures/side-view/side-view-labels';
import { PlanetPinFigure } from '@/figures/side-view/planet-pin';
import { BuildChoice } from '../build/build-choice';
import { BodyChoice } from '../body/body-choice';
import { AskAbout, type Question } from '../editing/ask-about';
import { OpenCard } from '../editing/open-card';
import { useDrawing } from '../use-bench';
import { CouplerFigure } from './coupler-figure';
import { CrossingHops } from './crossing-hops';
import { useGearDrag } from './gear-drag';
import { EventMarks } from './event-marks';
import { firstLook } from './first-look';
import { GearFigure } from './gear-figure';
import { MarkDots } from './mark-dots';
import { useMemberDrag } from './member-drag';
import { MemberHandle } from './member-handle';
import { MemberLine } from './member-line';
import { MeshTies } from './mesh-ties';
import { NothingDrawn } from './nothing-drawn';
import { PartNote } from './part-note';
import { SmallButton } from './small-button';
import { PowerPathLines } from '@/figures/side-view/power-path';
import { Recirculation } from './recirculation';
import { StationTabs } from './station-tabs';
import { useZoom } from './zoom';
import { onDemand } from '@/ui/on-demand';
import { usePreferences } from '@/ui/preferences';

const ForceArrows = onDemand(async () => (await import('./force-arrows')).ForceArrows);

/** The side view: the train from the side with its power path; its parts are picked here. */
export function SideViewPane() {
  const drawn = useDrawing();
  // What belongs to both stands in the body's pane where that is shown.
  const body = usePreferences((state) => state.body);
  return (
    <section aria-label="Side view" className="relative flex min-h-80 min-w-0 flex-1 flex-col lg:min-h-0">
      {drawn.ok ? (
        <Drawing view={drawn.view} />
      ) : (
        <>
          <PaneHeader />
          <NothingDrawn why={drawn.why} />
        </>
      )}
      {!body && (
        <>
          <OpenCard />
          <Notice />
        </>
      )}
    </section>
  );
}

/** Whether forces are drawn into the side view. */
function ForcesChoice() {
  const forces = usePreferences((state) => state.forces);
  const set = usePreferences((state) => state.set);
  return (
    <label
      className="flex items-center gap-1.5 text-sm"
      title="On the first of two gears: a ring along the teeth, arrows apart and along the axis. Figures has them all."
    >
      <input
        type="checkbox"
        className="checkbox checkbox-xs"
        checked={forces}
        onChange={(event) => {
          void ForceArrows.load();
          set({ forces: event.target.checked });
        }}
      />
      Forces
    </label>
  );
}

function PaneHeader({ children }: { children?: React.ReactNode }) {
  return (
    <div className="flex flex-wrap items-center gap-x-5 gap-y-1 px-4 pt-1.5">
      <h2 className="text-sm font-semibold">Side view</h2>
      <BodyChoice />
      <FlowChoice />
      <ForcesChoice />
      <span className="flex-1" />
      <BuildChoice />
      {children}
    </div>
  );
}

function Drawing({ view }: { view: SideView }) {
  const train = useTrain((state) => state.train);
  const lit = useTrain((state) => state.highlight?.members);
  const { figures, powers, driving } = useExplained();
  const svg = useRef<SVGSVGElement>(null);
  const zoomed = useRef<SVGGElement>(null);
  const gearDrag = useGearDrag(zoomed, view);
  const [question, setQuestion] = useState<Question | null>(null);
  const forces = usePreferences((state) => state.forces);
  const memberDrag = useMemberDrag(zoomed, setQuestion);
  const flowing = useMemo(() => powerLines(view, powers), [view, powers]);
  const zoom = useZoom(svg, (pane) => firstLook(view, flowing, pane));
  const roleOf = new Map(figures.map(({ id, role }) => [id, role]));
  const carrying = new Set(
    powers.filter(({ power }) => power === null || Math.abs(power) > 1e-9).map(({ part }) => `${part.kind} ${part.id}`),
  );
  return (
    <>
      <PaneHeader>
        <div className="flex" role="group" aria-label="Size of the drawing">
          <SmallButton
            label="Smaller"
            onPress={() => zoom.by(1 / 1.25)}
            icon={<Minus className="size-4" aria-hidden />}
          />
          <SmallButton label="Larger" onPress={() => zoom.by(1.25)} icon={<Plus className="size-4" aria-hidden />} />
          <SmallButton label="Fit to the space" onPress={zoom.fit} icon={<Maximize className="size-4" aria-hidden />} />
        </div>
      </PaneHeader>
      <Recirculation />
      {flowing.some(({ share }) => share === null) && <OpenPower />}
      <div className="relative min-h-0 flex-1 contain-content">
        <svg
          ref={svg}
          data-drawing="side-view"
          viewBox={`0 0 ${view.width} ${view.height}`}
          className="absolute inset-0 size-full cursor-grab touch-none select-none active:cursor-grabbing"
          role="group"
          aria-label={`Side view of ${train.name}`}
        >
          <g ref={zoomed} data-zoomed transform={zoom.transform} {...both(gearDrag.handlers, memberDrag.handlers)}>
            {view.axes.map(({ x1, x2, y1 }, i) => (
              <line
                key={i}
                x1={x1 - 12}
                x2={x2 + 12}
                y1={y1}
                y2={y1}
                className="stroke-base-content/35"
                strokeWidth={0.9}
                strokeDasharray="14 4 2 4"
                aria-hidden
              />
            ))}
            <MeshTies ties={view.ties} />
            {view.lines.map((lines) => (
              <MemberHandle key={`handle ${lines.member}`} lines={lines} />
            ))}
            {view.lines.map((lines) => (
              <MemberLine
                key={lines.member}
                lines={lines}
                // A picture that stands in may have members that are gone.
                role={roleOf.get(lines.member) ?? 'idle'}
                color={memberColor(train, lines.member)}
                lit={lit?.includes(lines.member) ?? false}
              />
            ))}
            <PowerPathLines lines={flowing} />
            <CrossingHops view={view} flowing={flowing} colorOf={(member) => memberColor(train, member)} />
            <Bearings at={view.bearings} />
            {view.gears.map((shape, i) => (
              <GearFigure
                key={`${shape.gear} ${i}`}
                shape={shape}
                powered={carrying.has(`gear ${shape.gear}`) || driving.has(shape.gear)}
              />
            ))}
            {view.pins.map(({ planet, x1, x2, y }) => (
              <PlanetPinFigure key={planet} x1={x1} x2={x2} y={y} color={memberColor(train, planet)} />
            ))}
            {view.couplers.map((shape) => (
              <CouplerFigure key={shape.coupler} shape={shape} powered={carrying.has(`coupler ${shape.coupler}`)} />
            ))}
            {view.ports.map((port) => (
              <PortArrow key={port.member} port={port} />
            ))}
            <Labels labels={view.labels} />
            {forces && <ForceArrows.Shown view={view} />}
            <EventMarks view={view} />
            <StationTabs view={view} />
            {memberDrag.line !== null && (
              <line {...memberDrag.line} className="pointer-events-none stroke-accent" strokeWidth={3} />
            )}
            {gearDrag.line !== null && (
              <line
                x1={gearDrag.line}
                x2={gearDrag.line}
                y1={0}
                y2={view.height}
                className="pointer-events-none stroke-accent"
                strokeWidth={2}
                strokeDasharray="6 4"
              />
            )}
          </g>
        </svg>
        {/* What moves at every frame lies on a sheet of its own, so that the drawing below is not painted again. */}
        <svg
          viewBox={`0 0 ${view.width} ${view.height}`}
          className="pointer-events-none absolute inset-0 size-full will-change-transform"
          aria-hidden
        >
          <g transform={zoom.transform}>
            <MarkDots gears={view.gears} />
          </g>
        </svg>
      </div>
      {question && (
        <div className="absolute bottom-2 left-4 z-20 max-w-xl bg-base-100 shadow-md">
          <AskAbout question={question} before={train} onDone={() => setQuestion(null)} />
        </div>
      )}
      <PartNote />
    </>
  );
}

type Handlers = ReturnType<typeof useMemberDrag>['handlers'];

/** What is dragged is told to both: a press on a gear is none on a shaft. */
const both = (a: Handlers, b: Handlers): Handlers => ({
  onPointerDown: (event) => [a, b].forEach(({ onPointerDown }) => onPointerDown(event)),
  onPointerMove: (event) => [a, b].forEach(({ onPointerMove }) => onPointerMove(event)),
  onPointerUp: (event) => [a, b].forEach(({ onPointerUp }) => onPointerUp(event)),
  onClickCapture: (event) => [a, b].forEach(({ onClickCapture }) => onClickCapture(event)),
});

/** What the dotted stretches of the power path mean. */
function OpenPower() {
  return <p className="px-4 pt-1 text-sm text-primary">Dotted: how much power goes this way is not determined.</p>;
}

const Bearings = memo(function Bearings({ at }: { at: SideView['bearings'] }) {
  return at.map((bearing, i) => <BearingMark key={i} at={bearing} />);
});

const Labels = memo(function Labels({ labels }: { labels: readonly Label[] }) {
  return (
    <SideViewLabels
      labels={labels}
      count="figure pointer-events-none fill-base-content text-[13.5px]"
      name="pointer-events-none fill-base-content text-[15px] font-semibold"
    />
  );
});
