'use client';

import { FileDown, Trash2 } from 'lucide-react';
import { useContext, useEffect, useState, type ReactNode } from 'react';
import { SessionContext } from '@/features/train/use-train';
import { OpenFile } from '@/ui/open-file';
import { fileName, saveFile } from '@/ui/save-file';
import { asKeptAddress, deleteBeside, putBeside, readBeside, type BesideKind, type KeptBeside as Kept } from '@/wire';
import { capitalised } from '@/core/capitalised';

interface Props {
  readonly kind: BesideKind;
  /** "search" */
  readonly noun: string;
  /** The document as it stands, a file's text. */
  readonly text: string;
  /** It reads, so it can be kept. */
  readonly sound: boolean;
  /** What a file of this kind ends in. */
  readonly suffix: string;
  /** What the command line does with such a file. */
  readonly about: string;
  /** Shows one; what is wrong with it, or null. */
  readonly onOpen: (text: string) => string | null;
  readonly children?: ReactNode;
}

/**
 * Documents of one kind that are kept beside the train: opened, kept under a name, removed; and any of them as a file.
 * Without a train there are only files.
 */
export function KeptFiles({ kind, noun, text, sound, suffix, about, onOpen, children }: Props) {
  const id = useContext(SessionContext)?.id ?? null;
  const [kept, setKept] = useState<readonly Kept[]>([]);
  const [open, setOpen] = useState('');
  const [name, setName] = useState('');
  const [told, setTold] = useState<{ readonly text: string; readonly bad: boolean } | null>(null);
  const Noun = capitalised(noun);
  const plural = capitalised(kind);
  const readAgain = async (train: string) => {
    const answer = await readBeside(kind, train);
    if (answer.ok) setKept(answer.value.kept);
    else setTold({ text: answer.message, bad: true });
  };
  useEffect(() => {
    let left = false;
    if (id !== null) void readBeside(kind, id).then((answer) => !left && answer.ok && setKept(answer.value.kept));
    return () => void (left = true);
  }, [kind, id]);
  const show = (key: string) => {
    const found = kept.find((one) => one.id === key);
    setOpen(key);
    setTold(null);
    if (!found) return;
    const wrong = 'document' in found ? onOpen(JSON.stringify(found.document)) : found.unreadable;
    if (wrong === null) setName(found.name);
    else setTold({ text: `“${found.name}” is kept, but it cannot be opened. ${wrong}`, bad: true });
  };
  const keep = async () => {
    if (id === null) return;
    const called = name.trim() || `${Noun} ${kept.length + 1}`;
    // Under the name of one that is kept, it takes its place.
    const key = kept.find((one) => one.name === called)?.id ?? crypto.randomUUID();
    const answer = await putBeside(kind, id, key, called, JSON.parse(text) as object);
    setTold({ text: answer.ok ? `“${called}” is kept with this train.` : answer.message, bad: !answer.ok });
    if (!answer.ok) return;
    await readAgain(id);
    setOpen(key);
    setName(called);
  };
  const forget = async () => {
    if (id === null || open === '') return;
    const answer = await deleteBeside(kind, id, open);
    setTold({ text: answer.ok ? 'It is no longer kept.' : answer.message, bad: !answer.ok });
    setOpen('');
    await readAgain(id);
  };
  const openFile = async (file: File) => {
    const wrong = onOpen(await file.text());
    setTold(
      wrong === null ? { text: `${file.name} is open.`, bad: false } : { text: `${file.name}: ${wrong}`, bad: true },
    );
  };
  return (
    <section aria-label={`Kept ${kind}`} className="flex flex-col gap-1 border-t border-base-300 px-4 py-2 text-sm">
      {id !== null && (
        <>
          <div className="flex items-center justify-between gap-2">
            <h3 className="font-semibold">Kept {plural.toLowerCase()}</h3>
            <span className="flex items-center gap-1">
              <select
                className="select select-xs w-36"
                aria-label={`Open a saved ${noun}`}
                value={open}
                onChange={(event) => show(event.target.value)}
              >
                <option value="">{kept.length === 0 ? 'none yet' : `${kept.length} kept`}</option>
                {kept.map((one) => (
                  <option key={one.id} value={one.id}>
                    {'document' in one ? one.name : `${one.name} (does not read)`}
                  </option>
                ))}
              </select>
              <button
                type="button"
                className="btn btn-ghost btn-xs"
                aria-label={`Remove the saved ${noun}`}
                title={`Remove the saved ${noun}`}
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
              aria-label={`Name of the ${noun}`}
              placeholder={`${Noun} ${kept.length + 1}`}
              maxLength={120}
              value={name}
              onChange={(event) => setName(event.target.value)}
            />
            <button type="button" className="btn btn-xs" disabled={!sound} onClick={() => void keep()}>
              Save
            </button>
          </div>
        </>
      )}
      <div className="flex gap-2">
        <button
          type="button"
          className="btn btn-ghost btn-xs"
          title={about}
          disabled={!sound}
          onClick={() =>
            saveFile(
              fileName(name || noun, suffix),
              'application/json',
              `${JSON.stringify(JSON.parse(text), null, 2)}\n`,
            )
          }
        >
          <FileDown className="size-3.5" aria-hidden /> Save as a file
        </button>
        <OpenFile word="Open a file" accept=".json,application/json" onOpen={(file) => void openFile(file)} />
      </div>
      {children}
      {told && (
        <p role={told.bad ? 'alert' : 'status'} className={told.bad ? 'text-error' : undefined}>
          {told.text}
        </p>
      )}
      {id !== null && kept.some((one) => one.id === open && 'unreadable' in one) && (
        <a className="link text-sm" href={asKeptAddress(kind, id, open)} download>
          Save it as it is
        </a>
      )}
    </section>
  );
}
