'use client';

import { Download } from 'lucide-react';
import { useEffect, useState } from 'react';
import { BarButton } from '@/features/train/frame/bar-button';
import { InBar } from '@/features/train/frame/bar-slot';
import { InputFields } from '@/features/train/input/input-fields';
import { onDemand, whenIdle } from '@/ui/on-demand';
import { usePreferences } from '@/ui/preferences';
import { LowerHalf } from './build/lower-half';
import { useLaidOut } from './drawing/laying-out';
import { SideViewPane } from './drawing/side-view-pane';
import { useBenchKeys } from './keys';
import { BenchPanel } from './panel/panel';
import { PositionsStrip } from './positions-strip';
import { Tour } from './tour/tour';
import { useBench, useCrank } from './use-bench';

const BodyPane = onDemand(async () => (await import('./body/body-pane')).BodyPane);
const FilesDialog = onDemand(async () => (await import('./files/files-dialog')).FilesDialog);

/**
 * One train on the bench: its side view and end view, the crank with its counters, the positions, and the panel that
 * explains them.
 * @param first the very first visit: the train is turning and a tour shows round.
 */
export function BenchScreen({ first = false }: { first?: boolean }) {
  const crank = useCrank();
  const building = useBench((state) => state.building);
  useLaidOut();
  useBenchKeys();
  useEffect(() => () => crank.stop(), [crank]);
  useEffect(() => whenIdle([FilesDialog.load]), []);
  return (
    <>
      <FilesButton />
      <Tour first={first} />
      <main
        className={
          'print:block grid min-h-0 flex-1 lg:grid-cols-[minmax(0,1fr)_22.5rem] ' +
          'xl:grid-cols-[minmax(0,1fr)_23.5rem] 2xl:grid-cols-[minmax(0,1fr)_29rem]'
        }
      >
        <div className="flex min-h-0 min-w-0 flex-col">
          {/* A phone has room for one of them. */}
          <div className={building === null ? 'contents' : 'hidden sm:contents'}>
            <Views />
          </div>
          <LowerHalf />
        </div>
        <BenchPanel />
      </main>
      {/* On a phone the keys stay at the lower edge while the page scrolls; a box of its own would hold them back. */}
      <footer
        className={
          'print:hidden contents sm:flex sm:items-end sm:gap-x-6 sm:border-t ' +
          'sm:border-base-content sm:px-4 sm:py-1.5'
        }
      >
        <PositionsStrip />
        <div className="max-sm:px-4 max-sm:py-2">
          <InputFields loads />
        </div>
      </footer>
    </>
  );
}

/** The side view, or the train as a body; on a wide screen one beside the other. */
function Views() {
  const body = usePreferences((state) => state.body);
  if (!body) return <SideViewPane />;
  return (
    <div className="flex min-h-0 min-w-0 flex-1 [&>*]:flex-1">
      <div className="hidden min-w-0 border-r border-base-300 2xl:flex">
        <SideViewPane />
      </div>
      <BodyPane.Shown />
    </div>
  );
}

function FilesButton() {
  const [open, setOpen] = useState(false);
  return (
    <>
      <InBar>
        <BarButton
          label="Save as a file"
          onPress={() => setOpen(true)}
          icon={<Download className="size-4" aria-hidden />}
        />
      </InBar>
      {open && <FilesDialog.Shown onClose={() => setOpen(false)} />}
    </>
  );
}
