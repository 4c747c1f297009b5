'use client';

import { useRef, useState, type PointerEvent, type RefObject } from 'react';
import type { SideView } from '@/core/drawing';
import { figureGroups, movedPlaces } from '@/core/structure';
import type { Train } from '@/core/train';
import { documents } from '@/features/train/documents';
import { editTrain } from '@/features/train/edit';
import type { TrainStore } from '@/features/train/store';
import { useTrainStore } from '@/features/train/use-train';
import { required } from '@/core/required';

/** Pixels of the screen before a press becomes a drag. */
const SLACK = 6;

interface Place {
  readonly key: string;
  readonly left: number;
  readonly right: number;
}

export interface GearDrag {
  /** Where the gear would go: a line across the drawing. Null while nothing is dragged. */
  readonly line: number | null;
  readonly handlers: {
    readonly onPointerDown: (event: PointerEvent) => void;
    readonly onPointerMove: (event: PointerEvent) => void;
    readonly onPointerUp: (event: PointerEvent) => void;
    readonly onClickCapture: (event: React.MouseEvent) => void;
  };
}

/** Dragging a gear along the axis: it goes, with what it meshes, between the figures where it is let go. */
export function useGearDrag(zoomed: RefObject<SVGGElement | null>, view: SideView): GearDrag {
  const store = useTrainStore();
  const held = useRef<{ readonly gear: string; readonly from: number; moved: boolean; to: number } | null>(null);
  const [line, setLine] = useState<number | null>(null);
  const onPointerMove = (event: PointerEvent) => {
    const grip = held.current;
    if (!grip || (!grip.moved && Math.abs(event.clientX - grip.from) < SLACK)) return;
    if (!grip.moved) event.currentTarget.setPointerCapture(event.pointerId);
    grip.moved = true;
    const others = placesOf(store.getState().train, view, grip.gear);
    const matrix = zoomed.current?.getScreenCTM();
    if (!matrix || others.length === 0) return;
    const { x } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    grip.to = others.filter(({ left, right }) => (left + right) / 2 < x).length;
    const [before, after] = [others[grip.to - 1], others[grip.to]];
    setLine(before && after ? (before.right + after.left) / 2 : before ? before.right + 14 : required(after).left - 14);
  };
  const onPointerUp = () => {
    const grip = held.current;
    setLine(null);
    if (!grip?.moved) held.current = null;
    else if (grip.to >= 0) void place(store, view.order, grip.gear, grip.to);
  };
  return {
    line,
    handlers: {
      onPointerDown: (event) => {
        const gear = (event.target as Element)
          .closest('[data-part^="gear:"]')
          ?.getAttribute('data-part')
          ?.slice('gear:'.length);
        held.current =
          gear !== undefined && event.button === 0 ? { gear, from: event.clientX, moved: false, to: -1 } : null;
      },
      onPointerMove,
      onPointerUp,
      // The click that ends a drag opens no card.
      onClickCapture: (event) => {
        if (held.current?.moved) event.stopPropagation();
        held.current = null;
      },
    },
  };
}

/** Moves a gear by so many places to the right, or to the left. */
export function moveGearBy(store: TrainStore, order: readonly string[], gear: string, by: number): void {
  const groups = figureGroups(store.getState().train, order);
  const at = groups.findIndex(({ stations }) => stations.some((ids) => ids.includes(gear)));
  const to = at + by;
  if (at >= 0 && to >= 0 && to < groups.length) void place(store, order, gear, to);
}

async function place(store: TrainStore, order: readonly string[], gear: string, to: number): Promise<void> {
  const { setStations } = await documents();
  const { train, say } = store.getState();
  const groups = figureGroups(train, order);
  if (groups.findIndex(({ stations }) => stations.some((ids) => ids.includes(gear))) === to) return;
  const places = movedPlaces(train, order, gear, to);
  if (!places) return say('This gear has no place of its own in the side view.');
  const edit = setStations(train, places);
  if (edit.ok) editTrain(store, edit.train);
  else say(edit.message);
}

/** The figures other than the gear's own, from left to right, and how wide each is. */
function placesOf(train: Train, view: SideView, gear: string): Place[] {
  return figureGroups(train, view.order).flatMap(({ key, stations }) => {
    const ids = stations.flat();
    const boxes = view.gears.filter((shape) => ids.includes(shape.gear)).map(({ box }) => box);
    if (ids.includes(gear) || boxes.length === 0) return [];
    return [
      { key, left: Math.min(...boxes.map(({ left }) => left)), right: Math.max(...boxes.map(({ right }) => right)) },
    ];
  });
}
