'use client';

import { useMemo } from 'react';
import type { CombinationTable } from '@/core/gear-chart';
import type { Train } from '@/core/train';
import { useTrain } from '@/features/train/use-train';
import type { JobKey } from '@/workers/job-runner';
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
  const train = useTrain((state) => state.train);
  const { state, stop, again } = useJob('combinations', { train }, mechanismOf(train));
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

/** What of the document decides what its combinations do, item by item. */
const mechanismOf = ({ members, gears, meshes, couplers, input, outputs }: Train): JobKey => [
  ...members.flatMap(({ id, carrier }) => [id, carrier]),
  ...gears.flatMap(({ id, member, teeth, type }) => [id, member, teeth, type]),
  ...meshes.flatMap(({ id, gears: [a, b], sense, selfLocking }) => [id, a, b, sense, selfLocking]),
  ...couplers.flatMap((coupler) => [
    coupler.id,
    coupler.type,
    ...('joins' in coupler ? coupler.joins : [coupler.mesh]),
    coupler.type === 'one-way' ? coupler.control : undefined,
  ]),
  input,
  ...outputs,
];
