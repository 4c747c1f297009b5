'use client';

import { ChevronLeft, ChevronRight } from 'lucide-react';
import { useEffect, useMemo, useRef, useState, type PointerEvent } from 'react';
import { poseOf, toothPhases, type Station, type Wheel } from '@/core/end-view';
import { toNumber } from '@/core/rational';
import { memberColor } from '@/ui/member-colors';
import { liveTurns, useEachFrame } from '../crank/turns';
import { speedsOf } from '../analysis';
import { highlightOf, useBench, useBenchStore, useCrank } from '../store';
import { usePosition, useStations } from '../use-position';
import { memberName } from '../words';
import { fitView, paintStation, type Paper, type WheelInk } from './paint';

const MARGIN = 8;

/** The end view: a cut across the train at one station, its gears turning in step with the crank. */
export function EndViewPane() {
  const stations = useStations();
  const at = useBench((state) => state.station);
  const set = useBench((state) => state.set);
  const train = useBench((state) => state.train);
  const shown = Math.min(at, stations.length - 1);
  const station = stations[shown];
  if (!station) return null;
  const step = (by: number) => set({ station: (shown + by + stations.length) % stations.length });
  const members = [...new Set(station.wheels.map(({ member }) => memberName(train, member)))];
  return (
    <section aria-label="End view" className="flex h-64 min-w-0 flex-col border-base-300 lg:h-auto lg:border-r">
      <div className="flex items-center gap-1 pl-4 pr-1 pt-1 text-sm">
        <h2 className="font-semibold">End view</h2>
        <span className="muted truncate" title={members.join(', ')}>
          station {shown + 1} of {stations.length}
        </span>
        <span className="flex-1" />
        <button type="button" className="btn btn-ghost btn-xs btn-square" aria-label="Station before" title="Station before ([)" onClick={() => step(-1)} disabled={stations.length < 2}>
          <ChevronLeft className="size-4" aria-hidden />
        </button>
        <button type="button" className="btn btn-ghost btn-xs btn-square" aria-label="Next station" title="Next station (])" onClick={() => step(1)} disabled={stations.length < 2}>
          <ChevronRight className="size-4" aria-hidden />
        </button>
      </div>
      <StationCanvas key={station.key} station={station} label={`Cut at station ${shown + 1}: ${station.wheels.filter(({ copy }) => copy === 0).map(({ teeth, member }) => `${teeth} teeth on ${memberName(train, member)}`).join(', ')}`} />
    </section>
  );
}

function StationCanvas({ station, label }: { station: Station; label: string }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const size = useCanvasSize(canvas);
  const store = useBenchStore();
  const crank = useCrank();
  const inks = useInks(station);
  const engagedMeshes = useEngagedMeshes(station);
  const phases = useMemo(() => toothPhases(station.wheels, engagedMeshes, liveTurns(store, crank)), [station, engagedMeshes, store, crank]);
  const view = fitView(station, size.width, size.height, MARGIN * size.ratio);

  useEachFrame((turns) => {
    const context = canvas.current?.getContext('2d');
    if (context && size.width > 0) paintStation(context, station, phases, turns, view, ...colorsOf(inks));
  });
  const hands = useHands(station, (event) => {
    const box = event.currentTarget.getBoundingClientRect();
    return { x: ((event.clientX - box.left) * size.ratio - view.x) / view.scale, y: ((event.clientY - box.top) * size.ratio - view.y) / view.scale };
  });
  return <canvas ref={canvas} width={size.width} height={size.height} role="img" aria-label={label} className="min-h-0 w-full flex-1 cursor-pointer touch-none" title="Press a gear to paint a tooth; drag it to turn the train by hand." {...hands} />;
}

/** The meshes of a station whose gears are in each other now: a sliding gear that is out turns free of its mate. */
function useEngagedMeshes(station: Station) {
  const { solved } = usePosition();
  return useMemo(() => {
    const within = new Set(solved.state.meshes.map(({ mesh }) => mesh.id));
    return station.meshes.filter(({ mesh }) => within.has(mesh));
  }, [station, solved]);
}

