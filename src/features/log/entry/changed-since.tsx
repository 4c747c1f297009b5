import { useState } from 'react';
import type { Log } from '@/core/measurement';
import type { Train } from '@/core/train';
import { DifferenceList } from '@/features/train/difference';
import { useSession } from '@/features/train/use-train';
import { readRevision } from '@/wire';

/** What was changed of the train between two runs: told from its kept states. */
export function ChangedSince({ log: { readings, runs = [] }, run }: { log: Log; run: string }) {
  const session = useSession();
  const [shown, setShown] = useState<readonly [Train, Train] | string | null>(null);
  const before = runs[runs.findIndex(({ id }) => id === run) - 1];
  const statesOf = (id: string) =>
    readings.filter((reading) => reading.run === id).flatMap(({ revision }) => revision ?? []);
  const [earlier, later] = [before && statesOf(before.id).at(-1), statesOf(run)[0]];
  if (!before || earlier === undefined || later === undefined) return null;
  if (earlier === later) return <p className="muted">Nothing of the train was changed since “{before.name}”.</p>;
  const look = async () => {
    const [a, b] = [await readRevision(session.id, earlier), await readRevision(session.id, later)];
    setShown(
      a.ok && b.ok
        ? [a.value.train, b.value.train]
        : `The states of then are not kept any more: ${a.ok ? (b.ok ? '' : b.message) : a.message}`,
    );
  };
  if (shown === null)
    return (
      <button type="button" className="btn btn-xs self-start" onClick={() => void look()}>
        What changed since “{before.name}”?
      </button>
    );
  return typeof shown === 'string' ? <p>{shown}</p> : <DifferenceList.Shown before={shown[0]} after={shown[1]} />;
}
