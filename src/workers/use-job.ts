import { useCallback, useEffect, useState, useSyncExternalStore } from 'react';
import { jobRunner, type JobName, type Runner } from './beside';
import { isSameKey, type JobKey, type StateOf } from './job-runner';
import type { Jobs } from './jobs';
import type { InputOf } from './pool';

export type JobStateOf<K extends JobName> = StateOf<Jobs[K]>;

export interface RunningJob<K extends JobName> {
  readonly state: JobStateOf<K>;
  /** Stops what runs; what was found so far stands. */
  readonly stop: () => void;
  /** Begins it once more. */
  readonly again: () => void;
}

/**
 * Runs a job beside the page whenever its key is another one; what ran before is given up, and so is all when the part
 * of the page goes away.
 * @param input what the job takes; null while there is nothing to do
 * @param key what decides the input, item by item
 */
export function useJob<K extends JobName>(name: K, input: InputOf<Jobs[K]> | null, key: JobKey): RunningJob<K> {
  const [runner] = useState(() => jobRunner(name));
  useEffect(() => runner.leave, [runner]);
  return useKeptJob(runner, input, key);
}

/** The same with a runner that outlives this part of the page: what it has done for the same key stands. */
export function useKeptJob<K extends JobName>(
  runner: Runner<K>,
  input: InputOf<Jobs[K]> | null,
  key: JobKey,
): RunningJob<K> {
  const [asked, setAsked] = useState({ input, key });
  const isSame = isSameKey(asked.key, key) && (asked.input === null) === (input === null);
  if (!isSame) setAsked({ input, key });
  const state = useJobState(runner);
  const again = useCallback(
    () => (asked.input === null ? runner.leave() : void runner.begin(asked.input, asked.key)),
    [runner, asked],
  );
  useEffect(() => {
    if (!runner.isAbout(asked.key)) again();
  }, [runner, asked, again]);
  const stop = useCallback(() => runner.stop(), [runner]);
  return { state, stop, again };
}

/** How far what a runner does is. */
export const useJobState = <K extends JobName>(runner: Runner<K>): JobStateOf<K> =>
  useSyncExternalStore(runner.subscribe, runner.state, runner.state);
