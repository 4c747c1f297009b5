'use client';

import { FileArchive, RotateCcw } from 'lucide-react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useState } from 'react';
import { onDemand, whenIdle } from '@/ui/on-demand';
import { useKeptPreferences } from '@/ui/preferences';
import { fileName, saveFile } from '@/ui/save-file';
import { Help } from '@/help/help';
import { ThemeSwitch } from '@/ui/theme-switch';
import { type ShelfEntry, type UnreadableEntry } from '@/wire';
import {
  postRestore,
  postTrainCopy,
  fetchTrain,
  postExampleRestore,
  putTrain,
  deleteTrain,
  type ExampleState,
  type Kept,
} from '@/wire';
import { arrange, SORTS, type Sort } from './arrange';
import { ImportTrain } from './import-train';
import { NewTrain } from './new-train';
import { TrainCards } from './train-cards';
import { itemAt, required } from '@/core/required';

/** Reading, checking and changing documents: the list itself needs none of it. */
const documents = () => import('@/core/train');
const BundleDialog = onDemand(async () => (await import('./bundle-dialog')).BundleDialog);
const ExamplesDialog = onDemand(async () => (await import('./examples-dialog')).ExamplesDialog);

/** What was just done, and a train that can be put back. */
interface News {
  readonly text: string;
  readonly bad: boolean;
  readonly putBack: ShelfEntry | null;
}

/** What came of it: done, or a sentence that says why not. */
type Outcome = { readonly ok: true } | { readonly ok: false; readonly message: string };

/** The trains that are kept: found, opened, renamed, duplicated, brought in, saved as files, deleted and put back. */
export function Shelf({ entries }: { entries: readonly ShelfEntry[] }) {
  useKeptPreferences();
  const router = useRouter();
  useEffect(() => whenIdle([documents, ExamplesDialog.load, BundleDialog.load]), []);
  const [query, setQuery] = useState('');
  const [sort, setSort] = useState<Sort>('changed');
  const [news, setNews] = useState<News | null>(null);
  const [examples, setExamples] = useState(false);
  const [bundles, setBundles] = useState(false);
  const shown = useMemo(() => arrange(entries, query, sort), [entries, query, sort]);

  const report = (answer: Outcome, text: string, gone: ShelfEntry | null = null) => {
    setNews(answer.ok ? { text, bad: false, putBack: gone } : { text: answer.message, bad: true, putBack: null });
    router.refresh();
  };
  /** Does something with the document as it is on the shelf now. */
  const withTrain = async ({ id }: ShelfEntry, act: (kept: Kept) => Promise<Outcome>): Promise<Outcome> => {
    const found = await fetchTrain(id);
    return found.ok ? act(found.value) : found;
  };
  const rename = async (entry: ShelfEntry, name: string) => {
    const renamed = async (kept: Kept): Promise<Outcome> => {
      const edit = (await documents()).renameTrain(kept.train, name);
      return edit.ok ? putTrain({ ...kept, train: edit.train }) : edit;
    };
    report(await withTrain(entry, renamed), `“${entry.name}” is now “${name}”.`);
  };
  const duplicate = async (entry: ShelfEntry) =>
    report(await withTrain(entry, (kept) => postTrainCopy(kept)), `“${entry.name}” was duplicated.`);
  const save = async (entry: ShelfEntry) => {
    const found = await fetchTrain(entry.id);
    if (found.ok)
      saveFile(
        fileName(entry.name, '.train.json'),
        'application/json',
        (await documents()).serialiseTrain(found.value.train),
      );
    else report(found, '');
  };
  const replace = async ({ id, version, name }: UnreadableEntry, file: File) => {
    const { parseTrain, problemText } = await documents();
    const parsed = parseTrain(await file.text());
    if (parsed.ok) report(await putTrain({ id, version, train: parsed.train }), `“${name}” was replaced.`);
    else
      report(
        { ok: false, message: `${file.name} does not read either: ${problemText(itemAt(parsed.problems, 0))}` },
        '',
      );
  };
  const remove = async (entry: ShelfEntry) => report(await deleteTrain(entry), `“${entry.name}” was deleted.`, entry);
  const bringBack = async (entry: ShelfEntry) => report(await postRestore(entry.id), `“${entry.name}” is back.`);
  const added = (name: string) => report({ ok: true }, `“${name}” was added.`);
  const restore = async ({ id, name }: ExampleState) => {
    setExamples(false);
    report(await postExampleRestore(id), `“${name}” is as it was.`);
  };

  return (
    <div className="mx-auto flex max-w-6xl flex-col px-6">
      <header className="flex items-center gap-4 border-b border-base-content py-3">
        <h1 className="text-2xl font-semibold">Tin Wheel</h1>
        <p className="muted hidden sm:block">Your gear trains</p>
        <span className="flex-1" />
        <Link href="/practice" className="link-hover text-sm">
          Practice
        </Link>
        <Link href="/teeth" className="link-hover text-sm">
          Tooth counts for a ratio
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
          <ImportTrain onAdded={added} />
          <NewTrain onAdded={added} />
        </div>
        {news && (
          <p
            role="status"
            className={
              'mt-3 flex items-center gap-3 border px-3 py-1.5 text-sm ' +
              `${news.bad ? 'border-error text-error' : 'border-base-300 bg-base-200'}`
            }
          >
            {news.text}
            {news.putBack && (
              <button type="button" className="btn btn-xs" onClick={() => void bringBack(required(news.putBack))}>
                Put it back
              </button>
            )}
          </p>
        )}
        {shown.length === 0 ? (
          <p className="muted py-8">
            {entries.length === 0
              ? 'The shelf is empty. Start a new train, import one, or bring the examples back.'
              : `No train has “${query}” in its name or notes.`}
          </p>
        ) : (
          <TrainCards key={`${query} ${sort}`} entries={shown} act={{ rename, duplicate, save, remove, replace }} />
        )}
      </main>
      {bundles && (
        <BundleDialog.Shown
          entries={entries}
          onRestored={(text) => {
            setBundles(false);
            report({ ok: true }, text);
          }}
          onClose={() => setBundles(false)}
        />
      )}
      {examples && (
        <ExamplesDialog.Shown onRestore={(example) => void restore(example)} onClose={() => setExamples(false)} />
      )}
    </div>
  );
}
