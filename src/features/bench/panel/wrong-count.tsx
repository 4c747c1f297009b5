'use client';

import { useDeferredValue } from 'react';
import { useTrain } from '@/features/train/use-train';
import { useFindings } from './findings';

/** How much the checks find wrong; counted after the drawing has followed an edit. */
export function WrongCount() {
  const { open } = useFindings(useDeferredValue(useTrain((state) => state.train)));
  const wrong = open.filter(({ weight }) => weight === 'wrong').length;
  if (wrong === 0) return null;
  return (
    <span className="ml-1.5 rounded-full bg-error px-1.5 text-xs text-error-content">
      {wrong}
      <span className="sr-only"> wrong</span>
    </span>
  );
}
