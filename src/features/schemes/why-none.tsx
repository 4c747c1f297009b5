'use client';

import { useMemo } from 'react';
import type { SchemeQuestion } from '@/core/schemes';
import { useJob } from '@/workers/use-job';

/** Which part of the wish excludes most. */
export function WhyNone({ question }: { question: SchemeQuestion }) {
  const input = useMemo(() => ({ question }), [question]);
  const key = useMemo(() => [question] as const, [question]);
  const { state } = useJob('whyNoScheme', input, key);
  const known = state.kind === 'done' ? state.value : state.kind === 'running' ? (state.partial ?? []) : [];
  const helping = known.filter(({ schemes }) => schemes > 0);
  return (
    <section aria-label="Why there is none" className="px-4 py-3 text-sm">
      <h2 className="font-semibold">No scheme of these sets gives all of this.</h2>
      <p className="muted">Each part of the wish left out in turn:</p>
      <ul className="mt-1 list-disc pl-5">
        {helping.map(({ says, schemes, whole }) => (
          <li key={says}>
            {says}: {whole ? '' : 'at least '}
            <span className="figure">{schemes}</span>
          </li>
        ))}
      </ul>
      {state.kind === 'running' && <p role="status">Looking…</p>}
      {state.kind === 'done' && helping.length === 0 && <p>No single part alone stands in the way.</p>}
    </section>
  );
}
