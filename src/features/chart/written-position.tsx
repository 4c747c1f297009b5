'use client';

import { useState } from 'react';
import { itemAt } from '@/core/required';
import { couplerName } from '@/core/words';
import { choosePosition } from '@/features/train/choosing';
import { editTrain } from '@/features/train/edit';
import { useTrain, useTrainStore } from '@/features/train/use-train';

/** A line below the chart in which a position is written: its name, and what is engaged in it. */
export function WrittenPosition() {
  const store = useTrainStore();
  const couplers = useTrain((state) => state.train.couplers);
  const [text, setText] = useState('');
  const [message, setMessage] = useState<string | null>(null);
  const add = async () => {
    if (text.trim() === '') return;
    const { addWrittenPosition } = await import('@/core/parts-table');
    const added = addWrittenPosition(store.getState().train, text);
    if (added.kind !== 'whole') return setMessage(added.kind === 'wrong' ? added.message : 'Give it a name.');
    editTrain(store, added.train);
    choosePosition(store, itemAt(added.train.positions, -1).id);
    setText('');
    setMessage(null);
  };
  const example = couplers
    .slice(0, 2)
    .map(({ id }) => couplerName(store.getState().train, id))
    .join(' + ');
  return (
    <form
      className="flex flex-wrap items-center gap-2 py-1 pl-5 text-sm"
      onSubmit={(event) => {
        event.preventDefault();
        void add();
      }}
    >
      <label htmlFor="written-position" className="muted">
        New position
      </label>
      <input
        id="written-position"
        className="input input-xs w-72"
        aria-label="New position, in writing"
        aria-invalid={message !== null}
        placeholder={`9 = ${example || 'nothing'}`}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      {message !== null && (
        <span role="alert" className="text-error">
          {message}
        </span>
      )}
    </form>
  );
}
