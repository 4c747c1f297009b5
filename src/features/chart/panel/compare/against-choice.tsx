'use client';

import { useEffect, useState } from 'react';
import { savedWhen } from '@/features/train/revisions/saved-when';
import { useTrain } from '@/features/train/use-train';
import { readRevision, readRevisions, readShelf, fetchTrain, type Revision, type ShelfEntry } from '@/wire';
import { useChart } from '../../use-chart';

/** With what the chart is compared. */
export function AgainstChoice() {
  const id = useTrain((state) => state.id);
  const version = useTrain((state) => state.version);
  const against = useChart((state) => state.against);
  const set = useChart((state) => state.set);
  const [shelf, setShelf] = useState<readonly ShelfEntry[]>([]);
  const [revisions, setRevisions] = useState<readonly Revision[]>([]);
  const [message, setMessage] = useState<string | null>(null);
  const [reading, setReading] = useState<string | null>(null);
  useEffect(() => {
    void readShelf().then((answer) => (answer.ok ? setShelf(answer.value.trains) : setMessage(answer.message)));
    void readRevisions(id).then((answer) => answer.ok && setRevisions(answer.value.revisions));
  }, [id, version]);
  const others = shelf.filter((entry) => entry.id !== id && !('unreadable' in entry));
  const choose = async (key: string) => {
    setMessage(null);
    if (key === ITSELF) return set({ against: { kind: 'itself' }, whatIf: {} });
    setReading(key);
    const [kind, rest] = [key.slice(0, key.indexOf(' ')), key.slice(key.indexOf(' ') + 1)];
    const answer = await (kind === 'train' ? fetchTrain(rest) : readRevision(id, Number(rest)));
    setReading(null);
    if (!answer.ok) return setMessage(answer.message);
    const name =
      kind === 'train'
        ? answer.value.train.name
        : revisionName(revisions.find((revision) => revision.version === Number(rest)));
    set({
      against: { kind: kind === 'train' ? 'train' : 'revision', key, name, train: answer.value.train },
      whatIf: {},
    });
  };
  return (
    <>
      <label className="flex flex-col">
        <span className="muted text-xs">Compare with</span>
        <select
          className="select select-xs w-64"
          aria-busy={reading !== null}
          value={reading ?? (against.kind === 'itself' ? ITSELF : against.key)}
          onChange={(event) => void choose(event.target.value)}
        >
          <option value={ITSELF}>this train with other counts</option>
          {others.length > 0 && (
            <optgroup label="another train">
              {others.map((entry) => (
                <option key={entry.id} value={`train ${entry.id}`}>
                  {entry.name}
                </option>
              ))}
            </optgroup>
          )}
          {revisions.length > 0 && (
            <optgroup label="a saved revision of this train">
              {revisions.map((revision) => (
                <option key={revision.version} value={`revision ${revision.version}`}>
                  {revisionName(revision)}
                </option>
              ))}
            </optgroup>
          )}
        </select>
      </label>
      {message && (
        <span role="alert" className="pb-1 text-error">
          {message}
        </span>
      )}
    </>
  );
}

const ITSELF = 'itself';

const revisionName = (revision: Revision | undefined): string =>
  revision
    ? (revision.name ?? `state ${revision.version}, ${savedWhen(revision.savedAt, new Date())}`)
    : 'a saved revision';
