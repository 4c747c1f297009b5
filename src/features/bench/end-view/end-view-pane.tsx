'use client';

import { ChevronLeft, ChevronRight } from 'lucide-react';
import { useEffect, useMemo, useRef, useState, type PointerEvent } from 'react';
import { poseOf, toothPhases, type Station, type EndViewGear } from '@/core/end-view';
import { toNumber } from '@/core/rational';
import { memberName } from '@/core/words';
import { speedsOf } from '@/features/train/analysis';
import { useTrain, useLight } from '@/features/train/use-train';
import { currentTurns, useEachFrame } from '../crank/turns';
import { useBench, useBenchItself, useStations } from '../use-bench';
import { colorsOf, useEngagedMeshes, useInks } from './inks';
import { fitView, paintMoving } from './paint';
import { canvasPen } from './pen';
import { StillPicture } from './still-picture';
import { required } from '@/core/required';

const MARGIN = 8;

/** The end view: a cut across the train at one station, its gears turning in step with the crank. */
export function EndViewPane() {
  const stations = useStations();
  const at = useBench((state) => state.station);
  const lookAt = useBench((state) => state.lookAt);
  const train = useTrain((state) => state.train);
  const shown = Math.min(at, stations.length - 1);
  const station = stations[shown];
  if (!station) return null;
  const step = (by: number) => lookAt((shown + by + stations.length) % stations.length);
  const members = [...new Set(station.wheels.map(({ member }) => memberName(train, member)))];
  return (
    <section aria-label="End view" className="flex h-64 min-w-0 flex-col border-base-300 lg:h-auto lg:border-r">
      <div className="flex items-center gap-1 pl-4 pr-1 pt-1 text-sm">
        <h2 className="font-semibold">End view</h2>
        <span className="muted truncate" title={members.join(', ')}>
          station {shown + 1} of {stations.length}
        </span>
        <span className="flex-1" />
        <button
          type="button"
          className="btn btn-ghost btn-xs btn-square"
          aria-label="Station before"
          title="Station before ([)"
          onClick={() => step(-1)}
          disabled={stations.length < 2}
        >
          <ChevronLeft className="size-4" aria-hidden />
        </button>
        <button
          type="button"
          className="btn btn-ghost btn-xs btn-square"
          aria-label="Next station"
          title="Next station (])"
          onClick={() => step(1)}
          disabled={stations.length < 2}
        >
          <ChevronRight className="size-4" aria-hidden />
        </button>
      </div>
      <StationCanvas
        key={station.key}
        station={station}
        label={`Cut at station ${shown + 1}: ${station.wheels
          .filter(({ copy }) => copy === 0)
          .map(({ teeth, member }) => `${teeth} teeth on ${memberName(train, member)}`)
          .join(', ')}`}
      />
    </section>
  );
}

function StationCanvas({ station, label }: { station: Station; label: string }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const size = useCanvasSize(canvas);
  const bench = useBenchItself();
  const inks = useInks(station);
  const engagedMeshes = useEngagedMeshes(station);
  const phases = useMemo(
    () => toothPhases(station.wheels, engagedMeshes, currentTurns(bench)),
    [station, engagedMeshes, bench],
  );
  const view = useMemo(
    () => fitView(station, size.width, size.height, MARGIN * size.ratio),
    [station, size.width, size.height, size.ratio],
  );
  const still = useRef(new StillPicture());

  useEachFrame((turns) => {
    const context = canvas.current?.getContext('2d');
    if (!context || size.width === 0) return;
    const [colors, paper] = colorsOf(inks);
    const pen = canvasPen(context);
    context.drawImage(still.current.of(station, size, view, colors, paper), 0, 0);
    paintMoving(pen, station, phases, turns, view, colors, paper);
  });
  const hands = useHands(station, (event) => {
    const box = event.currentTarget.getBoundingClientRect();
    return {
      x: ((event.clientX - box.left) * size.ratio - view.x) / view.scale,
      y: ((event.clientY - box.top) * size.ratio - view.y) / view.scale,
    };
  });
  return (
    <canvas
      ref={canvas}
      width={size.width}
      height={size.height}
      role="img"
      aria-label={label}
      className="min-h-0 w-full flex-1 cursor-pointer touch-none"
      title="Press a gear to paint a tooth; drag it to turn the train by hand."
      {...hands}
    />
  );
}

function useCanvasSize(canvas: React.RefObject<HTMLCanvasElement | null>) {
  const [size, setSize] = useState({ width: 0, height: 0, ratio: 1 });
  useEffect(() => {
    const element = required(canvas.current);
    const watch = new ResizeObserver(() => {
      const ratio = devicePixelRatio || 1;
      setSize({
        width: Math.round(element.clientWidth * ratio),
        height: Math.round(element.clientHeight * ratio),
        ratio,
      });
    });
    watch.observe(element);
    return () => watch.disconnect();
  }, [canvas]);
  return size;
}

type At = { readonly x: number; readonly y: number };

/** Pressing a gear paints or cleans a tooth; dragging it round turns the whole train with it. */
function useHands(station: Station, placeOf: (event: PointerEvent<HTMLCanvasElement>) => At) {
  const bench = useBenchItself();
  const light = useLight();
  const { crank } = bench;
  const held = useRef<{ wheel: EndViewGear; last: number; moved: boolean } | null>(null);
  const wheelAt = (at: At) => {
    const turns = currentTurns(bench);
    const hits = station.wheels.map((wheel) => ({
      wheel,
      far:
        Math.hypot(at.x - poseOf(wheel, turns, 0).x, at.y - poseOf(wheel, turns, 0).y) -
        wheel.radius -
        (wheel.shape === 'ring' ? 4 : 1) * wheel.module,
    }));
    const within = hits.filter(({ far }) => far <= 0);
    return (within.find(({ wheel }) => wheel.shape !== 'ring') ?? within[0])?.wheel;
  };
  const angleOf = (wheel: EndViewGear, at: At) => {
    const { x, y } = poseOf(wheel, currentTurns(bench), 0);
    return Math.atan2(at.y - y, at.x - x) / (2 * Math.PI);
  };
  return {
    onPointerDown: (event: PointerEvent<HTMLCanvasElement>) => {
      const at = placeOf(event);
      const wheel = wheelAt(at);
      if (!wheel) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      held.current = { wheel, last: angleOf(wheel, at), moved: false };
    },
    onPointerMove: (event: PointerEvent<HTMLCanvasElement>) => {
      const at = placeOf(event);
      if (!held.current) {
        const wheel = wheelAt(at);
        const { highlight } = bench.train.getState();
        if (highlight?.members[0] !== wheel?.member) light(wheel ? { members: [wheel.member] } : null);
        return;
      }
      const { wheel, last } = held.current;
      const angle = angleOf(wheel, at);
      const by = angle - last - Math.round(angle - last);
      const speed = speedsOf(bench.train.getState()).find(({ id }) => id === wheel.member)?.speed;
      const perTurn = speed ? toNumber(speed) : 0;
      if (Math.abs(by) < 0.002 || perTurn === 0) return;
      crank.drag(by / perTurn);
      held.current = { wheel, last: angleOf(wheel, at), moved: true };
    },
    onPointerUp: () => {
      const { current } = held;
      held.current = null;
      if (!current) return;
      if (current.moved) crank.stop();
      else {
        const { marks, mark } = bench.store.getState();
        const { gear } = current.wheel;
        mark(marks.includes(gear) ? marks.filter((id) => id !== gear) : [...marks, gear]);
      }
    },
    onPointerLeave: () => light(null),
  };
}
