'use client';

import { useState } from 'react';
import { choosePosition } from '@/features/train/choosing';
import { documents } from '@/features/train/documents';
import { editTrain } from '@/features/train/edit';
import { useTrain, useNow, useTrainStore } from '@/features/train/use-train';
import { itemAt } from '@/core/required';

/** What is engaged belongs to no position: keep it as one, under a name. */
export function KeepPosition() {
  const store = useTrainStore();
  const train = useTrain((state) => state.train);
  const { engaged } = useNow();
  const [name, setName] = useState('');
  const [message, setMessage] = useState<string | null>(null);
  return (
    <form
      className="flex shrink-0 items-center gap-1.5"
      onSubmit={async (event) => {
        event.preventDefault();
        const edit = (await documents()).keepPosition(train, name, engaged);
        setMessage(edit.ok ? null : edit.message);
        if (!edit.ok) return;
        editTrain(store, edit.train);
        choosePosition(store, itemAt(edit.train.positions, -1).id);
      }}
    >
      <input
        className="input input-xs w-24"
        aria-label="Name of the new position"
        placeholder="name"
        value={name}
        aria-invalid={message !== null}
        onChange={(event) => setName(event.target.value)}
      />
      <button type="submit" className="btn btn-xs" aria-label="Keep as a position" title="Keep as a position">
        Keep<span className="max-xl:hidden">as a position</span>
      </button>
      {message && (
        <span role="alert" className="text-xs text-error">
          {message}
        </span>
      )}
    </form>
  );
}
