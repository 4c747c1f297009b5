'use client';

import { useRef, type KeyboardEvent, type PointerEvent, type WheelEvent } from 'react';
import { toggleCoupler } from '@/features/train/choosing';
import { highlightOf } from '@/features/train/highlight';
import { useLight, useTrainStore } from '@/features/train/use-train';
import { decidesForItself } from '@/features/train/words';
import { FRAME, partsById, type PartRef } from '@/core/train';
import { useCard } from '../use-bench';
import type { BodyScene, LooksFrom } from './scene';
import { FIRST_LOOK, turned, useBodyViewItself } from './view';

/** Radians for a pixel, and for a press of a key. */
const PER_PIXEL = 0.008;
const PER_KEY = 0.12;
/** A press that goes farther is a drag. */
const STILL_PX = 4;
const PICK_MS = 60;

const KEYS: Readonly<Record<string, Partial<LooksFrom>>> = {
  ArrowLeft: { around: -PER_KEY },
  ArrowRight: { around: PER_KEY },
  ArrowUp: { above: PER_KEY },
  ArrowDown: { above: -PER_KEY },
  '+': { far: 1 / 1.15 },
  '=': { far: 1 / 1.15 },
  '-': { far: 1.15 },
};

/** Looking round with pointer, fingers and keys; what is pressed or pointed at. */
export function useBodyHands(scene: BodyScene | null) {
  const view = useBodyViewItself();
  const light = useLight();
  const press = usePressed();
  const held = useRef(new Map<number, { readonly x: number; readonly y: number }>());
  const moved = useRef(0);
  const lastPick = useRef(0);
  const look = (by: Partial<LooksFrom>) => view.getState().change({ looks: turned(view.getState().looks, by) });
  const partAt = (event: PointerEvent<HTMLDivElement>): PartRef | null => {
    const { left, top, width, height } = event.currentTarget.getBoundingClientRect();
    const [x, y] = [(2 * (event.clientX - left)) / width - 1, 1 - (2 * (event.clientY - top)) / height];
    return scene?.pick(x, y) ?? null;
  };
  const point = (part: PartRef | null) => {
    if (part === null || part.id === FRAME) return light(null);
    if (part.kind === 'member') return light(highlightOf({ members: [part.id] }));
    return light(part.kind === 'gear' ? highlightOf({ gears: [part.id] }) : highlightOf({ couplers: [part.id] }));
  };
  return {
    onPointerDown: (event: PointerEvent<HTMLDivElement>) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      if (held.current.size === 0) moved.current = 0;
      held.current.set(event.pointerId, { x: event.clientX, y: event.clientY });
    },
    onPointerMove: (event: PointerEvent<HTMLDivElement>) => {
      const before = held.current.get(event.pointerId);
      if (!before) {
        if (performance.now() - lastPick.current < PICK_MS) return;
        lastPick.current = performance.now();
        return point(partAt(event));
      }
      const now = { x: event.clientX, y: event.clientY };
      moved.current += Math.hypot(now.x - before.x, now.y - before.y);
      if (held.current.size === 1) {
        if (moved.current > STILL_PX)
          look({ around: (now.x - before.x) * PER_PIXEL, above: (now.y - before.y) * PER_PIXEL });
      } else {
        const other = [...held.current].find(([id]) => id !== event.pointerId)?.[1] ?? now;
        const [was, is] = [before, now].map(({ x, y }) => Math.max(1, Math.hypot(x - other.x, y - other.y))) as [
          number,
          number,
        ];
        look({ far: was / is });
      }
      held.current.set(event.pointerId, now);
    },
    onPointerUp: (event: PointerEvent<HTMLDivElement>) => {
      held.current.delete(event.pointerId);
      if (moved.current > STILL_PX || held.current.size > 0) return;
      const part = partAt(event);
      if (part && part.id !== FRAME) press(part);
    },
    onPointerCancel: (event: PointerEvent<HTMLDivElement>) => {
      held.current.delete(event.pointerId);
    },
    onPointerLeave: () => light(null),
    onWheel: (event: WheelEvent<HTMLDivElement>) => look({ far: Math.exp(0.0012 * event.deltaY) }),
    onKeyDown: (event: KeyboardEvent<HTMLDivElement>) => {
      if (event.altKey || event.ctrlKey || event.metaKey || event.target !== event.currentTarget) return;
      if (event.key === 'Home') view.getState().change({ looks: FIRST_LOOK });
      else if (KEYS[event.key]) look(KEYS[event.key] ?? {});
      else return;
      event.preventDefault();
      event.stopPropagation();
    },
  };
}

/** A coupler is engaged or released; any other part opens its card. */
function usePressed(): (part: PartRef) => void {
  const store = useTrainStore();
  const openCard = useCard();
  return (part) => {
    const { train } = store.getState();
    // A body that stands in may have parts that are gone.
    const coupler = part.kind === 'coupler' ? partsById(train).find.coupler(part.id) : undefined;
    if (coupler && !decidesForItself(coupler)) toggleCoupler(store, coupler.id);
    else openCard(part);
  };
}
