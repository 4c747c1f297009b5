'use client';

import { createContext, useContext, useLayoutEffect } from 'react';
import type { KeyLine } from '@/help/help-panel';

export const ScreenKeys = createContext<(lines: readonly KeyLine[]) => void>(() => undefined);

type Start = () => Promise<void>;

/** Takes what shows someone round the screen, for its help. */
export const ScreenTour = createContext<(start: () => Start | null) => void>(() => undefined);

/** Offers a tour of the screen in its help. */
export function useScreenTour(start: Start): void {
  const offer = useContext(ScreenTour);
  useLayoutEffect(() => {
    offer(() => start);
    return () => offer(() => null);
  }, [offer, start]);
}

/** Keys that work anywhere on a screen, listed with those that every screen has. */
export function useScreenKeys(lines: readonly KeyLine[], press: (event: KeyboardEvent) => void): void {
  const list = useContext(ScreenKeys);
  useLayoutEffect(() => {
    list(lines);
    return () => list([]);
  }, [list, lines]);
  // As soon as the screen stands there: a key pressed at once must not be lost. And before the keys that every screen
  // has.
  useLayoutEffect(() => {
    addEventListener('keydown', press, true);
    return () => removeEventListener('keydown', press, true);
  }, [press]);
}
