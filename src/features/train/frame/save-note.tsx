'use client';

import { isSaved } from '../saving/autosave';
import type { SaveState } from '../store';
import { useTrain } from '../use-train';

const SAVE_TEXT: Record<SaveState['kind'], string> = {
  idle: 'Not saved yet',
  saving: 'Saving…',
  failed: 'Not saved, kept in this browser',
  conflict: 'Changed elsewhere',
};

/** Whether the server has what is on the screen; if not, why. */
export function SaveNote() {
  const save = useTrain((state) => state.save);
  const saved = useTrain((state) => isSaved(state) && (state.save.kind === 'idle' || state.save.kind === 'failed'));
  const bad = !saved && (save.kind === 'failed' || save.kind === 'conflict');
  return (
    <div className="relative">
      <p role="status" className={bad ? 'text-sm text-error' : 'muted text-sm'}>
        {saved ? 'Saved' : SAVE_TEXT[save.kind]}
      </p>
      {!saved && save.kind === 'failed' && (
        <p className="absolute top-full right-0 z-20 mt-2 w-72 border border-error bg-base-100 px-2 py-1 text-sm shadow-md">
          {save.message}
        </p>
      )}
    </div>
  );
}
