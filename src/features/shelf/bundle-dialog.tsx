'use client';

import { FileArchive } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Dialog, DialogActions } from '@/ui/dialog';
import { Tick } from '@/ui/form/inputs';
import { OpenFile } from '@/ui/open-file';
import { saveFile } from '@/ui/save-file';
import {
  planBundle,
  fetchBundlePlan,
  postBundle,
  type BundleChoice,
  type BundlePlan,
  type BundleRestored,
  type ShelfEntry,
} from '@/wire';

interface Props {
  /** One that was brought already; null until one is chosen. */
  readonly file: File | null;
  readonly entries: readonly ShelfEntry[];
  readonly onRestored: (text: string) => void;
  readonly onClose: () => void;
}

const CHOICES: Record<BundleChoice, string> = { skip: 'leave mine', both: 'keep both', replace: 'replace mine' };

interface Opened {
  readonly file: File;
  readonly plan: BundlePlan;
  readonly choices: Readonly<Record<string, BundleChoice>>;
}

/** Trains with everything beside them as one file, and such a file brought back: first shown, then done. */
export function BundleDialog({ file: brought, entries, onRestored, onClose }: Props) {
  const [ticked, setTicked] = useState<readonly string[]>([]);
  const [opened, setOpened] = useState<Opened | null>(null);
  const [message, setMessage] = useState<string | null>(null);
  const [busy, setBusy] = useState(brought !== null);
  const save = async (ids: readonly string[]) => {
    setBusy(true);
    const answer = await fetchBundlePlan(ids);
    setBusy(false);
    setMessage(answer.ok ? null : answer.message);
    if (answer.ok) saveFile(`${ids.length === 1 ? 'train' : 'tin-wheel'}.bundle.zip`, answer.value.type, answer.value);
  };
  const open = async (file: File) => {
    setBusy(true);
    show(file, await planBundle(file));
  };
  const show = (file: File, answer: Awaited<ReturnType<typeof planBundle>>) => {
    setBusy(false);
    setMessage(answer.ok ? null : `${file.name}: ${answer.message}`);
    setOpened(answer.ok ? { file, plan: answer.value.plan, choices: choicesAtFirst(answer.value.plan) } : null);
  };
  useEffect(() => {
    if (brought) void planBundle(brought).then((answer) => show(brought, answer));
  }, [brought]);
  const restore = async ({ file, choices }: Opened) => {
    setBusy(true);
    const answer = await postBundle(file, choices);
    setBusy(false);
    if (!answer.ok) return setMessage(answer.message);
    onRestored(saidOf(answer.value.restored));
  };
  return (
    <Dialog title="Bundles" onClose={onClose} wide>
      <p className="mt-1 text-sm">
        A bundle holds trains with their revisions, scenarios, searches, log and pictures in one zip, to be opened on
        another installation. Everything holds worksheets and who practises too.
      </p>
      {message && (
        <p role="alert" className="mt-2 text-sm text-error">
          {message}
        </p>
      )}
      {opened ? (
        <Coming opened={opened} onChoose={(choices) => setOpened({ ...opened, choices })} />
      ) : (
        <fieldset className="mt-3 grid max-h-72 gap-x-6 overflow-auto text-sm sm:grid-cols-2">
          <legend className="sr-only">Trains</legend>
          {entries.map(({ id, name }) => (
            <Tick
              key={id}
              label={name}
              checked={ticked.includes(id)}
              onChange={(on) => setTicked(on ? [...ticked, id] : ticked.filter((one) => one !== id))}
            />
          ))}
        </fieldset>
      )}
      <DialogActions>
        {opened ? (
          <>
            <button type="button" className="btn btn-sm" onClick={() => setOpened(null)}>
              Not this one
            </button>
            <button
              type="button"
              className="btn btn-neutral btn-sm"
              disabled={busy}
              onClick={() => void restore(opened)}
            >
              {busy ? 'Importing …' : 'Import'}
            </button>
          </>
        ) : (
          <>
            <OpenFile
              word={busy ? 'Reading …' : 'Open a bundle'}
              accept=".zip,application/zip"
              onOpen={(file) => void open(file)}
            />
            <span className="flex-1" />
            <button type="button" className="btn btn-sm" disabled={busy} onClick={() => void save([])}>
              <FileArchive className="size-4" aria-hidden /> Everything
            </button>
            <button
              type="button"
              className="btn btn-neutral btn-sm"
              disabled={busy || ticked.length === 0}
              onClick={() => void save(ticked)}
            >
              <FileArchive className="size-4" aria-hidden />{' '}
              {ticked.length === 0
                ? 'Export selected'
                : `Export ${ticked.length} ${ticked.length === 1 ? 'train' : 'trains'}`}
            </button>
            <button type="button" className="btn btn-sm" onClick={onClose}>
              Close
            </button>
          </>
        )}
      </DialogActions>
    </Dialog>
  );
}

