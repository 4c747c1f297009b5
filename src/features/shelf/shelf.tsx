'use client';

import Link from 'next/link';
import { figure, ratioText } from '@/core/units';
import { equals, toNumber } from '@/core/rational';
import { useKeptPreferences, usePreferences } from '@/ui/preferences';
import { SmallSideView } from '@/ui/side-view/small-side-view';
import { ThemeSwitch } from '@/ui/theme-switch';
import type { ShelfEntry } from './entry';

/** The trains that are kept. */
export function Shelf({ entries }: { entries: readonly ShelfEntry[] }) {
  useKeptPreferences();
  return (
    <div className="mx-auto flex max-w-6xl flex-col px-6">
      <header className="flex items-center gap-4 border-b border-base-content py-3">
        <h1 className="text-2xl font-semibold">Tin Wheel</h1>
        <p className="muted">The gear trains of the saltworks at Marrow Point</p>
        <span className="flex-1" />
        <ThemeSwitch />
      </header>
      <main className="py-6">
        <h2 className="text-lg font-semibold">Shelf</h2>
        <p className="muted">Open a train to put it on the bench: see how power goes through it, and change it.</p>
        {entries.length === 0 ? (
          <p className="muted py-8">The shelf is empty. Run bin/demo --reset to put the demo trains back.</p>
        ) : (
          <ul className="mt-3 grid gap-5 sm:grid-cols-2 lg:grid-cols-3">
            {entries.map((entry) => (
              <li key={entry.id}>
                <ShelfCard entry={entry} />
              </li>
            ))}
          </ul>
        )}
      </main>
    </div>
  );
}

function ShelfCard({ entry }: { entry: ShelfEntry }) {
  const convention = usePreferences((state) => state.convention);
  const { ratios, spread } = entry;
  const [low, high] = ratios && convention === 'out/in' ? [ratios.most, ratios.least] : [ratios?.least, ratios?.most];
  return (
    <Link href={`/trains/${encodeURIComponent(entry.id)}`} className="block h-full border border-base-300 hover:border-base-content hover:bg-base-200">
      {entry.view ? <SmallSideView view={entry.view} train={entry.train} className="h-44 w-full" /> : <div className="muted grid h-44 place-items-center text-sm">No drawing</div>}
      <div className="border-t border-base-300 px-3 py-2">
        <h3 className="font-semibold">{entry.name}</h3>
        <p className="muted text-sm">
          {entry.positions} {entry.positions === 1 ? 'position' : 'positions'}
          {low && high && ` · ${equals(low, high) ? ratioText(low, convention) : `${ratioText(low, convention)} to ${ratioText(high, convention)}`}`}
          {spread && ` · spread ${figure(toNumber(spread))}`}
        </p>
        <p className="mt-1 text-sm">{entry.notes}</p>
      </div>
    </Link>
  );
}
