import type { PartRef } from '@/core/train';
import { partWords } from '@/core/words';
import { documents } from '@/features/train/documents';
import { editTrain } from '@/features/train/edit';
import type { Bench } from '../store';

/** Removes a part at once where nothing else changes with it; else asks on its card, or says why it cannot go. */
export async function removeNow({ train: store, store: bench }: Bench, part: PartRef): Promise<void> {
  const [{ removePart }, { isPlain }] = await Promise.all([documents(), import('./is-plain')]);
  const { train, say } = store.getState();
  const { openCard } = bench.getState();
  const edit = removePart(train, part);
  if (!edit.ok) return say(edit.message);
  if (!isPlain(train, edit.train)) return openCard(part, { removing: true });
  editTrain(store, edit.train, { notice: `Removed ${partWords(train, part)}. Ctrl Z brings it back.` });
  openCard(null);
}
