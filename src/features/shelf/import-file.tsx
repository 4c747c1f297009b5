'use client';

import { Upload } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import type { Train } from '@/core/train';
import { listed } from '@/core/words';
import { Dialog, DialogActions } from '@/ui/dialog';
import { dayAndTimeText } from '@/ui/when';
import { fetchTrain, postTrain, type ShelfEntry } from '@/wire';
import { recognise, SCREEN_OF, takeIn, type Incoming } from './incoming';

interface Props {
  readonly entries: readonly ShelfEntry[];
  readonly onAdded: (name: string) => void;
  /** A bundle is opened in its own dialog. */
  readonly onBundle: (file: File) => void;
}

const SHOWN = 5;
const WHAT = {
  log: 'a log of readings',
  search: 'a search for tooth counts',
  scenario: 'a scenario of motor, load and shifter',
  worksheet: 'a worksheet',
} as const;

/**
 * Brings in a file, chosen or dropped anywhere on the shelf: says what it is, what is wrong with it and where, or what
 * will be added before anything is, and opens it where it belongs.
 */
export function ImportFile({ entries, onAdded, onBundle }: Props) {
  const field = useRef<HTMLInputElement>(null);
  const [incoming, setIncoming] = useState<Incoming | null>(null);
  const close = () => setIncoming(null);
  const choose = async (file: File | undefined) => {
    if (!file) return;
    const found = await recognise(file);
    if (found.kind === 'bundle') onBundle(found.file);
    else setIncoming(found);
  };
  const over = useDropped((file) => void choose(file));
  return (
    <>
      <input
        ref={field}
        type="file"
        accept=".json,.txt,.zip,application/json,text/plain,application/zip"
        className="sr-only"
        aria-label="File to import"
        tabIndex={-1}
        onChange={(event) => {
          void choose(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
      <button
        type="button"
        className="btn btn-sm"
        title="A train, bundle, log, search, scenario or worksheet; or drop a file anywhere here"
        onClick={() => field.current?.click()}
      >
        <Upload className="size-4" aria-hidden /> Import
      </button>
      {over && (
        <p
          className={
            'pointer-events-none fixed inset-3 z-50 flex items-center justify-center ' +
            'border-2 border-dashed border-accent bg-base-100/80 text-lg'
          }
        >
          Drop the file to import it
        </p>
      )}
      {incoming?.kind === 'train' && (
        <AddTrain file={incoming.file} train={incoming.train} onAdded={onAdded} onClose={close} />
      )}
      {incoming?.kind === 'bad' && (
        <Dialog title={`${incoming.file} cannot be added`} onClose={close}>
          <ul className="list-disc py-2 pl-5" role="alert">
            {incoming.problems.slice(0, SHOWN).map((problem) => (
              <li key={problem}>{problem}</li>
            ))}
            {incoming.problems.length > SHOWN && <li>and {incoming.problems.length - SHOWN} more</li>}
          </ul>
          <DialogActions>
            <button type="button" className="btn btn-sm" autoFocus onClick={close}>
              Close
            </button>
          </DialogActions>
        </Dialog>
      )}
      {incoming && incoming.kind !== 'train' && incoming.kind !== 'bad' && incoming.kind !== 'bundle' && (
        <TakeIn incoming={incoming} entries={entries} onClose={close} />
      )}
    </>
  );
}

/** Is a file held over the window? What is dropped is told, wherever that is. */
function useDropped(onFile: (file: File) => void): boolean {
  const [over, setOver] = useState(false);
  const told = useRef(onFile);
  useEffect(() => {
    told.current = onFile;
  });
  useEffect(() => {
    const hasFile = (event: DragEvent) => event.dataTransfer?.types.includes('Files') ?? false;
    const hold = (event: DragEvent) => {
      if (!hasFile(event)) return;
      event.preventDefault();
      setOver(true);
    };
    const leave = (event: DragEvent) => event.relatedTarget === null && setOver(false);
    const drop = (event: DragEvent) => {
      if (!hasFile(event)) return;
      event.preventDefault();
      setOver(false);
      const [file] = event.dataTransfer?.files ?? [];
      if (file) told.current(file);
    };
    addEventListener('dragover', hold);
    addEventListener('dragleave', leave);
    addEventListener('drop', drop);
    return () => {
      removeEventListener('dragover', hold);
      removeEventListener('dragleave', leave);
      removeEventListener('drop', drop);
    };
  }, []);
  return over;
}

interface AddTrainProps {
  readonly file: string;
  readonly train: Train;
  readonly onAdded: (name: string) => void;
  readonly onClose: () => void;
}

function AddTrain({ file, train, onAdded, onClose }: AddTrainProps) {
  const [message, setMessage] = useState<string | null>(null);
  const add = async () => {
    const answer = await postTrain(train);
    if (!answer.ok) return setMessage(answer.message);
    onClose();
    onAdded(train.name);
  };
  return (
    <Dialog title={`Add “${train.name}”?`} onClose={onClose}>
      <p className="py-2">
        {train.members.length} members, {train.gears.length} gears, {train.couplers.length} couplers and{' '}
        {train.positions.length} positions, from {file}. Nothing on the shelf is changed by it.
      </p>
      <Message text={message} />
      <DialogActions>
        <button type="button" className="btn btn-sm" onClick={onClose}>
          Cancel
        </button>
        <button type="button" className="btn btn-neutral btn-sm" autoFocus onClick={() => void add()}>
          Add it
        </button>
      </DialogActions>
    </Dialog>
  );
}

interface TakeInProps {
  readonly incoming: Extract<Incoming, { kind: keyof typeof WHAT }>;
  readonly entries: readonly ShelfEntry[];
  readonly onClose: () => void;
}

/** A file that belongs beside a train, or among the worksheets: whose it is is asked, then it is opened there. */
function TakeIn({ incoming, entries, onClose }: TakeInProps) {
  const router = useRouter();
  const [train, setTrain] = useState('');
  const [message, setMessage] = useState<string | null>(null);
  const [strange, setStrange] = useState<readonly string[]>([]);
  const nobodys = incoming.kind === 'worksheet';
  // Trains of one name are told apart by when they were saved.
  const alike = new Set(entries.map(({ name }) => name).filter((name, i, all) => all.indexOf(name) !== i));
  const choose = async (id: string) => {
    setTrain(id);
    setMessage(null);
    setStrange([]);
    if (incoming.kind !== 'log' || id === '') return;
    const [answer, { strangePositions }] = await Promise.all([fetchTrain(id), import('@/core/measurement')]);
    if (answer.ok) setStrange(strangePositions(incoming.log, answer.value.train));
  };
  const take = async () => {
    const wrong = await takeIn(incoming, train);
    if (wrong !== null) return setMessage(wrong);
    router.push(
      incoming.kind === 'worksheet' ? '/practice' : `/trains/${encodeURIComponent(train)}/${SCREEN_OF[incoming.kind]}`,
    );
  };
  return (
    <Dialog title={`${incoming.file} is ${WHAT[incoming.kind]}`} onClose={onClose}>
      {nobodys ? (
        <p className="py-2">It is saved among the worksheets of Practice.</p>
      ) : (
        <label className="flex flex-wrap items-center gap-2 py-2">
          <span>It belongs to</span>
          <select
            autoFocus
            className="select select-sm w-64"
            value={train}
            onChange={({ target }) => void choose(target.value)}
          >
            <option value="">choose a train</option>
            {entries.map(({ id, name, updatedAt }) => (
              <option key={id} value={id}>
                {alike.has(name) ? `${name}, saved ${dayAndTimeText(updatedAt)}` : name}
              </option>
            ))}
          </select>
        </label>
      )}
      {strange.length > 0 && (
        <p role="alert" className="text-error">
          The log names positions that this train does not have: {listed(strange.slice(0, SHOWN))}. It may be another
          train’s. What is logged stays logged.
        </p>
      )}
      <Message text={message} />
      <DialogActions>
        <button type="button" className="btn btn-sm" onClick={onClose}>
          Cancel
        </button>
        <button
          type="button"
          className="btn btn-neutral btn-sm"
          disabled={!nobodys && train === ''}
          onClick={() => void take()}
        >
          {strange.length > 0 ? 'Add it all the same' : 'Add and open'}
        </button>
      </DialogActions>
    </Dialog>
  );
}

const Message = ({ text }: { text: string | null }) =>
  text && (
    <p role="alert" className="text-error">
      {text}
    </p>
  );
