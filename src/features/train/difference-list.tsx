'use client';

import { useMemo } from 'react';
import { differenceOf } from '@/core/difference';
import type { Train } from '@/core/train';
import { usePreferences } from '@/ui/preferences';

/** What is different between two states of a train, in words. */
export function DifferenceItems({ before, after }: { before: Train; after: Train }) {
  const convention = usePreferences((state) => state.convention);
  const { parts, positions } = useMemo(() => differenceOf(before, after, convention), [before, after, convention]);
  if (parts.length === 0) return <p className="muted mt-2 text-sm">No difference.</p>;
  return (
    <div
      className="mt-2 max-h-64 overflow-auto border-y border-base-300 py-1.5 text-sm"
      tabIndex={0}
      role="group"
      aria-label="Differences"
    >
      <ul className="list-disc pl-5">
        {parts.map((text, i) => (
          <li key={i}>{text}</li>
        ))}
      </ul>
      {positions.length > 0 && (
        <>
          <p className="mt-1.5">Ratios, {convention}:</p>
          <ul className="figure list-disc pl-5">
            {positions.map((text, i) => (
              <li key={i}>{text}</li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}
