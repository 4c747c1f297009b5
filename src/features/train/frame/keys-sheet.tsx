'use client';

import { Dialog, DialogActions } from '@/ui/dialog';
import { TRAIN_KEYS, type KeyLine } from './keys';

/** The list of keys, opened with "?": those of the screen that is looked at, then those that every screen has. */
export function KeysSheet({ own, onClose }: { own: readonly KeyLine[]; onClose: () => void }) {
  return (
    <Dialog title="Keys" onClose={onClose}>
      <dl className="mt-2 grid grid-cols-[auto_1fr] gap-x-5 gap-y-1.5 text-sm">
        {[...own, ...TRAIN_KEYS].map(({ keys, does }) => (
          <div key={keys} className="contents">
            <dt className="figure">{keys}</dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
      <DialogActions>
        <button type="button" className="btn btn-neutral btn-sm" autoFocus onClick={onClose}>
          Close
        </button>
      </DialogActions>
    </Dialog>
  );
}
