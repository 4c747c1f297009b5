'use client';

import { Notice } from '@/features/train/notice';
import { EntryForm } from './entry/entry';
import { Readings } from './readings/readings';
import { UnreadableReadings } from './readings/unreadable';
import { SidePane } from './side';
import { JudgementContext, useJudging } from './use-log';
import { useLogKeys } from './entry/keys';

/**
 * What the real thing did, against what was computed: left the reading that is taken, in the middle all that were,
 * right what one proves, and what may be wrong.
 */
export function LogScreen() {
  const judgement = useJudging();
  useLogKeys();
  return (
    <JudgementContext value={judgement}>
      <main className="relative flex min-h-0 flex-1 flex-col lg:flex-row">
        <h2 className="sr-only">Log</h2>
        <div className="shrink-0 overflow-auto lg:w-78 lg:border-r lg:border-base-content print:hidden" tabIndex={-1}>
          <EntryForm />
        </div>
        <div className="flex min-h-0 min-w-0 flex-1 flex-col xl:flex-row lg:max-xl:overflow-auto">
          <div className="flex min-h-0 min-w-0 flex-1 flex-col">
            <UnreadableReadings />
            <Readings />
          </div>
          <SidePane />
        </div>
        <Notice />
      </main>
    </JudgementContext>
  );
}
