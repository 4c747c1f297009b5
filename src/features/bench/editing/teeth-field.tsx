'use client';

import { useEffect, useRef, useState } from 'react';
import { readTeeth, typeTeeth, type Gear } from '@/core/train';
import { editTrain, endVisit, giveUpVisit } from '@/features/train/edit';
import { usePreferences } from '@/ui/preferences';
import { useTrainStore } from '@/features/train/use-train';
import { useCard } from '../use-bench';
import type { Say } from './use-edit';

/**
 * Types a tooth count. Each good count is worked out at once and the whole visit is one step of undo;
 * a bad one gets its message, nothing is taken over, and the last good state stands. Enter keeps it, Esc goes back.
 */
export function TeethField({ gear, say }: { gear: Gear; say: Say }) {
  const store = useTrainStore();
  const openCard = useCard();
  const [typed, setTyped] = useState(String(gear.teeth));
  const [bad, setBad] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  const visitKey = `teeth ${gear.id}`;

  useEffect(() => {
    field.current?.select();
    return () => endVisit(store);
  }, [store]);

  const type = (text: string) => {
    setTyped(text);
    const read = readTeeth(text);
    const { keepSets } = usePreferences.getState();
    const { train, visit } = store.getState();
    // Counts that follow are worked out from where the visit began, not from half a number.
    const before = visit?.merge === visitKey ? visit.before : train;
    const edit = read.ok ? typeTeeth(before, gear.id, read.teeth, keepSets) : read;
    setBad(!edit.ok);
    say(edit.ok ? null : edit.message);
    if (!edit.ok) return;
    editTrain(store, edit.train, { merge: visitKey });
  };
  const close = () => openCard(null);
  const giveUp = () => {
    giveUpVisit(store);
    close();
  };
  return (
    <label className="flex items-center justify-between gap-2">
      <span className="muted">Teeth</span>
      <input
        ref={field}
        autoFocus
        inputMode="numeric"
        className="input input-sm figure w-32 aria-invalid:border-error"
        title="Enter keeps it, Esc goes back."
        value={typed}
        aria-invalid={bad}
        onChange={(event) => type(event.target.value)}
        onBlur={() => endVisit(store)}
        onKeyDown={(event) => {
          if (event.key === 'Enter' && !bad) close();
          if (event.key !== 'Escape') return;
          event.preventDefault();
          giveUp();
        }}
      />
    </label>
  );
}
