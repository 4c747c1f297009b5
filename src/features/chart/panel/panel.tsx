'use client';

import { useEffect, type ReactNode } from 'react';
import { onDemand, whenIdle } from '@/ui/on-demand';
import { Tabs } from '@/ui/tabs';
import type { ChartTab } from '../store';
import { useChart } from '../use-chart';

const TABS: Record<ChartTab, string> = {
  pictures: 'Plots',
  members: 'Members’ speeds',
  shifts: 'Shifts',
  stages: 'Stages',
  lines: 'Speed lines',
  influence: 'Influence',
  combinations: 'Combinations',
  compare: 'Compare',
};

const Pictures = onDemand(async () => (await import('./pictures/pictures')).Pictures);
const Members = onDemand(async () => (await import('./pictures/members')).Members);
const Shifts = onDemand(async () => (await import('./shifts/shifts')).Shifts);
const Stages = onDemand(async () => (await import('./stages')).Stages);
const SpeedLines = onDemand(async () => (await import('./lines/speed-lines')).SpeedLinesTab);
const Influence = onDemand(async () => (await import('./influence')).InfluenceTab);
const Combinations = onDemand(async () => (await import('./combinations/combinations')).Combinations);
const Compare = onDemand(async () => (await import('./compare/compare')).ComparePane);
const ALL = [Pictures, Members, Shifts, Stages, SpeedLines, Influence, Combinations, Compare];
const BODIES: Record<ChartTab, ReactNode> = {
  pictures: <Pictures.Shown />,
  members: <Members.Shown />,
  shifts: <Shifts.Shown />,
  stages: <Stages.Shown />,
  lines: <SpeedLines.Shown />,
  influence: <Influence.Shown />,
  combinations: <Combinations.Shown />,
  compare: <Compare.Shown />,
};

/** What follows from the chart, one thing at a time. */
export function ChartPanel() {
  const tab = useChart((state) => state.tab);
  const set = useChart((state) => state.set);
  useEffect(
    () => whenIdle([...ALL.map(({ load }) => load), async () => (await import('@/workers/beside')).warm()]),
    [],
  );
  return (
    <section
      aria-label="What follows from the chart"
      className="mt-2 flex min-h-72 flex-1 flex-col border-t border-base-content"
    >
      <Tabs
        label="What follows from the chart"
        tabs={TABS}
        chosen={tab}
        onChoose={(chosen) => set({ tab: chosen })}
        bodyClass="py-2 contain-content"
      >
        {BODIES[tab]}
      </Tabs>
    </section>
  );
}
