'use client';

import { couplerName, listed } from '@/core/words';
import { choosePosition } from '@/features/train/choosing';
import { documents } from '@/features/train/documents';
import { editTrain } from '@/features/train/edit';
import { useNow, useTrain, useTrainStore } from '@/features/train/use-train';

/** What the chart is for, where a train has no position yet, and the first one with one press. */
export function NoRows() {
  const store = useTrainStore();
  const train = useTrain((state) => state.train);
  const { engaged } = useNow();
  const keep = async () => {
    const { keepPosition } = await documents();
    const kept = keepPosition(store.getState().train, '1', engaged);
    if (!kept.ok) return store.getState().set({ notice: kept.message });
    editTrain(store, kept.train);
    choosePosition(store, kept.train.positions.at(-1)!.id);
  };
  return (
    <div className="m-auto flex max-w-md flex-col items-center gap-3 text-center">
      <p>
        The chart lists a train’s positions: what is engaged in each, its ratio, and how large the step to the next one
        is. This train has no position yet.
      </p>
      <button type="button" className="btn btn-neutral btn-sm" onClick={() => void keep()}>
        Keep what is engaged now as position 1
      </button>
      <p className="muted text-sm">
        {engaged.length > 0
          ? `Engaged: ${listed(engaged.map((id) => couplerName(train, id)))}.`
          : 'Nothing is engaged.'}
      </p>
    </div>
  );
}
