'use client';

import { useCallback, useEffect, useMemo, useRef } from 'react';
import { mendsFor, type Run } from '@/core/shifting';
import { useSettled } from '@/ui/settled';
import type { Model } from '../model';
import { useShifting, useShiftingItself } from '../use-shifting';
import type { Running, ShiftingItself } from '../store';

/** Runs whenever what is given has settled; a run that was asked for before is given up. @returns how far it is, and functions that stop it and begin again */
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
        (run) => run && done(itself, settled, asked, run),
        (error: unknown) =>
          set({ running: { kind: 'refused', message: error instanceof Error ? error.message : String(error) } }),
      );
  }, [itself, settled, asked]);
  useEffect(() => {
    if (stopped.current === asked) return;
    stopped.current = null;
    const { made, running } = itself.store.getState();
    // Come back to the screen: the run of the same train and scenario stands.
    if (running.kind === 'done' && running.asked === asked && made?.train === settled.train) {
      itself.store.getState().set({ made: { ...made, scenario: settled.scenario } });
      return;
    }
    begin();
  }, [begin, itself, asked, settled]);
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
  const mends = mendsFor(gearings, points, scenario, run);
  if (mends.length === 0) return;
  tries
    .run('tries', { train, scenarios: mends.map((mend) => mend.scenario) }, (at, tried) => {
      const { tried: before } = store.getState();
      set({ tried: new Map([...before, [mends[at]!.key, tried]]) });
    })
    .catch((error: unknown) => console.error(error));
}
