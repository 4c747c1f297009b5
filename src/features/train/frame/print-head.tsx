'use client';

import { usePreferences } from '@/ui/preferences';
import { useTrain } from '../use-train';

/** Above what is printed of a screen: whose figures these are, and which way round. */
export function PrintHead({ word }: { word: string }) {
  const name = useTrain((state) => state.train.name);
  const { convention, speedUnit, torqueUnit } = usePreferences();
  return (
    <p className="hidden border-b border-base-content pb-1 text-sm print:block">
      <strong>{name}</strong> · {word} · ratios {convention} · {speedUnit} · {torqueUnit}
    </p>
  );
}
