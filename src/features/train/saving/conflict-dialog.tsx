'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { RefusedResult, Result } from '@/core/result';
import type { PartRef, Train } from '@/core/train';
import { partWords } from '@/core/words';
import { retryImport } from '@/ui/on-demand';
import { Dialog, DialogActions } from '@/ui/dialog';
import { postTrainCopy } from '@/wire';
import { DifferenceList } from '../difference';
import { editTrain } from '../edit';
import { acceptServerVersion } from '../session';
import { useTrain, useTrainStore } from '../use-train';

/** Two windows changed the same train: nothing is overwritten until the person has chosen. */
export function ConflictDialog() {
  const save = useTrain((state) => state.save);
  const train = useTrain((state) => state.train);
  const store = useTrainStore();
  const id = useTrain((state) => state.id);
  const router = useRouter();
  const [failed, setFailed] = useState<string | null>(null);
  const [shown, setShown] = useState(false);
  const merge = useMerge();
  if (save.kind !== 'conflict') return null;
  const { theirs } = save;
  const take = () => acceptServerVersion(store, theirs);
  const takeBoth = (merged: Train) => {
    take();
    editTrain(store, merged, { notice: 'Both changes are in this train now. Ctrl Z takes yours back.' });
  };
  const copy = async () => {
    const copied = await postTrainCopy({ id, train });
    if (!copied.ok) return setFailed(copied.message);
    take();
    router.push(`/trains/${encodeURIComponent(copied.value.id)}`);
  };
  return (
    <Dialog title="This train was changed in another window">
      <p className="mt-2">
        Your change is not saved yet, and theirs is not overwritten. Keep yours as a train of its own, or discard it and
        go on from theirs{merge?.ok ? '; or merge both, since they change different parts' : ''}.
      </p>
      {merge?.ok === false && (
        <p className="muted mt-1 text-sm">The two cannot be merged: {whyNot(theirs.train, merge)}</p>
      )}
      {shown ? (
        <section aria-label="The difference" className="mt-2">
          <h3 className="text-sm font-semibold">From theirs to yours</h3>
          <DifferenceList.Shown before={theirs.train} after={train} />
        </section>
      ) : (
        <button type="button" className="btn btn-sm mt-3" onClick={() => setShown(true)}>
          See the difference
        </button>
      )}
      {failed && (
        <p role="alert" className="mt-2 text-error">
          The copy was not saved: {failed} Your change is still here.
        </p>
      )}
      <DialogActions>
        <button type="button" className="btn btn-sm" onClick={take}>
          Take theirs
        </button>
        <button type="button" className="btn btn-neutral btn-sm" autoFocus onClick={() => void copy()}>
          Keep mine as a copy
        </button>
        {merge?.ok && (
          <button type="button" className="btn btn-neutral btn-sm" onClick={() => takeBoth(merge.value)}>
            Merge both
          </button>
        )}
      </DialogActions>
    </Dialog>
  );
}

/** Both windows' changes in one document, or where they clash; null until that is worked out. */
function useMerge(): Result<Train> | null {
  const save = useTrain((state) => state.save);
  const train = useTrain((state) => state.train);
  const base = useTrain((state) => state.savedTrain);
  const [merge, setMerge] = useState<Result<Train> | null>(null);
  useEffect(() => {
    if (save.kind !== 'conflict') return;
    let left = false;
    void retryImport(() => import('@/core/difference')).then(({ mergeTrains }) => {
      if (!left) setMerge(mergeTrains(base, train, save.theirs.train));
    });
    return () => {
      left = true;
      setMerge(null);
    };
  }, [save, train, base]);
  return merge;
}

/** The first places at which two changes clash, by the names of the parts. */
function whyNot(train: Train, { problems }: RefusedResult): string {
  const places = problems.slice(0, 3).map(({ path: [list, id], message }) => {
    const kind = PARTS[String(list)];
    const name = kind ? partWords(train, { kind, id: String(id) }) : [list, id].filter(Boolean).join(' ');
    return `${name}: ${message.charAt(0).toLowerCase()}${message.slice(1)}`;
  });
  return places.join(' ');
}

const PARTS: Readonly<Record<string, PartRef['kind']>> = {
  members: 'member',
  gears: 'gear',
  couplers: 'coupler',
};
