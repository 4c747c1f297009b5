'use client';

import { useMemo } from 'react';
import { toNumber } from '@/core/rational';
import type { Edit, Train } from '@/core/train';
import { choosePosition } from '@/features/train/choosing';
import { documents } from '@/features/train/documents';
import { editTrain } from '@/features/train/edit';
import type { TrainStore } from '@/features/train/store';
import { useTrainStore } from '@/features/train/use-train';
import { partsById } from '@/core/train';
import { chartOf } from '@/core/gear-chart';
import { itemAt } from '@/core/required';

type Documents = Awaited<ReturnType<typeof documents>>;

/** What can be done to the positions of the chart; each is one step of undo, and what is refused is said. */
export interface ChartEdits {
  readonly toggle: (position: string, coupler: string, on?: boolean) => void;
  readonly rename: (position: string, name: string) => void;
  readonly move: (position: string, by: number) => void;
  readonly remove: (position: string) => void;
  /** A new position, by default with the next number for its name. */
  readonly add: (engaged: readonly string[], name?: string) => void;
  readonly take: (rows: Parameters<Documents['replacePositions']>[1], replace: boolean) => void;
  readonly sort: () => void;
}

export function useEdits(): ChartEdits {
  const store = useTrainStore();
  return useMemo(() => editsOf(store), [store]);
}

function editsOf(store: TrainStore): ChartEdits {
  const change = async (make: (documents: Documents, train: Train) => Edit | null): Promise<Train | null> => {
    const loaded = await documents();
    const edit = make(loaded, store.getState().train);
    if (!edit) return null;
    if (!edit.ok) {
      store.getState().say(edit.message);
      return null;
    }
    editTrain(store, edit.train);
    return edit.train;
  };
  const positionIn = (train: Train, id: string) => partsById(train).find.position(id);
  return {
    toggle: (id, coupler, on) =>
      void change(({ engageInPosition }, train) => {
        const engaged = positionIn(train, id)?.engaged ?? [];
        const is = engaged.includes(coupler);
        if (is === on) return null;
        return engageInPosition(train, id, is ? engaged.filter((other) => other !== coupler) : [...engaged, coupler]);
      }).then((changed) => changed && choosePosition(store, id)),
    rename: (id, name) =>
      void change(({ renamePosition }, train) =>
        positionIn(train, id)?.name === name.trim() ? null : renamePosition(train, id, name),
      ),
    move: (id, by) => void change(({ movePosition }, train) => movePosition(train, id, by)),
    remove: (id) => void change(({ deletePosition }, train) => deletePosition(train, id)),
    add: (engaged, name) =>
      void change(({ keepPosition }, train) => keepPosition(train, name ?? nextName(train), engaged)).then(
        (changed) => changed && choosePosition(store, itemAt(changed.positions, -1).id),
      ),
    take: (rows, replace) => void change(({ replacePositions }, train) => replacePositions(train, rows, { replace })),
    sort: () =>
      void change(({ orderPositions }, train) => {
        const sorted = inOrderOfRatio(train);
        return sorted.every((id, i) => itemAt(train.positions, i).id === id) ? null : orderPositions(train, sorted);
      }),
  };
}

/** A name that no position has yet: a whole number, from how many there will be. */
function nextName({ positions }: Train): string {
  for (let number = positions.length + 1; ; number++)
    if (!positions.some(({ name }) => name === String(number))) return String(number);
}

/** Forward positions first, largest ratio first; then what drives in reverse; then the rest as it was. */
function inOrderOfRatio(train: Train): readonly string[] {
  const key = ({ solved: { ratio } }: { solved: { ratio: Parameters<typeof toNumber>[0] | null } }) =>
    ratio === null ? -Infinity : toNumber(ratio);
  return [...chartOf(train).rows]
    .sort((a, b) => {
      const [x, y] = [key(a), key(b)];
      return x === y ? 0 : y - x;
    })
    .map(({ id }) => id);
}
