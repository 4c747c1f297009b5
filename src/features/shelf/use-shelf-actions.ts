'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { itemAt } from '@/core/required';
import { fileName, saveFile } from '@/ui/save-file';
import { recognise } from './incoming';
import type { ExampleState, Kept, ShelfEntry, UnreadableEntry } from '@/wire';
import { deleteTrain, fetchTrain, postExampleRestore, postRestore, postTrainCopy, putTrain } from '@/wire';

/** Reading, checking and changing documents: the list itself needs none of it. */
const documents = () => import('@/core/train');

/** What was just done, and a train that can be put back. */
export interface News {
  readonly text: string;
  readonly bad: boolean;
  readonly putBack: ShelfEntry | null;
}

/** What came of it: done, or a sentence that says why not. */
type Outcome = { readonly ok: true } | { readonly ok: false; readonly message: string };

/** What can be done with the trains of the shelf; the last of it is told. */
export function useShelfActions() {
  const router = useRouter();
  const [news, setNews] = useState<News | null>(null);
  const report = (answer: Outcome, text: string, gone: ShelfEntry | null = null) => {
    setNews(answer.ok ? { text, bad: false, putBack: gone } : { text: answer.message, bad: true, putBack: null });
    router.refresh();
  };
  /** Does something with the document as it is on the shelf now. */
  const withTrain = async ({ id }: ShelfEntry, act: (kept: Kept) => Promise<Outcome>): Promise<Outcome> => {
    const found = await fetchTrain(id);
    return found.ok ? act(found.value) : found;
  };
  const rename = async (entry: ShelfEntry, name: string) => {
    const renamed = async (kept: Kept): Promise<Outcome> => {
      const edit = (await documents()).renameTrain(kept.train, name);
      return edit.ok ? putTrain({ ...kept, train: edit.train }) : edit;
    };
    report(await withTrain(entry, renamed), `“${entry.name}” is now “${name}”.`);
  };
  const duplicate = async (entry: ShelfEntry) =>
    report(await withTrain(entry, (kept) => postTrainCopy(kept)), `“${entry.name}” was duplicated.`);
  const save = async (entry: ShelfEntry) => {
    const found = await fetchTrain(entry.id);
    if (found.ok)
      saveFile(
        fileName(entry.name, '.train.json'),
        'application/json',
        (await documents()).serialiseTrain(found.value.train),
      );
    else report(found, '');
  };
  const replace = async ({ id, version, name }: UnreadableEntry, file: File) => {
    const found = await recognise(file);
    if (found.kind === 'train') report(await putTrain({ id, version, train: found.train }), `“${name}” was replaced.`);
    else {
      const why = found.kind === 'bad' ? itemAt(found.problems, 0) : 'it is no train.';
      report({ ok: false, message: `${file.name} does not read either: ${why}` }, '');
    }
  };
  const remove = async (entry: ShelfEntry) => report(await deleteTrain(entry), `“${entry.name}” was deleted.`, entry);
  const bringBack = async (entry: ShelfEntry) => report(await postRestore(entry.id), `“${entry.name}” is back.`);
  const restore = async ({ id, name }: ExampleState) => {
    report(await postExampleRestore(id), `“${name}” is as it was.`);
  };
  return { news, report, rename, duplicate, save, replace, remove, bringBack, restore };
}
