'use client';

import { useState } from 'react';
import { documents } from '../documents';
import { editTrain } from '../edit';
import { useTrain, useTrainStore } from '../use-train';

/** The train's name, changed where it stands: Enter keeps it, Esc leaves it as it was. */
export function TrainName() {
  const train = useTrain((state) => state.train);
  const store = useTrainStore();
  const [typed, setTyped] = useState<string | null>(null);
  const [message, setMessage] = useState<string | null>(null);
  const finish = async () => {
    if (typed === null) return;
    if (typed.trim() === train.name) {
      setTyped(null);
      return;
    }
    const renamed = (await documents()).renameTrain(store.getState().train, typed);
    if (renamed.ok) {
      editTrain(store, renamed.train);
      setTyped(null);
      setMessage(null);
    } else setMessage(renamed.message);
  };
  return (
    <div className="relative">
      <h1 className="sr-only">{train.name}</h1>
      <input
        aria-label="Name of the train"
        aria-invalid={message !== null}
        className={
          'w-56 rounded-sm border border-transparent bg-transparent px-1.5 py-0.5 text-lg text-ellipsis ' +
          'font-semibold lg:w-44 xl:w-56 hover:border-base-300'
        }
        title={train.name}
        value={typed ?? train.name}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={() => void finish()}
        onKeyDown={(event) => {
          if (event.key === 'Enter') void finish();
          if (event.key === 'Escape') {
            setTyped(null);
            setMessage(null);
          }
        }}
      />
      {message && (
        <p
          role="alert"
          className="absolute left-0 top-full z-20 mt-1 whitespace-nowrap bg-error px-2 py-1 text-sm text-error-content"
        >
          {message}
        </p>
      )}
    </div>
  );
}
