import { useMemo } from 'react';
import { namesIn } from '@/core/words';
import { usePartWords } from '@/ui/part-words';
import { useTrain } from './use-train';

/** Gives texts about the open train the chosen words for parts; its names stay. */
export function useTrainWords(): (text: string) => string {
  const train = useTrain((state) => state.train);
  return usePartWords(useMemo(() => namesIn(train), [train]));
}
