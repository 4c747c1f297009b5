import { engagementIn, type EngagementChoice } from './engagement';
import type { TrainStore } from './store';
import { partsById } from '@/core/train';
import { itemAt } from '@/core/required';

/** Engages these couplers and remembers what was engaged before. */
export function engage({ getState }: TrainStore, engaged: readonly string[], positionId: string | null = null): void {
  const { train, choice, choose } = getState();
  const now = engagementIn({ train, choice });
  const next: EngagementChoice = { engaged, positionId };
  const then = engagementIn({ train, choice: next });
  const same =
    then.positionId === now.positionId &&
    then.engaged.length === now.engaged.length &&
    then.engaged.every((id) => now.engaged.includes(id));
  if (!same) choose(next);
}

export function choosePosition(store: TrainStore, id: string): void {
  const position = partsById(store.getState().train).find.position(id);
  if (position) engage(store, position.engaged, id);
}

export function toggleCoupler(store: TrainStore, id: string): void {
  const { engaged } = engagementIn(store.getState());
  engage(store, engaged.includes(id) ? engaged.filter((other) => other !== id) : [...engaged, id]);
}

/** The position before or after, round and round; from a choice of one's own the first. */
export function stepPosition(store: TrainStore, by: number): void {
  const { train, choice } = store.getState();
  const { length } = train.positions;
  if (length === 0) return;
  const { positionId } = engagementIn({ train, choice });
  const at = train.positions.findIndex(({ id }) => id === positionId);
  choosePosition(store, itemAt(train.positions, at < 0 ? 0 : (at + by + length) % length).id);
}
