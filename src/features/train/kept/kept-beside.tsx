'use client';

import { FileDown, Trash2 } from 'lucide-react';
import type { ReactNode } from 'react';
import { OpenFile } from '@/ui/open-file';
import { fileName, saveFile } from '@/ui/save-file';
import { asKeptAddress, type BesideKind } from '@/wire';
import { useKeptFiles } from './use-kept-files';
import { capitalised } from '@/core/capitalised';

interface Props {
  readonly kind: BesideKind;
  /** What its documents say that they are: of one kind several may be kept. */
  readonly format: string;
  /** The train that they are kept beside, where it is not the open one. */
  readonly beside?: string | null;
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
export function KeptFiles({ kind, format, beside, noun, text, sound, suffix, about, onOpen, children }: Props) {
  const Noun = capitalised(noun);
  const { id, kept, open, name, told, setName, show, keep, forget, openFile } = useKeptFiles({
    kind,
    format,
    beside: beside ?? null,
    noun,
    text,
    onOpen,
  });
  return (
    <section aria-label={`Saved ${kind}`} className="flex flex-col gap-1 border-t border-base-300 px-4 py-2 text-sm">
      {id !== null && (
        <>
          <div className="flex items-center justify-between gap-2">
            <h3 className="font-semibold">Saved {kind}</h3>
            <span className="flex items-center gap-1">
              <select
                className="select select-xs w-36"
                aria-label={`Open a saved ${noun}`}
                value={open}
                onChange={(event) => show(event.target.value)}
              >
                <option value="">{kept.length === 0 ? 'none yet' : `${kept.length} saved`}</option>
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
