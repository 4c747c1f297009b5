import { useCallback } from 'react';
import type { Train } from '@/core/train';
import { inWords, namesIn } from '@/core/words';
import { usePreferences } from './preferences';

const NO_NAMES: readonly string[] = [];

/**
 * Gives texts the words for parts that the person has chosen.
 * @param train that the texts are about: its names stay
 */
export function usePartWords(train?: Train): (text: string) => string {
  const words = usePreferences((state) => state.words);
  const names = train ? namesIn(train) : NO_NAMES;
  return useCallback((text) => inWords(text, words, names), [words, names]);
}

/** A text in the chosen words for parts. */
export const InWords = ({ train, text }: { train?: Train; text: string }) => usePartWords(train)(text);
