'use client';

import { useState } from 'react';
import type { Train } from '@/core/train';
import { useKeptPreferences } from '@/ui/preferences';
import { useAutosave } from './autosave';
import { ConflictDialog } from './conflict-dialog';
import { SideViewPane } from './drawing/side-view-pane';
import { InputFields } from './input-fields';
import { FiguresTable } from './panel/figures-table';
import { Panel } from './panel/panel';
import { PositionsStrip } from './positions-strip';
import { BenchContext, createBenchStore } from './store';
import { TopBar } from './top-bar';
import { useUndoKeys } from './undo-keys';

/** One train on the bench: the side view, every member's figures, the panel that explains them, and the positions. */
export function Bench({ id, version, train }: { id: string; version: number; train: Train }) {
  const [store] = useState(() => createBenchStore(id, version, train));
  return (
    <BenchContext value={store}>
      <BenchLayout />
    </BenchContext>
  );
}

function BenchLayout() {
  useKeptPreferences();
  useAutosave();
  useUndoKeys();
  return (
    <div className="flex min-h-dvh flex-col lg:h-dvh lg:overflow-hidden">
      <TopBar />
      <main className="grid min-h-0 flex-1 lg:grid-cols-[minmax(0,1fr)_23.5rem]">
        <div className="flex min-h-0 min-w-0 flex-col">
          <SideViewPane />
          <FiguresTable />
        </div>
        <Panel />
      </main>
      <footer className="flex flex-wrap items-stretch justify-between gap-x-6 gap-y-2 border-t border-base-content px-4 py-2">
        <PositionsStrip />
        <InputFields />
      </footer>
      <ConflictDialog />
    </div>
  );
}
