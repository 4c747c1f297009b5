'use client';

import { useMemo } from 'react';
import { useTrain } from '@/features/train/use-train';
import { useSettled } from '@/ui/settled';
import { useRows } from '../../use-chart';
import { InputSpeed } from './input-speed';
import { LadderPlot } from './ladder';
import { Steps } from './steps';

/** The chart in pictures: all ratios on a ladder, and below it the steps and what they do to the input. */
export function Pictures() {
  const chart = useSettled(useRows());
  const name = useTrain((state) => state.train.name);
  const charts = useMemo(() => [{ name, chart }], [name, chart]);
  return (
    <>
      <LadderPlot charts={charts} />
      <div className="mt-1 grid gap-6 lg:grid-cols-2">
        <Steps />
        <InputSpeed />
      </div>
    </>
  );
}
