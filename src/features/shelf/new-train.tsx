'use client';

import { Plus } from 'lucide-react';
import { useEffect, useState } from 'react';
import { onDemand, whenIdle } from '@/ui/on-demand';

const PatternDialog = onDemand(async () => (await import('./pattern-dialog')).PatternDialog);

/** A new train from a pattern. */
export function NewTrain({ onAdded }: { onAdded: (name: string) => void }) {
  const [open, setOpen] = useState(false);
  useEffect(() => whenIdle([PatternDialog.load]), []);
  return (
    <>
      <button type="button" className="btn btn-neutral btn-sm" onClick={() => setOpen(true)}>
        <Plus className="size-4" aria-hidden /> New train
      </button>
      {open && (
        <PatternDialog.Shown
          onClose={() => setOpen(false)}
          onAdded={(name) => {
            setOpen(false);
            onAdded(name);
          }}
        />
      )}
    </>
  );
}
