'use client';

import { useEffect, useRef, useState } from 'react';
import type { Edit, Train } from '@/core/train';
import { DifferenceList } from '@/features/train/difference';
import { useTrain } from '@/features/train/use-train';
import { isPlain } from './is-plain';
import { useEdit, type Say } from './use-edit';

interface Props {
  readonly label: string;
  readonly make: () => Edit;
  readonly say: Say;
  /** What is said before the list of what changes. */
  readonly lead?: string | null;
  /** Asked already, by a key on the drawing. */
  readonly asked?: boolean;
  readonly danger?: boolean;
  /** Closes the card with the change. */
  readonly closes?: boolean;
}

/** A change with consequences: parts, positions and statuses that change with it are listed before it is made. */
export function AskFirst({ label, make, say, lead, asked = false, danger = false, closes = false }: Props) {
  const train = useTrain((state) => state.train);
  const edit = useEdit(say);
  const [after, setAfter] = useState<Train | null>(() => (asked ? changed(make()) : null));
  const confirm = useRef<HTMLButtonElement>(null);
  // Not by autoFocus: a field above it that selects its text would take the focus away again.
  useEffect(() => {
    if (after) confirm.current?.focus();
  }, [after]);
  const apply = (change: Edit) => edit(change, closes ? null : undefined);
  const ask = () => {
    const change = make();
    if (!change.ok || isPlain(train, change.train)) return apply(change);
    say(null);
    setAfter(change.train);
  };
  if (!after) {
    return (
      <button type="button" className={`btn btn-xs ${danger ? 'btn-ghost text-error' : ''}`} onClick={ask}>
        {label}
      </button>
    );
  }
  return (
    <div className="w-full" role="group" aria-label={`${label}: what changes`}>
      <p>{lead ?? 'This also changes what follows.'} Undo restores it.</p>
      <DifferenceList.Shown before={train} after={after} />
      <div className="mt-1 flex gap-2">
        <button
          type="button"
          className={`btn btn-xs ${danger ? 'btn-error' : 'btn-neutral'}`}
          ref={confirm}
          onClick={() => apply(make())}
        >
          {label}
        </button>
        <button type="button" className="btn btn-ghost btn-xs" onClick={() => setAfter(null)}>
          Cancel
        </button>
      </div>
    </div>
  );
}

const changed = (edit: Edit): Train | null => (edit.ok ? edit.train : null);
