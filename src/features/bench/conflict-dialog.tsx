'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Dialog, DialogActions } from '@/ui/dialog';
import { saveAsCopy } from './autosave';
import { useBench, useBenchStore } from './store';

/** Two windows changed the same train: nothing is overwritten until the person has chosen. */
export function ConflictDialog() {
  const save = useBench((state) => state.save);
  const store = useBenchStore();
  const router = useRouter();
  const [failed, setFailed] = useState(false);
  if (save.kind !== 'conflict') return null;
  const { theirs } = save;
  const take = () => store.getState().set({ train: theirs.train, savedTrain: theirs.train, version: theirs.version, save: { kind: 'saved' }, editing: null });
  const copy = async () => {
    const address = await saveAsCopy(store.getState().train);
    if (address === null) {
      setFailed(true);
      return;
    }
    take();
    router.push(address);
  };
  return (
    <Dialog title="This train was changed in another window">
      <p className="py-3">Your change is not saved yet, and theirs is not overwritten. Keep yours as a train of its own, or drop it and go on from theirs.</p>
      {failed && (
        <p role="alert" className="pb-2 text-error">
          The copy could not be saved. Your change is still here; try again.
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