function useInks(station: Station): readonly WheelInk[] {
  const train = useBench((state) => state.train);
  const marks = useBench((state) => state.marks);
  const highlight = useBench((state) => state.highlight);
  const { figures, driving } = usePosition();
  const engaged = useEngagedMeshes(station);
  return useMemo(() => {
    const carrying = new Set(figures.filter(({ role }) => role === 'drives' || role === 'carries' || role === 'gives out').map(({ id }) => id));
    return station.wheels.map(({ gear, member }, i): WheelInk => {
      const meshes = station.meshes.filter(({ a, b }) => a === i || b === i);
      return {
        color: memberColor(train, member),
        powered: driving.has(gear) && carrying.has(member),
        marked: marks.includes(gear),
        lit: highlight !== null && (highlight.gears.includes(gear) || highlight.members.includes(member)),
        out: meshes.length > 0 && !meshes.some((mesh) => engaged.includes(mesh)),
      };
    });
  }, [station, train, marks, highlight, figures, driving, engaged]);
}

const plainColors = new Map<string, string>();
const inkColors = new WeakMap<readonly WheelInk[], { readonly theme: string | undefined; readonly colors: [readonly WheelInk[], Paper] }>();

/** A canvas knows no CSS variables: each is looked up once for each theme, for asking costs the browser a new look at all styles. */
function colorsOf(inks: readonly WheelInk[]): [readonly WheelInk[], Paper] {
  const { theme } = document.documentElement.dataset;
  const found = inkColors.get(inks);
  if (found?.theme === theme && found) return found.colors;
  const plain = (color: string) => {
    const name = /^var\((--[\w-]+)\)$/.exec(color)?.[1];
    if (!name) return color;
    const key = `${theme} ${name}`;
    const known = plainColors.get(key) ?? getComputedStyle(document.documentElement).getPropertyValue(name);
    plainColors.set(key, known);
    return known;
  };
  const paper = { power: plain('var(--color-primary)'), paper: plain('var(--color-base-100)'), ink: plain('var(--color-base-content)') };
  const colors: [readonly WheelInk[], Paper] = [inks.map((ink) => ({ ...ink, color: plain(ink.color) })), paper];
  inkColors.set(inks, { theme, colors });
  return colors;
}

function useCanvasSize(canvas: React.RefObject<HTMLCanvasElement | null>) {
  const [size, setSize] = useState({ width: 0, height: 0, ratio: 1 });
  useEffect(() => {
    const element = canvas.current!;
    const watch = new ResizeObserver(() => {
      const ratio = devicePixelRatio || 1;
      setSize({ width: Math.round(element.clientWidth * ratio), height: Math.round(element.clientHeight * ratio), ratio });
    });
    watch.observe(element);
    return () => watch.disconnect();
  }, [canvas]);
  return size;
}

type At = { readonly x: number; readonly y: number };

/** Pressing a gear paints or cleans a tooth; dragging it round turns the whole train with it. */
function useHands(station: Station, placeOf: (event: PointerEvent<HTMLCanvasElement>) => At) {
  const store = useBenchStore();
  const crank = useCrank();
  const held = useRef<{ wheel: Wheel; last: number; moved: boolean } | null>(null);
  const wheelAt = (at: At) => {
    const turns = liveTurns(store, crank);
    const hits = station.wheels.map((wheel) => ({ wheel, far: Math.hypot(at.x - poseOf(wheel, turns, 0).x, at.y - poseOf(wheel, turns, 0).y) - wheel.radius - (wheel.shape === 'ring' ? 4 : 1) * wheel.module }));
    const within = hits.filter(({ far }) => far <= 0);
    return (within.find(({ wheel }) => wheel.shape !== 'ring') ?? within[0])?.wheel;
  };
  const angleOf = (wheel: Wheel, at: At) => {
    const { x, y } = poseOf(wheel, liveTurns(store, crank), 0);
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
        const { highlight, set } = store.getState();
        if (highlight?.members[0] !== wheel?.member) set({ highlight: wheel ? highlightOf({ members: [wheel.member] }) : null });
        return;
      }
      const { wheel, last } = held.current;
      const angle = angleOf(wheel, at);
      const by = angle - last - Math.round(angle - last);
      const speed = speedsOf(store.getState()).find(({ id }) => id === wheel.member)?.speed;
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
        const { marks, set } = store.getState();
        const { gear } = current.wheel;
        set({ marks: marks.includes(gear) ? marks.filter((id) => id !== gear) : [...marks, gear] });
      }
    },
    onPointerLeave: () => store.getState().set({ highlight: null }),
  };
}
