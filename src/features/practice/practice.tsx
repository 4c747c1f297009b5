'use client';

import { useState } from 'react';
import { Tabs } from '@/ui/tabs';
import { DrillPane } from './drill/drill';
import { DrillSetup } from './drill/drill-setup';
import { HuntPane } from './hunt/hunt';
import { HuntSetup } from './hunt/hunt-setup';
import { LearnerProgress } from './progress/progress';
import { WorksheetPane } from './sheet/sheet';
import { SheetSetup } from './sheet/sheet-setup';
import type { Mode } from './store';
import { usePractice, usePracticeItself } from './use-practice';
import { Who } from './who/who';

const MODES: Record<Mode, string> = { drill: 'Drill', sheet: 'Worksheet', hunt: 'Fault hunt', progress: 'Progress' };

/** Left who practises and what is asked; right what is asked itself. */
export function PracticePane() {
  const { store } = usePracticeItself();
  const mode = usePractice((state) => state.mode);
  const told = usePractice((state) => state.told);
  const [clock, setClock] = useState(false);
  return (
    <main className="relative flex min-h-0 flex-1 flex-col lg:flex-row print:block">
      <h2 className="sr-only">Practice</h2>
      <div className="flex shrink-0 flex-col overflow-auto lg:w-78 lg:border-r lg:border-base-content print:hidden">
        <Who />
        <Tabs
          label="Practice"
          tabs={MODES}
          chosen={mode}
          onChoose={(chosen) => store.getState().open(chosen)}
          bodyClass="!px-0 flex-none"
        >
          {mode === 'drill' && <DrillSetup clock={clock} onClock={setClock} />}
          {mode === 'sheet' && <SheetSetup />}
          {mode === 'hunt' && <HuntSetup />}
          {mode === 'progress' && (
            <p className="muted px-4 py-2 text-sm">
              What was right on its day goes up a step and comes back after 1, 3, 7 and 14 days; what was wrong comes
              back the next day.
            </p>
          )}
        </Tabs>
        {told && (
          <p role={told.bad ? 'alert' : 'status'} className={`px-4 py-2 text-sm ${told.bad ? 'text-error' : ''}`}>
            {told.text}
          </p>
        )}
      </div>
      <div className="flex min-h-0 min-w-0 flex-1 flex-col print:block">
        {mode === 'drill' && <DrillPane clock={clock} />}
        {mode === 'sheet' && <WorksheetPane />}
        {mode === 'hunt' && <HuntPane />}
        {mode === 'progress' && <LearnerProgress />}
      </div>
    </main>
  );
}
