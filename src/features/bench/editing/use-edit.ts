'use client';

import type { Addition, Edit, PartRef } from '@/core/train';
import { editTrain } from '@/features/train/edit';
import { useTrainStore } from '@/features/train/use-train';
import { useCard } from '../use-bench';

/** Says a refusal in the card, or takes it back. */
export type Say = (message: string | null) => void;

/** Takes an edit over as one step of undo, or says why it cannot be; then opens another part's card if one is named. */
export function useEdit(say: Say): (edit: Edit | Addition, then?: PartRef | null) => void {
  const store = useTrainStore();
  const openCard = useCard();
  return (edit, then) => {
    say(edit.ok ? null : edit.message);
    if (!edit.ok) return;
    const next = then === undefined && 'added' in edit ? edit.added : then;
    editTrain(store, edit.train);
    if (next !== undefined) openCard(next);
  };
}
