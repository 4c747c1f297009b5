'use client';

import { useEffect, useState } from 'react';
import { useStore } from 'zustand';
import { ownOf } from '@/features/train/session';
import { useSession, useTrain } from '@/features/train/use-train';
import { retryImport, whenIdle } from '@/ui/on-demand';
import type { MeasuredTrain } from './measured';
import { createTrainLog, trainLogOf } from './train-log';

/**
 * What was measured, to stand beside what is computed; null where nothing was. The log and the arithmetic come when the
 * page has nothing to do.
 */
export function useMeasured(): MeasuredTrain | null {
  const log = ownOf(useSession(), createTrainLog);
  const train = useTrain((state) => state.train);
  const entries = useStore(log.store, (state) => state.entries);
  const [measured, setMeasured] = useState<MeasuredTrain | null>(null);
  useEffect(() => whenIdle([log.load]), [log]);
  useEffect(() => {
    if (!entries || entries.length === 0) return;
    let left = false;
    void retryImport(() => import('./measured')).then(
      ({ measuredOf }) => !left && setMeasured(measuredOf(train, trainLogOf(entries))),
    );
    return () => void (left = true);
  }, [entries, train]);
  return entries && entries.length > 0 ? measured : null;
}
