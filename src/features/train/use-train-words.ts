import { usePartWords } from '@/ui/part-words';
import { useTrain } from './use-train';

/** Gives texts about the open train the chosen words for parts; its names stay. */
export const useTrainWords = (): ((text: string) => string) => usePartWords(useTrain((state) => state.train));
