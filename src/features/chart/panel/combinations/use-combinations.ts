'use client';

import type { CombinationTable } from '@/core/gear-chart';
import type { Train } from '@/core/train';
import { useTrain } from '@/features/train/use-train';
import type { JobKey } from '@/workers/job-runner';
import { useJob, type JobStateOf, type RunningJob } from '@/workers/use-job';

/**
 * Looks at every combination of the train as it is now, beside the page; names, positions and notes are no reason to
 * begin anew.
 */
export function useCombinations(): RunningJob<'combinations'> {
  const train = useTrain((state) => state.train);
  return useJob('combinations', { train }, mechanismOf(train));
}

/** What is found so far. */
export function tableIn(state: JobStateOf<'combinations'>): CombinationTable | null {
  if (state.kind === 'done') return state.value;
  return state.kind === 'running' || state.kind === 'stopped' ? state.partial : null;
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
