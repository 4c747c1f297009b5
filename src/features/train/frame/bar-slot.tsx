'use client';

import { createContext, useContext, type ReactNode } from 'react';
import { createPortal } from 'react-dom';

export const BarSlot = createContext<HTMLElement | null>(null);

/** What a screen puts into the bar beside what all screens have there. */
export function InBar({ children }: { children: ReactNode }) {
  const slot = useContext(BarSlot);
  return slot && createPortal(children, slot);
}
