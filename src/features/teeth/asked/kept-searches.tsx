'use client';

import { readSearchFile } from '@/core/tooth-search';
import { KeptFiles } from '@/features/train/kept/kept-beside';
import { teethFormOf } from '../form-of';
import { useAsk, useTeethForm, useQuestion, useWritten } from '../use-teeth';
import { refusalText } from '@/core/result';

/** Searches that are kept beside the train, or as files for the command line. */
export function KeptSearches() {
  const form = useTeethForm();
  const ask = useAsk();
  const written = useWritten();
  const read = useQuestion();
  const open = (text: string) => {
    const file = readSearchFile(text);
    if (!file.ok) return refusalText(file);
    ask(teethFormOf(file.value, form));
    return null;
  };
  return (
    <KeptFiles
      kind="searches"
      format="tin-wheel/search"
      noun="search"
      text={written}
      sound={read.ok}
      suffix=".search.json"
      about="What is asked as a file, which the command line’s find takes"
      onOpen={open}
    />
  );
}
