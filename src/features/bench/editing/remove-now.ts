import type { PartRef } from '@/core/train';
import { listed, partWords } from '@/core/words';
import { documents } from '@/features/train/documents';
import { editTrain } from '@/features/train/edit';
import type { Bench } from '../store';

/** Removes a part at once and says what went with it, or why it cannot go. */
export async function removeNow({ train: store, store: bench }: Bench, part: PartRef): Promise<void> {
  const [{ removePart }, { removedWith }] = await Promise.all([documents(), import('./goes-along-words')]);
  const { train, say } = store.getState();
  const edit = removePart(train, part);
  if (!edit.ok) return say(edit.message);
  const along = removedWith(train, part);
  editTrain(store, edit.train, {
    notice:
      'Removed ' +
      `${partWords(train, part)}${along.length > 0 ? `, and with it ${listed(along)}` : ''}. ` +
      'Ctrl Z brings it back.',
  });
  bench.getState().openCard(null);
}