/**
 * A train that was taken off the shelf is put back unless something else is chosen; one that is on it stays as it is.
 */
const choicesAtFirst = ({ trains }: BundlePlan): Opened['choices'] =>
  Object.fromEntries(trains.flatMap(({ id, there }) => (there?.inBin ? [[id, 'replace' as const]] : [])));

/** What a bundle brought, in a line. */
function saidOf({ added, replaced, merged, skipped, renamed }: BundleRestored): string {
  const said = [
    ['Added', added],
    ['Replaced', replaced],
    ['Left as they were, with new log entries', merged],
    ['Left as they were', skipped],
    ['Answers under another name', renamed.map(({ from, to }) => `${from} is “${to}” here`)],
  ] as const;
  return (
    said.flatMap(([what, names]) => (names.length > 0 ? [`${what}: ${names.join(', ')}.`] : [])).join(' ') ||
    'There was nothing to bring.'
  );
}

/** How it stands with a train that is there already. */
function standing({ name, same, inBin, newEntries }: NonNullable<BundlePlan['trains'][number]['there']>): string {
  if (inBin) return 'was taken off the shelf here';
  if (same) return 'is there, the same';
  const grown = newEntries > 0 ? `, ${newEntries} log entries are new here` : '';
  return `on the shelf as “${name}”, different${grown}`;
}

/** What will come, and for what is there already what is to be done. */
function Coming({
  opened: { file, plan, choices },
  onChoose,
}: {
  opened: Opened;
  onChoose: (choices: Opened['choices']) => void;
}) {
  return (
    <div className="mt-3 max-h-80 overflow-auto text-sm">
      <p className="font-semibold">{file.name} would bring:</p>
      <ul aria-label="What it would bring">
        {plan.trains.map(({ id, name, revisions, readings, pictures, beside, unreadable, there }) => (
          <li key={id} className="flex min-h-9 flex-wrap items-center gap-3 border-t border-base-300 py-1">
            <span className="flex-1">
              <span className="font-semibold">{name}</span>{' '}
              <span className="muted">
                {revisions} revisions, {readings} log entries, {pictures} pictures, {beside} searches and scenarios
                {unreadable > 0 && `; ${unreadable} of these cannot be read and come as they are`}
              </span>
            </span>
            {there ? (
              <label className="flex items-center gap-2">
                <span className="muted">{standing(there)}</span>
                <select
                  className="select select-xs w-32"
                  aria-label={`What to do with ${name}`}
                  value={choices[id] ?? 'skip'}
                  onChange={(event) => onChoose({ ...choices, [id]: event.target.value as BundleChoice })}
                >
                  {(Object.keys(CHOICES) as BundleChoice[]).map((choice) => (
                    <option key={choice} value={choice}>
                      {CHOICES[choice]}
                    </option>
                  ))}
                </select>
              </label>
            ) : (
              <span className="muted">new here</span>
            )}
          </li>
        ))}
      </ul>
      {plan.worksheets + plan.people > 0 && (
        <p className="muted mt-2">
          And {plan.worksheets} worksheets and {plan.people} names that practise; those that are there stay as they are.
        </p>
      )}
    </div>
  );
}
