'use client';

import { useSyncExternalStore } from 'react';

const QUERY = '(prefers-reduced-motion: reduce)';

/** Whether this person asked for as little movement as possible. */
export const useReducedMotion = (): boolean =>
  useSyncExternalStore(
    (tell) => {
      const media = matchMedia(QUERY);
      media.addEventListener('change', tell);
      return () => media.removeEventListener('change', tell);
    },
    () => matchMedia(QUERY).matches,
    () => false,
  );
