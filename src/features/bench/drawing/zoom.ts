'use client';

import { select } from 'd3-selection';
import { zoom, zoomIdentity, type ZoomBehavior } from 'd3-zoom';
import { useLayoutEffect, useRef, useState, type RefObject } from 'react';

const MOST = 8;

export interface Zoom {
  /** For the drawing's group. */
  readonly transform: string;
  readonly by: (factor: number) => void;
  readonly fit: () => void;
}

/** Zooms with the wheel or two fingers, pans by dragging the paper, fits again on demand. */
export function useZoom(svg: RefObject<SVGSVGElement | null>): Zoom {
  const behaviour = useRef<ZoomBehavior<SVGSVGElement, unknown> | null>(null);
  const [transform, setTransform] = useState(zoomIdentity);
  // Before the page answers the first click: one on a page that is only just ready must not be lost.
  useLayoutEffect(() => {
    const element = svg.current;
    if (!element) return;
    const zooming = zoom<SVGSVGElement, unknown>()
      .scaleExtent([0.5, MOST])
      // A press on a part is for the part; the double click is too.
      .filter(
        (event: Event) =>
          event.type === 'wheel' ||
          (event.type !== 'dblclick' && !(event.target as Element).closest('[role=button], foreignObject')),
      )
      .on('zoom', (event: { transform: typeof zoomIdentity }) => setTransform(event.transform));
    behaviour.current = zooming;
    select(element).call(zooming);
    return () => {
      select(element).on('.zoom', null);
    };
  }, [svg]);
  const act = (run: (zooming: ZoomBehavior<SVGSVGElement, unknown>, element: SVGSVGElement) => void) => {
    if (behaviour.current && svg.current) run(behaviour.current, svg.current);
  };
  return {
    transform: transform.toString(),
    by: (factor) => act((zooming, element) => zooming.scaleBy(select(element), factor)),
    fit: () => act((zooming, element) => zooming.transform(select(element), zoomIdentity)),
  };
}
