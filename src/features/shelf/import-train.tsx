'use client';

import { Upload } from 'lucide-react';
import { useRef, useState } from 'react';
import type { Train } from '@/core/train';
import { Dialog, DialogActions } from '@/ui/dialog';
import { postTrain } from '@/wire';

type Read =
  | { readonly kind: 'good'; readonly file: string; readonly train: Train }
  | { readonly kind: 'bad'; readonly file: string; readonly problems: readonly string[] };

const SHOWN = 5;

/** Brings a train in from a file: says what is wrong and where, or shows what will be added before anything is. */
export function ImportTrain({ onAdded }: { onAdded: (name: string) => void }) {
  const field = useRef<HTMLInputElement>(null);
  const [read, setRead] = useState<Read | null>(null);
  const [message, setMessage] = useState<string | null>(null);
  const choose = async (file: File | undefined) => {
    if (!file) return;
    setMessage(null);
    const { MAX_TRAIN_BYTES, parseTrain, problemText } = await import('@/core/train');
    // Measured before it is read: a huge file never gets into memory.
    if (file.size > MAX_TRAIN_BYTES)
      return setRead({
        kind: 'bad',
        file: file.name,
        problems: [
          `The file has ${Math.round(file.size / 1e6)} MB; a train has at most ` +
            `${Math.round(MAX_TRAIN_BYTES / 1e6)} MB.`,
        ],
      });
    const parsed = parseTrain(await file.text());
    setRead(
      parsed.ok
        ? { kind: 'good', file: file.name, train: parsed.train }
        : { kind: 'bad', file: file.name, problems: parsed.problems.map(problemText) },
    );
  };
  const add = async (train: Train) => {
    const answer = await postTrain(train);
    if (!answer.ok) return setMessage(answer.message);
    setRead(null);
    onAdded(train.name);
  };
  return (
    <>
      <input
        ref={field}
        type="file"
        accept=".json,application/json"
        className="sr-only"
        aria-label="File of a train"
        tabIndex={-1}
        onChange={(event) => {
          void choose(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
      <button type="button" className="btn btn-sm" onClick={() => field.current?.click()}>
        <Upload className="size-4" aria-hidden /> Import
      </button>
      {read && (
        <Dialog
          title={read.kind === 'good' ? `Add “${read.train.name}”?` : `${read.file} cannot be added`}
          onClose={() => setRead(null)}
        >
          {read.kind === 'good' ? (
            <p className="py-2">
              {read.train.members.length} members, {read.train.gears.length} gears, {read.train.couplers.length}{' '}
              couplers and {read.train.positions.length} positions, from {read.file}. Nothing on the shelf is changed by
              it.
            </p>
          ) : (
            <ul className="list-disc py-2 pl-5" role="alert">
              {read.problems.slice(0, SHOWN).map((problem) => (
                <li key={problem}>{problem}</li>
              ))}
              {read.problems.length > SHOWN && <li>and {read.problems.length - SHOWN} more</li>}
            </ul>
          )}
          {message && (
            <p role="alert" className="text-error">
              {message}
            </p>
          )}
          <DialogActions>
            <button type="button" className="btn btn-sm" autoFocus={read.kind === 'bad'} onClick={() => setRead(null)}>
              {read.kind === 'good' ? 'Cancel' : 'Close'}
            </button>
            {read.kind === 'good' && (
              <button type="button" className="btn btn-neutral btn-sm" autoFocus onClick={() => void add(read.train)}>
                Add it
              </button>
            )}
          </DialogActions>
        </Dialog>
      )}
    </>
  );
}
