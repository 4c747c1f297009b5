'use client';

import { FileArchive, RotateCcw } from 'lucide-react';
import Link from 'next/link';
import { useEffect, useMemo, useState } from 'react';
import { onDemand, whenIdle } from '@/ui/on-demand';
import { useKeptPreferences } from '@/ui/preferences';
import { Help } from '@/help/help';
import { ThemeSwitch } from '@/ui/theme-switch';
import type { ShelfEntry } from '@/wire';
import { arrange, SORTS, type Sort } from './arrange';
import { ImportFile } from './import-file';
import { NewTrain } from './new-train';
import { TrainCards } from './train-cards';
import { useShelfActions, type News } from './use-shelf-actions';

const BundleDialog = onDemand(async () => (await import('./bundle-dialog')).BundleDialog);
const ExamplesDialog = onDemand(async () => (await import('./examples-dialog')).ExamplesDialog);

/** The trains that are kept: found, opened, renamed, duplicated, brought in, saved as files, deleted and put back. */
export function Shelf({ entries }: { entries: readonly ShelfEntry[] }) {
  useKeptPreferences();
  useEffect(() => whenIdle([() => import('@/core/train'), ExamplesDialog.load, BundleDialog.load]), []);
  const [query, setQuery] = useState('');
  const [sort, setSort] = useState<Sort>('changed');
  const [examples, setExamples] = useState(false);
  const [bundles, setBundles] = useState<File | boolean>(false);
  const shown = useMemo(() => arrange(entries, query, sort), [entries, query, sort]);

  const { news, report, restore, bringBack, ...act } = useShelfActions();
  const added = (name: string) => report({ ok: true }, `“${name}” was added.`);

  return (
    <div className="mx-auto flex max-w-6xl flex-col px-6">
      <header className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-base-content py-3">
        <h1 className="text-2xl font-semibold whitespace-nowrap">Tin Wheel</h1>
        <p className="muted hidden sm:block">Your gear trains</p>
        <span className="flex-1" />
        <Link href="/practice" className="link-hover text-sm whitespace-nowrap">
          Practice
        </Link>
        <Link href="/teeth" className="link-hover text-sm whitespace-nowrap">
          Tooth counts for a ratio
        </Link>
        <Link href="/schemes" className="link-hover text-sm whitespace-nowrap">
          Schemes of sets
        </Link>
        <Help about="Shelf" />
        <ThemeSwitch />
      </header>
      <main className="py-5">
        <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
          <h2 className="text-lg font-semibold">Shelf</h2>
          <span className="flex-1" />
          <input
            type="search"
            className="input input-sm w-48"
            placeholder="Find a train"
            aria-label="Find a train"
            value={query}
            onChange={(event) => setQuery(event.target.value)}
          />
          <label className="flex items-center gap-2 text-sm">
            <span className="muted">Sort by</span>
            <select
              className="select select-sm w-32"
              value={sort}
              onChange={(event) => setSort(event.target.value as Sort)}
            >
              {(Object.keys(SORTS) as Sort[]).map((key) => (
                <option key={key} value={key}>
                  {SORTS[key]}
                </option>
              ))}
            </select>
          </label>
          <button type="button" className="btn btn-sm" onClick={() => setExamples(true)}>
            <RotateCcw className="size-4" aria-hidden /> Examples
          </button>
          <button type="button" className="btn btn-sm" onClick={() => setBundles(true)}>
            <FileArchive className="size-4" aria-hidden /> Bundles
          </button>
          <ImportFile entries={entries} onAdded={added} onBundle={setBundles} />
          <NewTrain onAdded={added} />
        </div>
        {news && <NewsLine news={news} onPutBack={(entry) => void bringBack(entry)} />}
        {shown.length === 0 ? (
          <p className="muted py-8">
            {entries.length === 0
              ? 'The shelf is empty. Start a new train, import one, or bring the examples back.'
              : `No train has “${query}” in its name or notes.`}
          </p>
        ) : (
          <TrainCards key={`${query} ${sort}`} entries={shown} act={act} />
        )}
      </main>
      {bundles !== false && (
        <BundleDialog.Shown
          file={bundles === true ? null : bundles}
          entries={entries}
          onRestored={(text) => {
            setBundles(false);
            report({ ok: true }, text);
          }}
          onClose={() => setBundles(false)}
        />
      )}
      {examples && (
        <ExamplesDialog.Shown
          onRestore={(example) => {
            setExamples(false);
            void restore(example);
          }}
          onClose={() => setExamples(false)}
        />
      )}
    </div>
  );
}

/** What was just done, or why not; a train that was deleted can be put back. */
function NewsLine({ news, onPutBack }: { news: News; onPutBack: (entry: ShelfEntry) => void }) {
  const { text, bad, putBack } = news;
  return (
    <p
      role="status"
      className={
        'mt-3 flex items-center gap-3 border px-3 py-1.5 text-sm ' +
        `${bad ? 'border-error text-error' : 'border-base-300 bg-base-200'}`
      }
    >
      {text}
      {putBack && (
        <button type="button" className="btn btn-xs" onClick={() => onPutBack(putBack)}>
          Put it back
        </button>
      )}
    </p>
  );
}
