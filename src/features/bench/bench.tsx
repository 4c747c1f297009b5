'use client';

import { useCallback, useEffect, useState } from 'react';
import type { Train } from '@/core/train';
import { useKeptPreferences } from '@/ui/preferences';
import { CrankPanel } from './crank/crank-panel';
import { useLaidOut } from './drawing/laying-out';
import { SideViewPane } from './drawing/side-view-pane';
import { EndViewPane } from './end-view/end-view-pane';
import { FirstVisit } from './first-visit';
import { InputFields } from './input-fields';
import { ConflictDialog } from './keeping/conflict-dialog';
import { KeptEdits } from './keeping/kept-edits';
import { useBenchKeys } from './keys';
import { KeysSheet } from './keys-sheet';
import { Panel } from './panel/panel';
import { PositionsStrip } from './positions-strip';
import { leave, receive, sessionOf, type Session } from './session';
import { BenchContext } from './store';
import { TopBar } from './top-bar';

interface Props {
  readonly id: string;
  readonly version: number;
  readonly train: Train;
  /** The very first visit: the train is turning and a line says what to try. */
  readonly first: boolean;
}

/** One train on the bench: its side view and end view, the crank with its counters, the positions, and the panel that explains them. */
export function Bench({ id, version, train, first }: Props) {
  const [session] = useState(() => sessionOf({ id, version, train }));
  useEffect(() => receive(session, { id, version, train }), [session, id, version, train]);
  useEffect(() => {
    // Not where the last save failed: it is tried again in its time, and waits in this browser.
    const flush = () =>
      document.visibilityState === 'hidden' &&
      session.store.getState().save.kind !== 'failed' &&
      session.saving.flush(true);
    document.addEventListener('visibilitychange', flush);
    return () => {
      document.removeEventListener('visibilitychange', flush);
      leave(session);
    };
  }, [session]);
  return (
    <BenchContext value={session}>
      <BenchLayout session={session} first={first} />
    </BenchContext>
  );
}

function BenchLayout({ session, first }: { session: Session; first: boolean }) {
  const [keys, setKeys] = useState(false);
  const showKeys = useCallback(() => setKeys(true), []);
  useKeptPreferences();
  useLaidOut();
  useBenchKeys(showKeys);
  return (
    <div className="flex min-h-dvh flex-col lg:h-dvh lg:overflow-hidden print:block print:h-auto print:overflow-visible">
      <TopBar onKeys={showKeys} />
      {first && <FirstVisit />}
      <main className="print:block grid min-h-0 flex-1 lg:grid-cols-[minmax(0,1fr)_22.5rem] xl:grid-cols-[minmax(0,1fr)_23.5rem] 2xl:grid-cols-[minmax(0,1fr)_29rem]">
        <div className="flex min-h-0 min-w-0 flex-col">
          <SideViewPane />
          <div className="print:hidden grid shrink-0 border-t border-base-300 sm:grid-cols-[15rem_minmax(0,1fr)] lg:h-60 2xl:h-80 2xl:grid-cols-[22rem_minmax(0,1fr)]">
            <EndViewPane />
            <CrankPanel />
          </div>
        </div>
        <Panel />
      </main>
      <footer className="print:hidden flex flex-wrap items-end gap-x-6 gap-y-2 border-t border-base-content px-4 py-1.5 sm:flex-nowrap">
        <PositionsStrip />
        <InputFields />
      </footer>
      {keys && <KeysSheet onClose={() => setKeys(false)} />}
      <KeptEdits session={session} />
      <ConflictDialog />
    </div>
  );
}
