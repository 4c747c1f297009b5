import { measured, type Reading } from '@/core/measurement';
import { useMemo } from 'react';
import { useJudgement } from '../use-log';
import { VERDICTS } from '@/features/train/log/verdict-words';
import { intervalText, valueText } from '@/features/train/log/figures-text';
import type { Result } from '@/core/result';

/** The arithmetic while it is typed, and what it would prove. */
export function ReadingPreview({ read, wrong }: { read: Result<Reading>; wrong: string | null }) {
  const { judge } = useJudgement();
  const judged = useMemo(() => (read.ok ? judge.judge(read.value) : null), [read, judge]);
  if (wrong !== null)
    return (
      <p role="alert" className="text-error">
        {wrong}
      </p>
    );
  if (!read.ok || !judged) return <p className="muted">The arithmetic appears here while you type.</p>;
  const { line } = measured(read.value);
  return (
    <p aria-label="The arithmetic" role="status">
      <span className="muted">{line}</span>
      {judged.interval && (
        <>
          {' '}
          = <span className="figure font-semibold">{intervalText(judged)}</span>
        </>
      )}
      {judged.computed && <span className="muted">; computed {valueText(judged, judged.computed)}</span>}
      {judged.verdict !== 'no-verdict' && <strong>: {VERDICTS[judged.verdict]}</strong>}
    </p>
  );
}
