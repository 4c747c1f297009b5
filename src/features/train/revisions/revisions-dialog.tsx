'use client';

import clsx from 'clsx';
import { useEffect, useState } from 'react';
import type { Train } from '@/core/train';
import { Dialog, DialogActions } from '@/ui/dialog';
import { TextField } from '@/ui/text-field';
import { putRevisionName, readRevision, readRevisions, type ServerAnswer, type Revision } from '@/wire';
import { DifferenceList } from '../difference';
import { editTrain } from '../edit';
import { useTrain, useTrainStore } from '../use-train';
import { savedWhen } from './saved-when';

/** The saved states of the train: see what changed since one, name it so that it is kept for good, go back to it. */
export function RevisionsDialog({ onClose }: { onClose: () => void }) {
  const store = useTrainStore();
  const id = useTrain((state) => state.id);
  const version = useTrain((state) => state.version);
  const train = useTrain((state) => state.train);
  const [revisions, setRevisions] = useState<readonly Revision[] | null>(null);
  const [chosen, setChosen] = useState<{ readonly revision: Revision; readonly train: Train } | null>(null);
  const [message, setMessage] = useState<string | null>(null);
  const told = <T,>(answer: ServerAnswer<T>, then: (value: T) => void) => {
    setMessage(answer.ok ? null : answer.message);
    if (answer.ok) then(answer.value);
  };
  useEffect(() => {
    void readRevisions(id).then((answer) => told(answer, (value) => setRevisions(value.revisions)));
  }, [id, version]);
  const choose = async (revision: Revision) =>
    told(await readRevision(id, revision.version), (found) => setChosen({ revision, train: found.train }));
  const rename = async (revision: Revision, name: string) =>
    told(await putRevisionName(id, revision.version, name), () => {
      const named = { ...revision, name: name.trim() || null };
      setRevisions((all) => all?.map((one) => (one.version === revision.version ? named : one)) ?? null);
      setChosen((now) => now && { ...now, revision: named });
    });
  return (
    <Dialog title="Revisions" wide onClose={onClose}>
      <p className="mt-1 text-sm">
        Every saved state is kept: all of the last hour, then fewer the older they are. A named state is kept for good.
      </p>
      {message && (
        <p role="alert" className="mt-2 text-sm text-error">
          {message}
        </p>
      )}
      <div className="mt-3 grid gap-5 sm:grid-cols-[19rem_1fr]">
        <ul aria-label="Saved states" className="max-h-80 overflow-auto border-y border-base-300 text-sm">
          {revisions?.map((revision) => (
            <li key={revision.version}>
              <button
                type="button"
                aria-pressed={chosen?.revision.version === revision.version}
                className={clsx(
                  'flex w-full gap-2 px-2 py-1 text-left',
                  chosen?.revision.version === revision.version
                    ? 'bg-neutral text-neutral-content'
                    : 'hover:bg-base-200',
                )}
                onClick={() => void choose(revision)}
              >
                <span className="figure w-8 shrink-0 text-right opacity-70">{revision.version}</span>
                <span className="min-w-0">
                  <span className="block">
                    {revision.version === version ? 'now' : savedWhen(revision.savedAt, new Date())}
                  </span>
                  {revision.name && <span className="block wrap-anywhere font-semibold">{revision.name}</span>}
                  {revision.changed && (
                    <span className="line-clamp-3 block text-xs wrap-anywhere opacity-80" title={revision.changed}>
                      {revision.changed}
                    </span>
                  )}
                </span>
              </button>
            </li>
          ))}
          {!revisions && !message && <li className="muted px-2 py-1">Looking…</li>}
        </ul>
        {chosen ? (
          <section aria-label="The chosen state" className="min-w-0 text-sm">
            <TextField
              label="Name"
              value={chosen.revision.name ?? ''}
              onDone={(text) => void rename(chosen.revision, text)}
            />
            <h3 className="mt-3 font-semibold">What changed from then to now</h3>
            <DifferenceList.Shown before={chosen.train} after={train} />
          </section>
        ) : (
          <p className="muted text-sm">Choose a state to see what changed since.</p>
        )}
      </div>
      <DialogActions>
        <button type="button" className="btn btn-sm" onClick={onClose}>
          Close
        </button>
        <button
          type="button"
          className="btn btn-neutral btn-sm"
          title="It becomes the newest state; undo brings the present one back."
          disabled={!chosen || chosen.revision.version === version}
          onClick={() => {
            if (!chosen) return;
            editTrain(store, chosen.train);
            onClose();
          }}
        >
          Go back to this state
        </button>
      </DialogActions>
    </Dialog>
  );
}
