import type { PartRef } from '@/core/train';
import { partWords } from '@/core/words';
import { documents } from '@/features/train/documents';
import { editTrain } from '@/features/train/edit';
import type { TrainStore } from '@/features/train/store';
import type { Bench } from '../store';

/** Where a copied part waits, so that it can be pasted into another train too. */
const KEY = 'tin-wheel-clip';
/** The train it was copied from. */
const FROM = 'tin-wheel-clip-from';

/** Copies a part with its connections. */
export async function copy({ getState }: TrainStore, part: PartRef): Promise<void> {
  const { copyPart } = await documents();
  const { id, train, say } = getState();
  const clip = copyPart(train, part);
  if (!clip) return;
  localStorage.setItem(KEY, JSON.stringify(clip));
  localStorage.setItem(FROM, id);
  say(`Copied ${partWords(train, part)}. Ctrl V pastes it.`);
}

/** Pastes what was copied, and opens the card of the new part. */
export async function paste({ train: store, store: bench }: Bench): Promise<void> {
  const { pastePart, readClip } = await documents();
  const { id, train, say } = store.getState();
  const clip = readClip(localStorage.getItem(KEY) ?? '');
  if (!clip) return say('Nothing was copied yet. Ctrl C copies the part that is picked.');
  const edit = pastePart(train, clip, localStorage.getItem(FROM) !== id);
  if (!edit.ok) return say(edit.message);
  editTrain(store, edit.train);
  bench.getState().openCard(edit.added);
}
