'use client';

import { create } from 'zustand';

/** The part that is pointed at or focused, and where it is on the screen. */
export interface Pointed {
  readonly part: { readonly kind: 'gear' | 'coupler' | 'member'; readonly id: string };
  readonly at: DOMRect;
}

/** Kept apart from the Bench's store: it changes with every move of the pointer. */
export const usePointed = create<{
  readonly pointed: Pointed | null;
  readonly point: (pointed: Pointed) => void;
  readonly leave: () => void;
}>()((set) => ({
  pointed: null,
  point: (pointed) => set({ pointed }),
  leave: () => set({ pointed: null }),
}));

/** How a part's element is found again in the page. */
export const partKey = ({ kind, id }: { readonly kind: string; readonly id: string }): string => `${kind}:${id}`;
