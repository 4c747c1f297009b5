'use client';

import { useMemo, useState } from 'react';
import type { CombinationTable } from '@/core/gear-chart';
import type { Train } from '@/core/train';
import { useTrain } from '@/features/train/use-train';
import { useJob } from '@/workers/use-job';

/** How far the looking is: what is found so far stands in the table. */
export type Looking =
  | { readonly kind: 'looking' | 'stopped' | 'done'; readonly table: CombinationTable | null }
  | { readonly kind: 'refused'; readonly message: string };

export interface CombinationsNow {
  readonly looking: Looking;
  readonly stop: () => void;
  readonly again: () => void;
}

/**
 * Looks at every combination of the train as it is now, beside the page; names, positions and notes are no reason to
 * begin anew.
 */
export function useCombinations(): CombinationsNow {
  const train = useMechanism();
  const { state, stop, again } = useJob('combinations', { train }, [train]);
  const looking = useMemo((): Looking => {
    switch (state.kind) {
      case 'idle':
        return { kind: 'looking', table: null };
      case 'running':
        return { kind: 'looking', table: state.partial };
      case 'stopped':
        return { kind: 'stopped', table: state.partial };
      case 'failed':
        return { kind: 'refused', message: state.message };
      case 'done':
        return { kind: 'done', table: state.value };
    }
  }, [state]);
  return { looking, stop, again };
}

/** What of the document decides what its combinations do; the same one while that does not change. */
function useMechanism(): Train {
  const open = useTrain((state) => state.train);
  const train = useMemo(() => mechanismOf(open), [open]);
  const text = useMemo(() => JSON.stringify(train), [train]);
  const [last, setLast] = useState({ text, train });
  if (last.text !== text) setLast({ text, train });
  return last.train;
}

const mechanismOf = (train: Train): Train => ({
  ...train,
  name: 'train',
  notes: undefined,
  positions: [],
  selectors: undefined,
  setAside: undefined,
  members: train.members.map((member) => ({ ...member, name: '', color: undefined })),
  couplers: train.couplers.map((coupler) => ({ ...coupler, name: '' })),
});
