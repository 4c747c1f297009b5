import { editTrain } from '@/features/train/edit';
import type { Bench } from '../store';
import { removePart, whatGoes, type PartRef, type Train } from '@/core/train';
import { couplerName, listed, memberName, partWords } from '@/core/words';

/** Removes a part at once and says what went with it, or why it cannot go. */
export function removeNow({ train: store, store: bench }: Bench, part: PartRef): void {
  const { train, set } = store.getState();
  const edit = removePart(train, part);
  if (!edit.ok) return set({ notice: edit.message });
  const along = goesAlong(train, part);
  editTrain(store, edit.train, {
    notice: `Removed ${partWords(train, part)}${along.length > 0 ? `, and with it ${listed(along)}` : ''}. Ctrl Z brings it back.`,
  });
  bench.getState().set({ editing: null });
}

/** What else goes when a part goes, in words. */
export function goesAlong(train: Train, part: PartRef): string[] {
  const { gears, members, meshes, couplers } = whatGoes(train, part);
  const others = (ids: readonly string[], kind: PartRef['kind']) =>
    ids.filter((id) => kind !== part.kind || id !== part.id);
  return [
    ...others(members, 'member').map((id) => memberName(train, id)),
    ...others(gears, 'gear').map((id) => `gear ${train.gears.find((gear) => gear.id === id)!.teeth}`),
    ...(meshes.length > 0 ? [meshes.length === 1 ? 'its mesh' : `${meshes.length} meshes`] : []),
    ...others(couplers, 'coupler').map((id) => couplerName(train, id)),
  ];
}
