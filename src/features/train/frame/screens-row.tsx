'use client';

import { useCallback } from 'react';
import { useSession } from '../use-train';
import { screenAddress, type TrainScreen } from './screens';

/**
 * The train's screens as a row of words: plain links, which open without asking the server where the train is open
 * already.
 */
export function ScreensRow({ screens, here }: { screens: readonly TrainScreen[]; here: TrainScreen | undefined }) {
  const { id } = useSession();
  return (
    <nav aria-label="Screens of this train" className="flex self-stretch">
      {screens.map((screen, i) => (
        <a
          key={screen.segment}
          href={screenAddress(id, screen)}
          aria-current={screen === here ? 'page' : undefined}
          title={`${screen.question} (Shift ${i + 1})`}
          className={
            'muted -mb-1.5 flex items-center border-b-3 border-transparent px-1.5 pb-1.5 xl:px-2 ' +
            'text-sm hover:text-base-content aria-[current=page]:border-primary ' +
            'aria-[current=page]:font-semibold aria-[current=page]:text-base-content'
          }
          onClick={(event) => {
            // Elsewhere than in this window the browser opens it, as it opens any link.
            if (event.button !== 0 || event.metaKey || event.ctrlKey || event.shiftKey || event.altKey) return;
            event.preventDefault();
            showScreen(id, screen);
          }}
        >
          {screen.word}
        </a>
      ))}
    </nav>
  );
}

/** Goes to the screen of the train that is open here at this segment of its address. */
export function useGoTo(): (segment: string) => void {
  const { id } = useSession();
  return useCallback((segment) => showScreen(id, { segment }), [id]);
}

/**
 * Shows another screen of the same train; its address stands in the browser's history, and nothing is asked of the
 * server.
 */
export function showScreen(id: string, screen: Pick<TrainScreen, 'segment'>): void {
  const address = screenAddress(id, screen);
  if (location.pathname !== address) history.pushState(null, '', address);
}
