'use client';

import { usePreferences } from '@/ui/preferences';
import { useTrain } from '../use-train';

/** Above what is printed of a train's screen: whose figures these are, and which way round. */
export function PrintHead({ word }: { word: string }) {
  const name = useTrain((state) => state.train.name);
  return <PrintLine title={name} word={word} />;
}

/** The first line of what is printed. */
export function PrintLine({ title, word }: { title: string; word?: string }) {
  const { convention, speedUnit, torqueUnit } = usePreferences();
  return (
    <p className="hidden border-b border-base-content pb-1 text-sm print:block">
      <strong>{title}</strong>
      {word !== undefined && ` · ${word}`} · ratios {convention} · {speedUnit} · {torqueUnit}
    </p>
  );
}
