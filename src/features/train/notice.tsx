'use client';

import { useEffect } from 'react';
import { useNotice, useTrain } from './use-train';

const SHOWN_MS = 6000;

/** One line about what was just done or refused, where no card is open to say it. */
export function Notice() {
  const notice = useTrain((state) => state.notice);
  const say = useNotice();
  useEffect(() => {
    if (notice === null) return;
    const timer = setTimeout(() => say(null), SHOWN_MS);
    return () => clearTimeout(timer);
  }, [notice, say]);
  return (
    <p
      role="status"
      className={
        notice === null
          ? 'sr-only'
          : 'absolute bottom-10 left-1/2 z-20 -translate-x-1/2 border ' +
            'border-base-content bg-base-100 px-3 py-1.5 text-sm shadow-md'
      }
    >
      {notice}
    </p>
  );
}
