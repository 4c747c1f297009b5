import { useEffect, useRef } from 'react';
import type { PartRef, Train } from '@/core/train';
import { partKey } from '../drawing/pointed';

/** Where the focus was before it was in a card: an element, the part that it stands for, and what stood beside it. */
interface Place {
  readonly element: Element;
  readonly key: string | null;
  readonly keys: readonly string[];
}

/**
 * Gives the focus back when the element that had it is gone: after a card closes to the part that it was opened from,
 * after a removal to the part beside it. Without it the focus falls to the page, and the keyboard begins anew.
 */
export function useReturnedFocus(editing: PartRef | null, train: Train): void {
  const last = useRef<Place | null>(null);
  const open = useRef<string | null>(null);
  useEffect(() => {
    const note = ({ target }: FocusEvent) => {
      if (!(target instanceof Element) || target.closest('[data-card]')) return;
      const key = target.closest('[data-part]')?.getAttribute('data-part') ?? null;
      last.current = { element: target, key, keys: key === null ? [] : partsShown() };
    };
    // Whoever presses on nothing wants the focus nowhere.
    const forget = ({ target }: PointerEvent) => {
      if (target instanceof Element && !target.closest('[data-card], [data-part]')) last.current = null;
    };
    document.addEventListener('focusin', note);
    document.addEventListener('pointerdown', forget, true);
    return () => {
      document.removeEventListener('focusin', note);
      document.removeEventListener('pointerdown', forget, true);
    };
  }, []);
  useEffect(() => {
    const closed = open.current !== null && editing === null;
    const [place, edited] = [last.current, open.current];
    open.current = editing && partKey(editing);
    if (editing || !place || !isNowhere() || !(closed || place.key !== null)) return;
    // The drawing follows an edit a frame later.
    const frame = requestAnimationFrame(() => {
      if (isNowhere()) successor(place, edited, train)?.focus();
    });
    return () => cancelAnimationFrame(frame);
  }, [editing, train]);
}

const isNowhere = (): boolean => document.activeElement === null || document.activeElement === document.body;

const partsShown = (): string[] =>
  [...document.querySelectorAll('[data-part][tabindex]')].map((element) => element.getAttribute('data-part') ?? '');

/** Where it was, or the part it stood for, or the nearest part after it that is still there, or before it. */
function successor({ element, key, keys }: Place, edited: string | null, train: Train): HTMLElement | null {
  const there = new Set([
    ...train.gears.map(({ id }) => partKey({ kind: 'gear', id })),
    ...train.couplers.map(({ id }) => partKey({ kind: 'coupler', id })),
    ...train.members.map(({ id }) => partKey({ kind: 'member', id })),
  ]);
  if (key === null) return element.isConnected ? (element as HTMLElement) : elementOf(edited);
  // A card that was opened from another part's card gives the focus to its own part.
  const own = edited !== null && there.has(edited) ? elementOf(edited) : null;
  if (own) return own;
  if (element.isConnected && there.has(key)) return element as HTMLElement;
  const at = keys.indexOf(key);
  const near = [key, ...keys.slice(at + 1), ...keys.slice(0, Math.max(0, at)).reverse()];
  for (const candidate of near) {
    const found = there.has(candidate) ? elementOf(candidate) : null;
    if (found) return found;
  }
  return null;
}

const elementOf = (key: string | null): HTMLElement | null =>
  key === null ? null : document.querySelector<HTMLElement>(`[data-part="${CSS.escape(key)}"][tabindex]`);
