'use client';

import { useEffect, useRef } from 'react';
import { KEYS } from './keys';

/** The list of keys, opened with "?". */
export function KeysSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    if (open) dialog.current?.showModal();
    else dialog.current?.close();
  }, [open]);
  return (
    <dialog ref={dialog} className="modal" aria-labelledby="keys-title" onClose={onClose}>
      <div className="modal-box">
        <h2 id="keys-title" className="text-lg font-semibold">
          Keys
        </h2>
        <dl className="mt-2 grid grid-cols-[auto_1fr] gap-x-5 gap-y-1.5 text-sm">
          {KEYS.map(({ keys, does }) => (
            <div key={keys} className="contents">
              <dt className="figure">{keys}</dt>
              <dd>{does}</dd>
            </div>
          ))}
        </dl>
        <div className="modal-action">
          <button type="button" className="btn btn-neutral btn-sm" onClick={() => dialog.current?.close()}>
            Close
          </button>
        </div>
      </div>
    </dialog>
  );
}
