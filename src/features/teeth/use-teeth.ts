'use client';

import { messageOf } from '@/core/message-of';
import { createContext, useCallback, useContext, useEffect, useMemo, useRef } from 'react';
import { useStore } from 'zustand';
import { readSearch, type Answer, type ReadQuestion } from '@/core/tooth-search';
import type { Train } from '@/core/train';
import { useSettled } from '@/ui/settled';
import { writtenOf } from './form';
import type { Looking, TeethItself, TeethState } from './store';

/** The screen's own store, and the train that is open; null where there is none. */
export interface Teeth {
  readonly itself: TeethItself;
  readonly train: Train | null;
}

export const TeethContext = createContext<Teeth | null>(null);

function useTeethItself(): Teeth {
  const teeth = useContext(TeethContext);
  if (!teeth) throw new Error('The Teeth screen is not open.');
  return teeth;
}

export const useTeeth = <T>(select: (state: TeethState) => T): T => useStore(useTeethItself().itself.store, select);

export const useForm = () => useTeeth((state) => state.form);
export const useAsk = () => useTeeth((state) => state.ask);

/** The train that is open beside the search; null where there is none. */
export const useOpenTrain = (): Train | null => useTeethItself().train;

/** What is typed as the text of a search file. */
export function useWritten(): string {
  const form = useForm();
  const train = useOpenTrain();
  return useMemo(() => JSON.stringify(writtenOf(form, train)), [form, train]);
}

/** What is typed, read: a question, or what is wrong with it. */
export function useQuestion(): ReadQuestion {
  const written = useWritten();
  return useMemo(() => readSearch(written), [written]);
}

/** What is told on the way changes soon: the first of it are enough to look at, and quick to show. */
const beginningOf = (answer: Answer): Answer => ({ ...answer, findings: answer.findings.slice(0, 20) });

/**
 * Searches whenever what is asked has settled; what was asked before is given up. @returns how far it is, and functions
 * that stop it and begin again.
 */
export function useSearching(): { readonly looking: Looking; readonly stop: () => void; readonly again: () => void } {
  const { itself, train } = useTeethItself();
  const latest = useWritten();
  const written = useSettled(latest);
  // What was typed when it was stopped is not searched a moment later, when it has settled.
  const stopped = useRef<string | null>(null);
  const read = useMemo(() => readSearch(written), [written]);
  // Only a fit looks at the train: other searches need not begin anew when it is edited.
  const open = read.ok && read.value.kind === 'fit' ? train : null;
  const begin = useCallback(() => {
    const { set } = itself.store.getState();
    if (!read.ok) {
      itself.lane.giveUp();
      return set({ looking: { kind: 'refused', message: read.message } });
    }
    const asked = { written, question: read.value, train: open };
    const start = performance.now();
    set({ looking: { kind: 'looking', written } });
    itself.lane
      .run('teeth', { question: asked.question, train: open }, (answer) =>
        set({ shown: { ...asked, answer: beginningOf(answer) } }),
      )
      .then(
        (outcome) =>
          'value' in outcome &&
          set({
            shown: { ...asked, answer: outcome.value },
            looking: { kind: 'done', written, tookMs: performance.now() - start },
          }),
        (error: unknown) => set({ looking: { kind: 'refused', message: messageOf(error) } }),
      );
  }, [itself, written, read, open]);
  useEffect(() => {
    if (stopped.current === written) return;
    stopped.current = null;
    const { looking, shown } = itself.store.getState();
    // Come back to the screen: what was found for the same question stands.
    if (looking.kind === 'done' && looking.written === written && shown?.train === open) return;
    begin();
  }, [begin, itself, written, open]);
  const stop = useCallback(() => {
    stopped.current = latest;
    itself.lane.giveUp();
    itself.store.getState().set({ looking: { kind: 'stopped', written: latest } });
  }, [itself, latest]);
  const again = useCallback(() => {
    stopped.current = null;
    begin();
  }, [begin]);
  const asked = useTeeth((state) => state.looking);
  // What is typed will be searched as soon as it has settled: what stands there no longer answers it, also for the
  // moment until that search has begun.
  const answers = 'written' in asked ? asked.written === latest : latest === written;
  const looking: Looking = answers ? asked : { kind: 'looking', written: latest };
  return { looking, stop, again };
}
