'use client';

import { readSearchFile } from '@/core/tooth-search';
import { KeptBeside } from '@/features/train/kept/kept-beside';
import { formOf } from '../form-of';
import { useAsk, useForm, useQuestion, useWritten } from '../use-teeth';

/** Searches that are kept beside the train, or as files for the command line. */
export function KeptSearches() {
  const form = useForm();
  const ask = useAsk();
  const written = useWritten();
  const read = useQuestion();
  const open = (text: string) => {
    const file = readSearchFile(text);
    if (!file.ok) return file.message;
    ask(formOf(file.value, form));
    return null;
  };
  return (
    <KeptBeside
      kind="searches"
      noun="search"
      text={written}
      sound={read.ok}
      suffix=".search.json"
      about="What is asked as a file, which the command line’s find takes"
      onOpen={open}
    />
  );
}
