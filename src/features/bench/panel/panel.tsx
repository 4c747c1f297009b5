'use client';

import { CAUTIONS } from '@/core/cautions';
import { useEffect, useState, type ReactNode } from 'react';
import { MeasuredHere } from '@/features/train/log/measured-here';
import { onDemand, whenIdle } from '@/ui/on-demand';
import { Tabs } from '@/ui/tabs';
import { RatioHeadline } from './ratio-headline';
import { Trace } from './trace';

const TABS = { trace: 'Trace', figures: 'Figures', working: 'Working', checks: 'Checks' } as const;
type Tab = keyof typeof TABS;
const FiguresTable = onDemand(async () => (await import('./figures-table')).FiguresTable);
const TeethFigures = onDemand(async () => (await import('./teeth-figures')).TeethFigures);
const WorkingView = onDemand(async () => (await import('./working-view')).WorkingView);
const ChecksView = onDemand(async () => (await import('./checks-view')).ChecksView);
const WrongCount = onDemand(async () => (await import('./wrong-count')).WrongCount);
const BODIES: Record<Tab, ReactNode> = {
  trace: <Trace />,
  figures: (
    <>
      <FiguresTable.Shown />
      <MeasuredHere />
      <TeethFigures.Shown />
    </>
  ),
  working: <WorkingView.Shown />,
  checks: <ChecksView.Shown />,
};

/**
 * The panel that explains what is engaged: its ratio, the story of the power, every member's figures, the sums, and
 * what the checks find.
 */
export function BenchPanel() {
  const [tab, setTab] = useState<Tab>('trace');
  const [counted, setCounted] = useState(false);
  useEffect(
    () =>
      whenIdle([
        async () => setCounted(Boolean(await WrongCount.load())),
        ChecksView.load,
        FiguresTable.load,
        TeethFigures.load,
        WorkingView.load,
      ]),
    [],
  );
  return (
    <aside
      aria-label="Explanation"
      className={
        'flex min-h-0 flex-col border-t border-base-content bg-base-100 ' +
        'lg:border-l lg:border-t-0 lg:border-base-300'
      }
    >
      <Tabs
        label="Explanation"
        tabs={TABS}
        chosen={tab}
        onChoose={setTab}
        badge={(key) => key === 'checks' && counted && <WrongCount.Shown />}
        bodyClass="py-2.5 wrap-break-word contain-content"
      >
        <RatioHeadline />
        {BODIES[tab]}
        <Cautions />
      </Tabs>
    </aside>
  );
}

/** What the figures are not, and what can hurt. */
function Cautions() {
  return (
    <div className="muted mt-4 border-t border-base-300 pt-2 text-xs leading-snug">
      <p>{CAUTIONS.figures}</p>
      <p className="mt-1">
        {CAUTIONS.turning} {CAUTIONS.springs} {CAUTIONS.local}
      </p>
    </div>
  );
}
