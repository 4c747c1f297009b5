'use client';

import { FileDown, FileUp, Trash2 } from 'lucide-react';
import { useContext, useEffect, useState } from 'react';
import { readSearchFile, type WrittenSearch } from '@/core/tooth-search';
import { SessionContext } from '@/features/train/use-train';
import { fileName, saveFile } from '@/ui/save-file';
import { forgetSearch, keepSearch, readSearches, type KeptSearch } from '@/wire';
import { formOf } from '../form-of';
import { useAsk, useForm, useQuestion, useWritten } from '../use-teeth';

/** Searches that are kept beside the train: opened, kept under a name, removed; and any of them as a file for the command line. */
export function KeptSearches() {
  const id = useContext(SessionContext)?.id ?? null;
  const form = useForm();
  const ask = useAsk();
  const written = useWritten();
  const read = useQuestion();
  const [kept, setKept] = useState<readonly KeptSearch[]>([]);
  const [open, setOpen] = useState('');
  const [name, setName] = useState('');
  const [told, setTold] = useState<{ readonly text: string; readonly bad: boolean } | null>(null);
  const readAgain = async (train: string) => {
    const answer = await readSearches(train);
    if (answer.ok) setKept(answer.value.searches);
    else setTold({ text: answer.message, bad: true });
  };
  useEffect(() => {
    let left = false;
    if (id !== null) void readSearches(id).then((answer) => !left && answer.ok && setKept(answer.value.searches));
    return () => void (left = true);
  }, [id]);
  const show = (key: string) => {
    const found = kept.find((one) => one.id === key);
    setOpen(key);
    setTold(null);
    if (!found) return;
    setName(found.name);
    ask(formOf(found.search, form));
  };
  const keep = async () => {
    if (id === null) return;
    const called = name.trim() || `Search ${kept.length + 1}`;
    // Under the name of one that is kept, it takes its place.
    const key = kept.find((one) => one.name === called)?.id ?? crypto.randomUUID();
    const answer = await keepSearch(id, key, called, JSON.parse(written) as WrittenSearch);
    setTold({ text: answer.ok ? `“${called}” is kept with this train.` : answer.message, bad: !answer.ok });
    if (!answer.ok) return;
    await readAgain(id);
    setOpen(key);
    setName(called);
  };
  const forget = async () => {
    if (id === null || open === '') return;
    const answer = await forgetSearch(id, open);
    setTold({ text: answer.ok ? 'It is no longer kept.' : answer.message, bad: !answer.ok });
    setOpen('');
    await readAgain(id);
  };
  const openFile = async (file: File) => {
    const read = readSearchFile(await file.text());
    if (read.ok) ask(formOf(read.value, form));
    setTold(
      read.ok ? { text: `${file.name} is open.`, bad: false } : { text: `${file.name}: ${read.message}`, bad: true },
    );
  };
  return (
    <section aria-label="Kept searches" className="flex flex-col gap-1 border-t border-base-300 px-4 py-2 text-sm">
      {id !== null && (
        <>
          <div className="flex items-center justify-between gap-2">
            <h3 className="font-semibold">Kept searches</h3>
            <span className="flex items-center gap-1">
              <select
                className="select select-xs w-36"
                aria-label="Open a kept search"
                value={open}
                onChange={(event) => show(event.target.value)}
              >
                <option value="">{kept.length === 0 ? 'none yet' : `${kept.length} kept`}</option>
                {kept.map((one) => (
                  <option key={one.id} value={one.id}>
                    {one.name}
                  </option>
                ))}
              </select>
              <button
                type="button"
                className="btn btn-ghost btn-xs"
                aria-label="Remove the kept search"
                title="Remove the kept search"
                disabled={open === ''}
                onClick={() => void forget()}
              >
                <Trash2 className="size-3.5" aria-hidden />
              </button>
            </span>
          </div>
          <div className="flex items-center gap-2">
            <input
              className="input input-xs min-w-0 flex-1"
              aria-label="Name of the search"
              placeholder={`Search ${kept.length + 1}`}
              maxLength={120}
              value={name}
              onChange={(event) => setName(event.target.value)}
            />
            <button type="button" className="btn btn-xs" disabled={!read.ok} onClick={() => void keep()}>
              Keep it
            </button>
          </div>
        </>
      )}
      <div className="flex gap-2">
        <button
          type="button"
          className="btn btn-ghost btn-xs"
          title="What is asked as a file, which the command line’s find takes"
          disabled={!read.ok}
          onClick={() =>
            saveFile(
              fileName(name || 'search', '.search.json'),
              'application/json',
              `${JSON.stringify(JSON.parse(written), null, 2)}\n`,
            )
          }
        >
          <FileDown className="size-3.5" aria-hidden /> Save as a file
        </button>
        <label className="btn btn-ghost btn-xs has-focus-visible:outline-2">
          <FileUp className="size-3.5" aria-hidden /> Open a file
          <input
            type="file"
            className="sr-only"
            accept=".json,application/json"
            onChange={(event) => {
              const [file] = event.target.files ?? [];
              if (file) void openFile(file);
              event.target.value = '';
            }}
          />
        </label>
      </div>
      {told && (
        <p role={told.bad ? 'alert' : 'status'} className={told.bad ? 'text-error' : undefined}>
          {told.text}
        </p>
      )}
    </section>
  );
}
