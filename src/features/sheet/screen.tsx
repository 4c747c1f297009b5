'use client';

import { Notice } from '@/features/train/notice';
import { Tabs } from '@/ui/tabs';
import { PaperSetup } from './paper/paper-setup';
import { PaperPane } from './paper/paper';
import { WithPaper } from './paper/with-paper';
import { PartsPane } from './parts/parts';
import { PartsSetup } from './parts/parts-setup';
import { ShapeSetup } from './shapes/shape-setup';
import { Shape } from './shapes/shape';
import type { SheetTab } from './store';
import { useSheet } from './use-sheet';

const TABS: Record<SheetTab, string> = { paper: 'Sheet', parts: 'Parts', shapes: 'Shapes' };

/**
 * What leaves the desk: the sheet for the workshop, the parts list, and wheels as shapes. Left what is asked for, right
 * what goes out.
 */
export function SheetScreen() {
  const tab = useSheet((state) => state.tab);
  const set = useSheet((state) => state.set);
  return (
    <WithPaper>
      <main className="relative flex min-h-0 flex-1 flex-col lg:flex-row print:block">
        <h2 className="sr-only">Sheet</h2>
        <div className="flex shrink-0 flex-col overflow-auto lg:w-78 lg:border-r lg:border-base-content print:hidden">
          <Tabs
            label="Sheet"
            tabs={TABS}
            chosen={tab}
            onChoose={(chosen) => set({ tab: chosen })}
            bodyClass="!px-0 flex-none"
          >
            {tab === 'paper' && <PaperSetup />}
            {tab === 'parts' && <PartsSetup />}
            {tab === 'shapes' && <ShapeSetup />}
          </Tabs>
        </div>
        <div className="flex min-h-0 min-w-0 flex-1 flex-col print:block">
          {tab === 'paper' && <PaperPane />}
          {tab === 'parts' && <PartsPane />}
          {tab === 'shapes' && <Shape />}
        </div>
        <Notice />
      </main>
    </WithPaper>
  );
}
