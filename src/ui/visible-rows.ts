'use client';

import { useVirtualizer } from '@tanstack/react-virtual';
import { useLayoutEffect, useState, type RefObject } from 'react';

/** Tables of so many rows or fewer are drawn whole. */
const WHOLE = 150;
/** A row of one line, px; others are measured when they are drawn. */
const ROW_PX = 29;
const OVERSCAN = 16;

export interface VisibleRows {
  /** The rows to draw, by their places. */
  readonly places: readonly number[];
  /** Room for those above and below, px. */
  readonly abovePx: number;
  readonly belowPx: number;
  /** Taken by each row that is drawn, so that its height is known. */
  readonly measure: ((row: Element | null) => void) | undefined;
}

/** Which rows of a long table are in sight: the others are sorted, copied and saved all the same, but not drawn. */
export function useVisibleRows(count: number, body: RefObject<HTMLTableSectionElement | null>): VisibleRows {
  const [scroller, setScroller] = useState<Element | null>(null);
  const [startPx, setStartPx] = useState(0);
  const isLong = count > WHOLE;
  useLayoutEffect(() => {
    const found = isLong && body.current ? scrollerOf(body.current) : null;
    setScroller(found);
    if (found && body.current)
      setStartPx(body.current.getBoundingClientRect().top - found.getBoundingClientRect().top + found.scrollTop);
  }, [body, isLong]);
  // The virtualiser's own functions change with every render; nothing here is kept from one to the next.
  // eslint-disable-next-line react-hooks/incompatible-library
  const virtual = useVirtualizer({
    count: isLong ? count : 0,
    getScrollElement: () => scroller,
    estimateSize: () => ROW_PX,
    overscan: OVERSCAN,
    scrollMargin: startPx,
    // A first picture before anything is measured: as much as a tall window shows.
    initialRect: { width: 1280, height: 800 },
  });
  if (!isLong)
    return { places: Array.from({ length: count }, (_, i) => i), abovePx: 0, belowPx: 0, measure: undefined };
  const items = virtual.getVirtualItems();
  const [first, last] = [items[0], items[items.length - 1]];
  return {
    places: items.map(({ index }) => index),
    abovePx: first ? first.start - startPx : 0,
    belowPx: last ? virtual.getTotalSize() - (last.end - startPx) : 0,
    measure: virtual.measureElement,
  };
}

/** What scrolls an element: the nearest part of the page around it that may scroll. */
function scrollerOf(element: Element): Element {
  for (let around = element.parentElement; around; around = around.parentElement)
    if (/auto|scroll/.test(getComputedStyle(around).overflowY)) return around;
  return document.documentElement;
}

/** Columns never get narrower while other rows come into sight: the head keeps the widest that it was. */
export function useSteadyColumns(head: RefObject<HTMLTableRowElement | null>, isLong: boolean): void {
  useLayoutEffect(() => {
    if (isLong) for (const cell of head.current?.cells ?? []) keepWidth(cell);
  });
}

function keepWidth(cell: HTMLElement): void {
  const width = Math.ceil(cell.getBoundingClientRect().width);
  if (width > (Number.parseFloat(cell.style.minWidth) || 0)) cell.style.minWidth = `${width}px`;
}
