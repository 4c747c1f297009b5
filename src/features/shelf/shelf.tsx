'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Train } from '@/core/train';
import { useKeptPreferences } from '@/ui/preferences';
import { ThemeSwitch } from '@/ui/theme-switch';
import { arrange, SORTS, type Sort } from './arrange';
import type { ShelfEntry } from './entry';
import { ImportTrain } from './import-train';
import { NewTrain } from './new-train';
import { putOnShelf, takeOffShelf, type Answer } from './shelf-api';
import { TrainCard } from './train-card';

/** What was just done, and a train that can be put back. */
interface News {
  readonly text: string;
  readonly bad: boolean;
  readonly putBack: Train | null;
}

/** The trains that are kept: found, opened, duplicated, brought in, saved as files, deleted and put back. */
export function Shelf({ entries }: { entries: readonly ShelfEntry[] }) {
  useKeptPreferences();
  const router = useRouter();
  const [query, setQuery] = useState('');
  const [sort, setSort] = useState<Sort>('name');
  const [news, setNews] = useState<News | null>(null);
  const shown = arrange(entries, query, sort);

  const report = (answer: Answer, text: string, putBack: Train | null = null) => {
    setNews(answer.ok ? { text, bad: false, putBack } : { text: answer.message, bad: true, putBack: null });
    router.refresh();
  };
  const duplicate = async ({ train }: ShelfEntry) => report(await putOnShelf({ ...train, name: `${train.name} (copy)`.slice(0, 120) }), `“${train.name}” was duplicated.`);
  const remove = async ({ id, train }: ShelfEntry) => report(await takeOffShelf(id), `“${train.name}” was deleted.`, train);
  const added = (name: string) => report({ ok: true }, `“${name}” was added.`);
  const putBack = async (train: Train) => report(await putOnShelf(train), `“${train.name}” is back.`);

  return (
    <div className="mx-auto flex max-w-6xl flex-col px-6">
      <header className="flex items-center gap-4 border-b border-base-content py-3">
        <h1 className="text-2xl font-semibold">Tin Wheel</h1>
        <p className="muted hidden sm:block">The gear trains of the saltworks at Marrow Point</p>
        <span className="flex-1" />
        <ThemeSwitch />
      </header>
      <main className="py-5">
        <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
          <h2 className="text-lg font-semibold">Shelf</h2>
          <p className="muted hidden text-sm xl:block">Open a train to put it on the bench.</p>
          <span className="flex-1" />
          <input type="search" className="input input-sm w-48" placeholder="Find a train" aria-label="Find a train" value={query} onChange={(event) => setQuery(event.target.value)} />
          <label className="flex items-center gap-2 text-sm">
            <span className="muted">Sort by</span>
            <select className="select select-sm w-32" value={sort} onChange={(event) => setSort(event.target.value as Sort)}>
              {(Object.keys(SORTS) as Sort[]).map((key) => (
                <option key={key} value={key}>
                  {SORTS[key]}
                </option>
              ))}
            </select>
          </label>
          <ImportTrain onAdded={added} />
          <NewTrain onAdded={added} />
        </div>
        {news && (
          <p role="status" className={`mt-3 flex items-center gap-3 border px-3 py-1.5 text-sm ${news.bad ? 'border-error text-error' : 'border-base-300 bg-base-200'}`}>
            {news.text}
            {news.putBack && (
              <button type="button" className="btn btn-xs" onClick={() => void putBack(news.putBack!)}>
                Put it back
              </button>
            )}
          </p>
        )}
        {shown.length === 0 ? (
          <p className="muted py-8">{entries.length === 0 ? 'The shelf is empty. Start a new train, import one, or run bin/demo --reset to put the demo trains back.' : `No train has “${query}” in its name or notes.`}</p>
        ) : (
          <ul className="mt-3 grid gap-5 sm:grid-cols-2 lg:grid-cols-3">
            {shown.map((entry) => (
              <li key={entry.id}>
                <TrainCard entry={entry} onDuplicate={() => void duplicate(entry)} onDelete={() => void remove(entry)} />
              </li>
            ))}
          </ul>
        )}
      </main>
    </div>
  );
}
