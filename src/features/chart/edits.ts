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

/** What is engaged in a position to be, and its ratio in/out, below 0 in reverse. */
export interface NewPosition {
  readonly engaged: readonly string[];
  readonly ratio: number;
}

/** What can be done to the positions of the chart; each is one step of undo, and what is refused is said. */
export interface ChartEdits {
  readonly toggle: (position: string, coupler: string, on?: boolean) => void;
  readonly rename: (position: string, name: string) => void;
  readonly move: (position: string, by: number) => void;
  readonly remove: (position: string) => void;
  /** A new position with the first free number for its name, after another one where one is given. */
  readonly add: (engaged: readonly string[], after: string | null) => void;
  /** New positions in the order of their ratios, numbered on; the reverse ones are called R. */
  readonly addAll: (sets: readonly NewPosition[], after: string | null) => void;
  /** Leaves a position out of the ladder, its steps and shifts, or takes it in again. */
  readonly leaveOut: (position: string) => void;
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
    add: (engaged, after) =>
      void change(({ keepPosition }, train) => keepPosition(train, nextName(train), engaged, after)).then(
        (changed) => changed && choosePosition(store, itemAt(changed.positions, placeAfter(changed, after)).id),
      ),
    addAll: (sets, after) =>
      void change(({ keepPosition }, train) => {
        const sorted = [...sets].sort((a, b) => Number(b.ratio > 0) - Number(a.ratio > 0) || b.ratio - a.ratio);
        let [grown, last]: [Edit, string | null] = [{ ok: true, train }, after];
        for (const { engaged, ratio } of sorted) {
          if (!grown.ok) return grown;
          const before = grown.train;
          grown = keepPosition(before, ratio < 0 ? nextReverse(before) : nextName(before), engaged, last);
          if (grown.ok) last = itemAt(grown.train.positions, placeAfter(grown.train, last)).id;
        }
        return grown;
      }),
    leaveOut: (id) =>
      void change(({ setOnLadder }, train) => setOnLadder(train, id, positionIn(train, id)?.ladder === false)),
    take: (rows, replace) => void change(({ replacePositions }, train) => replacePositions(train, rows, { replace })),
    sort: () =>
      void change(({ orderPositions }, train) => {
        const sorted = inOrderOfRatio(train);
        return sorted.every((id, i) => itemAt(train.positions, i).id === id) ? null : orderPositions(train, sorted);
      }),
  };
}

/** Where a position stands that was put after another one: the last place where that is not there. */
function placeAfter({ positions }: Train, after: string | null): number {
  const at = positions.findIndex(({ id }) => id === after);
  return at < 0 ? positions.length - 1 : at + 1;
}

/** The first whole number that no position has for its name. */
const nextName = (train: Train): string => firstFree(train, String);

/** R, R2, R3 … */
const nextReverse = (train: Train): string => firstFree(train, (number) => (number === 1 ? 'R' : `R${number}`));

function firstFree({ positions }: Train, nameOf: (number: number) => string): string {
  const taken = new Set(positions.map(({ name }) => name.toLowerCase()));
  for (let number = 1; ; number++) if (!taken.has(nameOf(number).toLowerCase())) return nameOf(number);
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
