import { useMemo } from 'react';
import type { Train } from '@/core/train';
import { namesIn } from '@/core/words';
import { usePartWords } from '@/ui/part-words';

/** A text about a train in the chosen words for parts; its names stay. */
export function InWords({ train, text }: { train: Train; text: string }) {
  return usePartWords(useMemo(() => namesIn(train), [train]))(text);
}
