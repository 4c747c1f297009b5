import { useCallback } from 'react';
import { inWords } from '@/core/words';
import { usePreferences } from './preferences';

const NO_NAMES: readonly string[] = [];

/**
 * Gives texts the words for parts that the person has chosen.
 * @param names what stays as it is, the same list as long as it is the same
 */
export function usePartWords(names = NO_NAMES): (text: string) => string {
  const words = usePreferences((state) => state.words);
  return useCallback((text) => inWords(text, words, names), [words, names]);
}
