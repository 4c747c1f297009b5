'use client';

import { useEffect, useState } from 'react';
import type { Train } from '@/core/train';
import { Dialog, DialogActions } from '@/ui/dialog';
import { DifferenceList } from '../difference';
import { documents } from '../documents';
import type { Session } from '../session';
import type { TrainStore } from '../store';
import type { FoundWork, WorkKeeper } from './kept-work';
import { windowName } from './window-name';

/** A change is in the browser's own storage at the latest after this long. */
const KEEP_MS = 200;

/**
 * Keeps the document with its undo and redo in the browser: they survive a reload, and changes that the server never
 * got wait there and are offered on return.
 */
export function KeptEdits({ session }: { session: Session }) {
  const { store } = session;
  const [offer, setOffer] = useState<{ readonly found: FoundWork; readonly go: () => void } | null>(null);
  useEffect(() => {
    // Begun once: it goes on while other screens are looked at.
    if (session.keeping) return;
    let left = false;
    const open = async () => {
      const { id } = store.getState();
      const { findWork, WorkKeeper } = await import('./kept-work');
      const { own, open: windows } = await windowName();
      const found = await findWork(id, own, windows);
      if (left) return;
      const go = () => {
        setOffer(null);
        session.keeping ??= keepFrom(store, new WorkKeeper(id, own, found), found?.windowId === own ? null : found);
      };
      if (found && takeUp(store, found, (await documents()).serialiseTrain) === 'ask') setOffer({ found, go });
      else go();
    };
    // Without storage (some private windows) everything else still works.
    open().catch(warn);
    return () => {
      left = true;
    };
  }, [session, store]);
  if (!offer) return null;
  const { found, go } = offer;
  return (
    <Dialog title="Changes that were not saved">
      <p className="mt-2">
        When this train was last open here, these changes did not reach the server. They were kept in this browser.
      </p>
      <DifferenceList.Shown before={store.getState().train} after={found.present} />
      <DialogActions>
        <button
          type="button"
          className="btn btn-sm"
          onClick={() => {
            void found.forget().then(go);
          }}
        >
          Discard
        </button>
        <button
          type="button"
          className="btn btn-neutral btn-sm"
          autoFocus
          onClick={() => {
            restore(store, found, found.present);
            go();
          }}
        >
          Restore changes
        </button>
      </DialogActions>
    </Dialog>
  );
}

/** What is to be done with a bench that was left: nothing more, or the person has to be asked. */
function takeUp(store: TrainStore, found: FoundWork, serialiseTrain: (train: Train) => string): 'done' | 'ask' {
  const { train, version } = store.getState();
  if (serialiseTrain(found.present) === serialiseTrain(train)) {
    restore(store, found, train);
    return 'done';
  }
  // It was saved, and changed elsewhere since: its steps lead back to what nobody has now.
  if (!found.unsaved) return 'done';
  if (found.version === version) return 'ask';
  // Changed on both sides: the same choice as with two windows.
  restore(store, found, found.present);
  store.getState().conflict({ version, train });
  return 'done';
}

function restore(store: TrainStore, { past, future }: FoundWork, present: Train): void {
  store.getState().putDocument(present, null);
  store.temporal.setState({
    pastStates: past.map((train) => ({ train })),
    futureStates: future.map((train) => ({ train })),
  });
}

/**
 * Writes every change soon after it was made, from now on; what was taken over from another window is then let go
 * there.
 */
function keepFrom(store: TrainStore, keeper: WorkKeeper, takenOver: FoundWork | null): NonNullable<Session['keeping']> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const keep = () => {
    clearTimeout(timer);
    timer = undefined;
    const { train, savedTrain, version } = store.getState();
    const { pastStates, futureStates } = store.temporal.getState();
    return keeper.keep({
      past: changesOf(documentsOf(pastStates), train),
      present: train,
      future: changesOf(documentsOf(futureStates), train),
      version,
      unsaved: train !== savedTrain,
    });
  };
  const keepNow = () => void keep().catch(warn);
  if (takenOver) keep().then(takenOver.forget).catch(warn);
  const stop = store.subscribe((state, before) => {
    if (state.train !== before.train || state.savedTrain !== before.savedTrain) timer ??= setTimeout(keepNow, KEEP_MS);
  });
  addEventListener('pagehide', keepNow);
  return {
    now: keepNow,
    stop: () => {
      stop();
      clearTimeout(timer);
      removeEventListener('pagehide', keepNow);
    },
  };
}

/** Steps that changed the document: those of what is typed beside it lead from a document to itself. */
const changesOf = (documents: readonly Train[], present: Train): readonly Train[] =>
  documents.filter((train, i) => train !== (documents[i + 1] ?? present));

const documentsOf = (states: readonly { readonly train?: Train }[]): readonly Train[] =>
  states.flatMap(({ train }) => train ?? []);

const warn = (error: unknown): void => console.warn('Changes cannot be kept in this browser.', error);
