'use client';

import { messageOf } from '@/core/message-of';
import { useCallback, useEffect, useMemo, useRef } from 'react';
import { mendsFor, type Run } from '@/core/shifting';
import { useSettled } from '@/ui/settled';
import type { Model } from '../model';
import { useShifting, useShiftingItself } from '../use-shifting';
import type { Running, ShiftingItself } from '../store';

/**
 * Runs whenever what is given has settled; a run that was asked for before is given up. @returns how far it is, and
 * functions that stop it and begin again
 */
export function useRunning(model: Model): {
  readonly running: Running;
  readonly stop: () => void;
  readonly again: () => void;
} {
  const itself = useShiftingItself();
  const settled = useSettled(model);
  const asked = useMemo(() => JSON.stringify(settled.scenario), [settled]);
  const stopped = useRef<string | null>(null);
  const begin = useCallback(() => {
    const { set } = itself.store.getState();
    set({ running: { kind: 'running', asked, traces: null }, tried: new Map() });
    itself.tries.giveUp();
    itself.runs
      .run('run', { train: settled.train, scenario: settled.scenario }, (traces) =>
        set({ running: { kind: 'running', asked, traces } }),
      )
      .then(
        (outcome) => 'value' in outcome && done(itself, settled, asked, outcome.value),
        (error: unknown) => set({ running: { kind: 'refused', message: messageOf(error) } }),
      );
  }, [itself, settled, asked]);
  useEffect(() => {
    if (stopped.current === asked) return;
    stopped.current = null;
    const { made, running, set } = itself.store.getState();
    // Come back to the screen: the run of the same train and scenario stands.
    if (running.kind === 'done' && running.asked === asked && made?.train === settled.train) {
      set({ made: { ...made, scenario: settled.scenario } });
      tryMends(itself, settled, made.run);
      return;
    }
    begin();
  }, [begin, itself, asked, settled]);
  // Nothing goes on for a screen that nobody looks at; other screens have their own work.
  useEffect(() => () => giveUp(itself), [itself]);
  const stop = useCallback(() => {
    stopped.current = asked;
    itself.runs.giveUp();
    const { running, set } = itself.store.getState();
    set({ running: { kind: 'stopped', asked, traces: running.kind === 'running' ? running.traces : null } });
  }, [itself, asked]);
  const again = useCallback(() => {
    stopped.current = null;
    begin();
  }, [begin]);
  return { running: useShifting((state) => state.running), stop, again };
}

/** A run is there: it is shown, and what could mend its verdicts is tried beside the page. */
function done(
  { store, tries }: ShiftingItself,
  { train, scenario, gearings, points }: Model,
  asked: string,
  run: Run,
): void {
  const { set, cursorS } = store.getState();
  set({
    running: { kind: 'done', asked },
    made: { name: scenario.name ?? 'this run', train, scenario, run },
    cursorS: Math.min(cursorS, run.untilS),
  });
  tryMends({ store, tries }, { train, scenario, gearings, points }, run);
}

/** What could mend a run's verdicts is tried beside the page, as far as it has not been. */
function tryMends(
  { store, tries }: Pick<ShiftingItself, 'store' | 'tries'>,
  { train, scenario, gearings, points }: Omit<Model, 'bands'>,
  run: Run,
): void {
  const { tried } = store.getState();
  const mends = mendsFor(gearings, points, scenario, run).filter(({ key }) => !tried.has(key));
  if (mends.length === 0) return;
  tries
    .run('tries', { train, scenarios: mends.map((mend) => mend.scenario) }, (at, found) => {
      const { tried: before, set } = store.getState();
      set({ tried: new Map([...before, [mends[at]!.key, found]]) });
    })
    .catch((error: unknown) => console.error(error));
}

function giveUp({ store, runs, tries }: ShiftingItself): void {
  runs.giveUp();
  tries.giveUp();
  const { running, set } = store.getState();
  if (running.kind === 'running') set({ running: { kind: 'not yet' } });
}
