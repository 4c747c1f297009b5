import { RotateCcw } from 'lucide-react';
import type { Draft } from './drafts';

/** Puts a form back to how it was before anything was typed. */
export function BeginAnew({ draft }: { draft: Draft }) {
  return (
    <button
      type="button"
      className="btn btn-ghost btn-xs self-start"
      title="What is typed here stays in this browser until it is begun anew"
      onClick={draft.beginAnew}
    >
      <RotateCcw className="size-3.5" aria-hidden /> Begin anew
    </button>
  );
}
