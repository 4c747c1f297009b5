'use client';

import { useSyncExternalStore } from 'react';

/** The theme that is on, for what is drawn with colours that have to be read out. */
export const useTheme = (): string =>
  useSyncExternalStore(
    (tell) => {
      const observer = new MutationObserver(tell);
      observer.observe(document.documentElement, { attributes: true, attributeFilter: ['data-theme'] });
      const system = matchMedia(DARK);
      system.addEventListener('change', tell);
      return () => {
        observer.disconnect();
        system.removeEventListener('change', tell);
      };
    },
    () => document.documentElement.dataset.theme ?? (matchMedia(DARK).matches ? 'soot' : 'salt'),
    () => 'salt',
  );

const DARK = '(prefers-color-scheme: dark)';
