import { useCallback, useEffect, useState, useSyncExternalStore } from 'react';
import { lane } from './beside';
import { JobRunner, type JobState } from './job-runner';
import type { Jobs } from './jobs';
import type { InputOf, NewsOf, OutputOf } from './pool';

type Name = keyof Jobs & string;

export interface RunningJob<K extends Name> {
  readonly state: JobState<NewsOf<Jobs[K]>[0], OutputOf<Jobs[K]>>;
  readonly stop: () => void;
  /** Begins it once more. */
  readonly again: () => void;
}

/**
 * Runs a job beside the page whenever its input is another one; what ran before is given up, and so is all when the
 * part of the page goes away.
 * @param input what the job takes, the same object while it stays the same; null while there is nothing to do
 */
export function useJob<K extends Name>(name: K, input: InputOf<Jobs[K]> | null): RunningJob<K> {
  const [runner] = useState(() => new JobRunner<Jobs, K>(lane(), name));
  const state = useSyncExternalStore(runner.subscribe, runner.state, runner.state);
  const begin = useCallback(() => (input === null ? runner.leave() : void runner.begin(input)), [runner, input]);
  useEffect(() => {
    begin();
    return runner.leave;
  }, [begin, runner]);
  return { state, stop: runner.stop, again: begin };
}
