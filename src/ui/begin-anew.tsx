import { RotateCcw } from 'lucide-react';
import type { Draft } from './drafts';

/** Puts a form, or some of its fields, back to how it was before anything was typed. */
export function BeginAnew({ draft, only }: { draft: Draft; only?: readonly string[] }) {
  return (
    <button
      type="button"
      className="btn btn-ghost btn-xs self-start"
      title="What is typed here stays in this browser until it is begun anew"
      onClick={() => draft.beginAnew(only)}
    >
      <RotateCcw className="size-3.5" aria-hidden /> Begin anew
    </button>
  );
}
