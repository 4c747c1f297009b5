'use client';

import { readFigure } from '@/core/units';
import { useMemo } from 'react';
import { useStore } from 'zustand';
import { idealSteps, type Chart, type IdealSteps, chartOf } from '@/core/gear-chart';
import { ownOf } from '@/features/train/session';
import { useSession, useTrain } from '@/features/train/use-train';
import { createChart, type ChartState, type ChartItself } from './store';

/** What the Chart of the train that is open here keeps of its own. */
export const useChartItself = (): ChartItself => ownOf(useSession(), createChart);
export const useChart = <T>(select: (state: ChartState) => T): T => useStore(useChartItself().store, select);

/** The shift chart of the train as it is now. */
export const useRows = (): Chart => useTrain(({ train, losses }) => chartOf(train, { losses }));

/** The ideal steps of the school that is chosen. */
export function useIdeals(): IdealSteps {
  const chart = useRows();
  const school = useChart((state) => state.school);
  const factorText = useChart((state) => state.factorText);
  return useMemo(() => idealSteps(chart, school, readFactor(factorText) ?? undefined), [chart, school, factorText]);
}

/** A typed factor from 1 to 3; null where there is none to be read. */
export function readFactor(text: string): number | null {
  const value = readFigure(text);
  return text.trim() !== '' && value >= 1 && value <= 3 ? value : null;
}
