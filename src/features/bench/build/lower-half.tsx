'use client';

import { X } from 'lucide-react';
import { useEffect } from 'react';
import { onDemand, whenIdle } from '@/ui/on-demand';
import { CrankPanel } from '../crank/crank-panel';
import { EndViewPane } from '../end-view/end-view-pane';
import type { Building } from '../store';
import { useBench, useBenchItself } from '../use-bench';

const TablePane = onDemand(async () => (await import('./table/table-pane')).TablePane);
const TextPane = onDemand(async () => (await import('./text/text-pane')).TextPane);

/** Below the side view: the end view and the crank, or the train's parts to be changed, as tables or as a text. */
export function LowerHalf() {
  const building = useBench((state) => state.building);
  useAddress();
  useEffect(() => whenIdle([TextPane.load, TablePane.load]), []);
  if (building === null)
    return (
      <div
        className={
          'print:hidden grid shrink-0 border-t border-base-300 ' +
          'sm:grid-cols-[15rem_minmax(0,1fr)] lg:h-60 2xl:h-80 ' +
          '2xl:grid-cols-[22rem_minmax(0,1fr)]'
        }
      >
        <EndViewPane />
        <CrankPanel />
      </div>
    );
  return (
    <section
      aria-label="Build"
      className="flex h-[42vh] min-h-64 max-sm:h-[72vh] shrink-0 flex-col border-t border-base-300 print:hidden"
    >
      <Close heading={building === 'text' ? 'In writing' : 'Parts'} />
      {building === 'text' ? <TextPane.Shown /> : <TablePane.Shown />}
    </section>
  );
}

/** An address that ends in #text or #table opens the train in writing, or its parts. */
function useAddress() {
  const { store } = useBenchItself();
  useEffect(() => {
    const open = () => {
      const [, building] = /^#(table|text)$/.exec(location.hash) ?? [];
      if (building) store.getState().build(building as Building);
    };
    open();
    window.addEventListener('hashchange', open);
    return () => window.removeEventListener('hashchange', open);
  }, [store]);
}

function Close({ heading }: { heading: string }) {
  const { store } = useBenchItself();
  return (
    <div className="flex items-center gap-3 border-b border-base-300 px-4 py-1">
      <h2 className="text-sm font-semibold">{heading}</h2>
      <span className="flex-1" />
      <button
        type="button"
        className="btn btn-ghost btn-xs"
        aria-label="Close, back to the end view and the crank"
        onClick={() => store.getState().build(null)}
      >
        <X className="size-4" aria-hidden />
      </button>
    </div>
  );
}
