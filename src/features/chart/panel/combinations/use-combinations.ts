'use client';

import { useEffect, useState } from 'react';
import type { CombinationTable } from '@/core/gear-chart';
import type { Train } from '@/core/train';
import { useTrain } from '@/features/train/use-train';
import { lane } from '@/workers/beside';

/** How far the looking is: what is found so far stands in the table. */
export type Looking =
  | { readonly kind: 'looking' | 'stopped' | 'done'; readonly table: CombinationTable | null }
  | { readonly kind: 'refused'; readonly message: string };

export interface CombinationsNow {
  readonly looking: Looking;
  readonly stop: () => void;
  readonly again: () => void;
}

/** Looks at every combination of the train as it is now, beside the page; names, positions and notes are no reason to begin anew. */
export function useCombinations(): CombinationsNow {
  const train = useTrain((state) => state.train);
  const key = mechanismOf(train);
  const [asking] = useState(lane);
  const [round, setRound] = useState(0);
  const [found, setFound] = useState<{ readonly key: string; readonly looking: Looking }>({ key, looking: BEGUN });
  useEffect(() => {
    let left = false;
    const say = (looking: Looking) => !left && setFound({ key, looking });
    say(BEGUN);
    asking
      .run('combinations', { train: JSON.parse(key) as Train }, (table) => say({ kind: 'looking', table }))
      .then(
        (table) => table && say({ kind: 'done', table }),
        (error: unknown) => say({ kind: 'refused', message: error instanceof Error ? error.message : String(error) }),
      );
    return () => {
      left = true;
      asking.giveUp();
    };
  }, [asking, key, round]);
  return {
    looking: found.key === key ? found.looking : BEGUN,
    stop: () => {
      asking.giveUp();
      setFound((now) =>
        now.looking.kind === 'looking' ? { ...now, looking: { kind: 'stopped', table: now.looking.table } } : now,
      );
    },
    again: () => setRound((number) => number + 1),
  };
}

const BEGUN: Looking = { kind: 'looking', table: null };

/** What of a document decides what its combinations do. */
const mechanismOf = (train: Train): string =>
  JSON.stringify({
    ...train,
    name: 'train',
    notes: undefined,
    positions: [],
    selectors: undefined,
    setAside: undefined,
    members: train.members.map((member) => ({ ...member, name: '', color: undefined })),
    couplers: train.couplers.map((coupler) => ({ ...coupler, name: '' })),
  });
