'use client';

import { useLayoutEffect, useRef, useState, type RefObject } from 'react';
import { whenIdle } from '@/ui/on-demand';
import { WHOLE, type Look } from './first-look';
import type { Zooming } from './zooming';

export interface Zoom {
  /** For the drawing's group. */
  readonly transform: string;
  readonly by: (factor: number) => void;
  readonly fit: () => void;
}

/**
 * Zooms with the wheel or two fingers, pans by dragging the paper, fits again on demand. It is there when somebody
 * comes near, at the latest.
 * @param lookAt how the drawing is first looked at in a pane of this size
 */
export function useZoom(svg: RefObject<SVGSVGElement | null>, lookAt: (pane: DOMRect) => Look): Zoom {
  const zooming = useRef<() => Promise<Zooming | null>>(async () => null);
  const lookFirst = useRef(lookAt);
  const [transform, setTransform] = useState('translate(0,0) scale(1)');
  useLayoutEffect(() => {
    const element = svg.current;
    if (!element) return;
    let left = false;
    const first = lookFirst.current(element.getBoundingClientRect());
    if (first !== WHOLE) setTransform(`translate(${first.x},${first.y}) scale(${first.scale})`);
    let made: Promise<Zooming | null> | null = null;
    const make = () =>
      (made ??= import('./zooming')
        .then(({ zoomable }) => (left ? null : zoomable(element, setTransform, first)))
        // With the server away there is no zooming yet.
        .catch(() => (made = null)));
    zooming.current = make;
    const near = () => void make();
    element.addEventListener('pointerenter', near, { once: true });
    const leave = whenIdle([make]);
    return () => {
      left = true;
      leave();
      element.removeEventListener('pointerenter', near);
      void made?.then((found) => found?.end());
    };
  }, [svg]);
  // What is pressed before zooming is there is done when it is.
  const act = (run: (found: Zooming) => void) => void zooming.current().then((found) => found && run(found));
  return {
    transform,
    by: (factor) => act((found) => found.by(factor)),
    fit: () => act((found) => found.fit()),
  };
}
