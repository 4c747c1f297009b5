'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Dialog, DialogActions } from '@/ui/dialog';
import { postTrainCopy } from '@/wire';
import { DifferenceList } from '../difference';
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
  if (save.kind !== 'conflict') return null;
  const { theirs } = save;
  const take = () => acceptServerVersion(store, theirs);
  const copy = async () => {
    const copied = await postTrainCopy({ id, train });
    if (!copied.ok) return setFailed(copied.message);
    take();
    router.push(`/trains/${encodeURIComponent(copied.value.id)}`);
  };
  return (
    <Dialog title="This train was changed in another window">
      <p className="mt-2">
        Your change is not saved yet, and theirs is not overwritten. Keep yours as a train of its own, or drop it and go
        on from theirs.
      </p>
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
      </DialogActions>
    </Dialog>
  );
}
