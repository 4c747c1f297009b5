'use client';

import { messageAt } from '@/ui/form/fields';
import { createContext, useCallback, useContext, useMemo } from 'react';
import { useStore } from 'zustand';
import { readSearch, type SearchQuestion } from '@/core/tooth-search';
import type { Train } from '@/core/train';
import type { Draft } from '@/ui/drafts';
import { useSettled } from '@/ui/settled';
import { isSameKey } from '@/workers/job-runner';
import { useKeptJob, type JobStateOf, type RunningJob } from '@/workers/use-job';
import { writtenSearch, type TeethForm } from './form';
import type { TeethItself, TeethState } from './store';
import { type Result } from '@/core/result';

/** The screen's own store, and the train that is open; null where there is none. */
export interface TeethScreen {
  readonly itself: TeethItself;
  readonly train: Train | null;
}

export const TeethContext = createContext<TeethScreen | null>(null);

function useTeethItself(): TeethScreen {
  const teeth = useContext(TeethContext);
  if (!teeth) throw new Error('The Teeth screen is not open.');
  return teeth;
}

export const useTeeth = <T>(select: (state: TeethState) => T): T => useStore(useTeethItself().itself.store, select);

export const useTeethForm = () => useTeeth((state) => state.form);
/** What is typed, as this browser keeps it. */
export const useTeethDraft = (): Draft => useTeethItself().itself.draft;
export const useAsk = () => useTeeth((state) => state.ask);

/** The train that is open beside the search; null where there is none. */
export const useOpenTrain = (): Train | null => useTeethItself().train;

/** What is typed as the text of a search file. */
export function useWritten(): string {
  const form = useTeethForm();
  const train = useOpenTrain();
  return useMemo(() => JSON.stringify(writtenSearch(form, train)), [form, train]);
}

/** What is typed, read: a question, or what is wrong with it. */
export function useQuestion(): Result<SearchQuestion> {
  const written = useWritten();
  return useMemo(() => readSearch(written), [written]);
}

/** What is wrong at a place of the search file, as a sentence; null where nothing is. */
export function useProblemAt(): (place: string) => string | null {
  const read = useQuestion();
  return (place) => messageAt(read, place);
}

export interface Searching extends Pick<RunningJob<'teeth'>, 'again'> {
  /** Null while what is typed asks nothing. */
  readonly state: JobStateOf<'teeth'> | null;
  readonly stop: () => void;
}

/** Searches whenever what is asked has settled; what was asked before is given up. */
export function useSearching(): Searching {
  const { search } = useTeethItself().itself;
  const latest = useSearchKey();
  const key = useSettled(latest);
  const [form, train] = key;
  const read = useMemo(() => readSearch(JSON.stringify(writtenSearch(form, train))), [form, train]);
  const input = read.ok ? { question: read.value, train } : null;
  const { state, again } = useKeptJob(search, input, key);
  // What is typed by now is not searched either, once it has settled.
  const stop = useCallback(() => search.stop(latest), [search, latest]);
  if (latest === key && !read.ok) return { state: null, stop, again };
  // What is typed will be searched as soon as it has settled: what stands there no longer answers it, also for the
  // moment until that search has begun.
  const answers = state.kind !== 'idle' && isSameKey(state.key, latest);
  return {
    state: answers ? state : { kind: 'running', key: latest, input: null, partial: null },
    stop,
    again,
  };
}

type SearchKey = readonly [form: TeethForm, train: Train | null];

/** What decides a search. Only a fit looks at the train: other searches need not begin anew when it is edited. */
function useSearchKey(): SearchKey {
  const form = useTeethForm();
  const open = useOpenTrain();
  const train = form.kind === 'fit' ? open : null;
  return useMemo(() => [form, train], [form, train]);
}
