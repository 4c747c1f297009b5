'use client';

import { usePathname, useSelectedLayoutSegment } from 'next/navigation';
import { Suspense, useCallback, useEffect, useLayoutEffect, useMemo, useState, type ReactNode } from 'react';
import type { Train } from '@/core/train';
import { HelpOnDemand } from '@/help/help';
import type { KeyLine } from '@/help/help-panel';
import { onDemand, whenIdle } from '@/ui/on-demand';
import { useKeptPreferences } from '@/ui/preferences';
import { DifferenceList } from '../difference';
import { documents } from '../documents';
import { follow, LINKED } from '../link';
import { KeptEdits } from '../saving/kept-edits';
import { leave, receive, sessionOf, type LoadedTrain, type Session } from '../session';
import { SessionContext, useTrain } from '../use-train';
import { BarSlot } from './bar-slot';
import { TRAIN_KEYS, useTrainKeys } from './keys';
import { PrintHead } from './print-head';
import { ScreenKeys, ScreenTour } from './screen-keys';
import { screenAt, type TrainScreen } from './screens';
import { TopBar } from './top-bar';

const ConflictDialog = onDemand(async () => (await import('../saving/conflict-dialog')).ConflictDialog);

/** The mark in the browser's timeline from which every screen of the train opens without the server. */
const ALL_HERE = 'every screen is here';

interface Props {
  readonly id: string;
  readonly version: number;
  readonly train: Train;
  readonly screens: readonly TrainScreen[];
  /** The screen that the page itself brought along. */
  readonly children: ReactNode;
}

/** A train that is open in this window: the bar above, and below it whichever screen is looked at. */
export function TrainFrame({ id, version, train, screens, children }: Props) {
  const [session] = useState(() => sessionOf({ id, version, train }));
  useKept(
    session,
    useMemo(() => ({ id, version, train }), [id, version, train]),
  );
  useKeptPreferences();
  return (
    <SessionContext value={session}>
      <Frame session={session} screens={screens}>
        {children}
      </Frame>
    </SessionContext>
  );
}

function Frame({
  session,
  screens,
  children,
}: {
  session: Session;
  screens: readonly TrainScreen[];
  children: ReactNode;
}) {
  const path = usePathname();
  const brought = useSelectedLayoutSegment() ?? '';
  const here = screenAt(screens, path);
  const inConflict = useTrain((state) => state.save.kind === 'conflict');
  const [help, setHelp] = useState(false);
  const [tour, setTour] = useState<(() => Promise<void>) | null>(null);
  const [slot, setSlot] = useState<HTMLElement | null>(null);
  const [own, setOwn] = useState<readonly KeyLine[]>([]);
  const toggleHelp = useCallback(() => setHelp((open) => !open), []);
  useTrainKeys(screens, toggleHelp);
  useEffect(
    () =>
      whenIdle([
        ...screens.map(({ load }) => load),
        documents,
        HelpOnDemand.load,
        DifferenceList.load,
        ConflictDialog.load,
        // From here on the server may go away.
        async () => {
          await Promise.all(screens.map(({ load }) => load()));
          performance.mark(ALL_HERE);
        },
      ]),
    [screens],
  );
  return (
    <BarSlot value={slot}>
      <ScreenKeys value={setOwn}>
        <ScreenTour value={setTour}>
          <div className="flex min-h-dvh flex-col lg:h-dvh lg:overflow-hidden print:block print:h-auto print:overflow-visible">
            <TopBar screens={screens} here={here} onHelp={toggleHelp} slot={setSlot} />
            {here && !PRINTED_BY_ITSELF.has(here.segment) && <PrintHead word={here.word} />}
            {here && here.segment !== brought ? (
              <Suspense fallback={<p className="muted m-auto">Opening {here.word}…</p>}>
                <here.Screen />
              </Suspense>
            ) : (
              children
            )}
            {help && here && (
              <HelpOnDemand.Shown
                key={here.word}
                about={here.word}
                keys={[...own, ...TRAIN_KEYS]}
                {...(tour && { onTour: () => void tour() })}
                onClose={() => setHelp(false)}
              />
            )}
            <KeptEdits session={session} />
            {inConflict && <ConflictDialog.Shown />}
          </div>
        </ScreenTour>
      </ScreenKeys>
    </BarSlot>
  );
}

/** Screens whose printed pages have heads of their own. */
const PRINTED_BY_ITSELF: ReadonlySet<string> = new Set(['sheet', 'practice']);

/**
 * Keeps the session with what the server has and what the address asks for, and lets nothing wait when the window is
 * left.
 */
function useKept(session: Session, loaded: LoadedTrain): void {
  useEffect(() => receive(session, loaded), [session, loaded]);
  useLayoutEffect(() => {
    follow(session.store, new URLSearchParams(location.search));
    // What was asked for is looked at now, and remembered; the address stays the screen's own.
    if (LINKED.some((key) => new URLSearchParams(location.search).has(key)))
      history.replaceState(null, '', location.pathname);
  }, [session]);
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
}
