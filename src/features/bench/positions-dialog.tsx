'use client';

import { ArrowDown, ArrowUp, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { deletePosition, engageInPosition, movePosition, renamePosition } from '@/core/train';
import { couplerName, listed } from '@/core/words';
import { useTrain, useNow } from '@/features/train/use-train';
import { Dialog, DialogActions } from '@/ui/dialog';
import { TextField } from '@/ui/text-field';
import { useEdit } from './editing/use-edit';

/** The positions as a list: rename, reorder, delete, and take over what is engaged now. */
export function PositionsDialog({ onClose }: { onClose: () => void }) {
  const train = useTrain((state) => state.train);
  const { engaged } = useNow();
  const [message, setMessage] = useState<string | null>(null);
  const edit = useEdit(setMessage);
  return (
    <Dialog title="Positions" wide onClose={onClose}>
      {message && (
        <p role="alert" className="text-sm text-error">
          {message}
        </p>
      )}
      <ol
        className={
          'mt-2 text-sm max-sm:[&_input]:w-24 ' + '[&_label>span:first-child]:w-4 [&_label>span:first-child]:text-right'
        }
      >
        {train.positions.map((position, i) => (
          <li key={position.id} className="flex items-center gap-2 border-t border-base-300 py-1">
            <TextField
              label={`${i + 1}`}
              value={position.name}
              onDone={(text) => edit(renamePosition(train, position.id, text))}
            />
            <span className="muted min-w-0 flex-1 truncate max-sm:sr-only">
              {position.engaged.length === 0
                ? 'nothing engaged'
                : listed(position.engaged.map((id) => couplerName(train, id)))}
            </span>
            <button
              type="button"
              className="btn btn-ghost btn-xs"
              title="Engage in this position what is engaged now"
              onClick={() => edit(engageInPosition(train, position.id, engaged))}
            >
              Use current
            </button>
            <button
              type="button"
              className="btn btn-ghost btn-xs btn-square"
              aria-label={`Move ${position.name} up`}
              disabled={i === 0}
              onClick={() => edit(movePosition(train, position.id, -1))}
            >
              <ArrowUp className="size-4" aria-hidden />
            </button>
            <button
              type="button"
              className="btn btn-ghost btn-xs btn-square"
              aria-label={`Move ${position.name} down`}
              disabled={i === train.positions.length - 1}
              onClick={() => edit(movePosition(train, position.id, 1))}
            >
              <ArrowDown className="size-4" aria-hidden />
            </button>
            <button
              type="button"
              className="btn btn-ghost btn-xs btn-square text-error"
              aria-label={`Delete ${position.name}`}
              onClick={() => edit(deletePosition(train, position.id))}
            >
              <Trash2 className="size-4" aria-hidden />
            </button>
          </li>
        ))}
      </ol>
      <DialogActions>
        <button type="button" className="btn btn-neutral btn-sm" onClick={onClose}>
          Done
        </button>
      </DialogActions>
    </Dialog>
  );
}
