'use client';

import { useEffect } from 'react';
import { runFixes, type Run } from '@/core/shifting';
import { useSettled } from '@/ui/settled';
import { useKeptJob, type RunningJob } from '@/workers/use-job';
import type { Setup } from '../setup';
import type { ShiftingItself } from '../store';
import { useShiftingItself } from '../use-shifting';

/**
 * Runs whenever what is given has settled; a run that was asked for before is given up. The run of the same train and
 * scenario stands when someone comes back to the screen.
 */
export function useRunning(setup: Setup): RunningJob<'run'> {
  const itself = useShiftingItself();
  const { runs, tries } = itself;
  const settled = useSettled(setup);
  const { train, scenario } = settled;
  const running = useKeptJob(runs, { train, scenario }, [train, settled.typed]);
  const { state } = running;
  const run = state.kind === 'done' && state.key[1] === settled.typed && state.key[0] === train ? state.value : null;
  useEffect(() => {
    if (run) show(itself, settled, run);
  }, [itself, settled, run]);
  // Nothing goes on for a screen that nobody looks at; other screens have their own work.
  useEffect(
    () => () => {
      runs.rest();
      tries.rest();
    },
    [runs, tries],
  );
  return running;
}

/** A run is there: it is shown, and what could mend its verdicts is tried beside the page. */
function show({ store, tries }: ShiftingItself, { train, scenario, gearings, points }: Setup, run: Run): void {
  store.getState().show({ name: scenario.name ?? 'this run', train, scenario, run });
  const mends = runFixes(gearings, points, scenario, run);
  const key = [run, ...mends.map((mend) => mend.key)];
  if (mends.length === 0) tries.leave();
  else if (!tries.isAbout(key)) void tries.begin({ train, scenarios: mends.map((mend) => mend.scenario) }, key);
}
