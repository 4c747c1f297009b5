'use client';

import { useCallback, useEffect, useRef } from 'react';
import { useScreenTour } from '@/features/train/frame/screen-keys';
import { useReducedMotion } from '@/ui/reduced-motion';
import { useCrank } from '../use-bench';

const SLOWLY = 0.1;
/** The page stands before it is pointed at. */
const SETTLE_MS = 600;

const isVisited = (): boolean => /(^|; )visited=/.test(document.cookie);

/**
 * Shows round: offered in the help, and by itself on the very first visit, with the train turning. It is not shown by
 * itself again.
 */
export function Tour({ first }: { first: boolean }) {
  const crank = useCrank();
  const still = useReducedMotion();
  const end = useRef<(() => void) | null>(null);
  const start = useCallback(async () => {
    const { startTour } = await import('./show-round');
    end.current?.();
    end.current = startTour(still);
  }, [still]);
  useScreenTour(start);
  useEffect(() => () => end.current?.(), []);
  useEffect(() => {
    if (!first || isVisited()) return;
    const timer = setTimeout(() => {
      document.cookie = 'visited=yes; path=/; max-age=31536000; samesite=lax';
      if (!still) crank.play(SLOWLY);
      void start();
    }, SETTLE_MS);
    return () => clearTimeout(timer);
  }, [first, start, crank, still]);
  return null;
}
