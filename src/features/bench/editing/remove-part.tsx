'use client';

import { removePart, type PartRef } from '@/core/train';
import { listed } from '@/core/words';
import { useTrain } from '@/features/train/use-train';
import { useBench } from '../use-bench';
import { AskFirst } from './ask-first';
import { removedWith } from './removed-with';
import type { Say } from './use-edit';

/** Removes a part, after saying what else goes and changes with it where anything does. */
export function RemovePart({ part, label = 'Remove', say }: { part: PartRef; label?: string; say: Say }) {
  const train = useTrain((state) => state.train);
  const asked = useBench((state) => state.removing && state.editing?.id === part.id);
  const along = removedWith(train, part);
  return (
    <AskFirst
      label={label}
      make={() => removePart(train, part)}
      say={say}
      lead={along.length > 0 ? `This also removes ${listed(along)}.` : null}
      asked={asked}
      danger
      closes={part.kind !== 'mesh'}
    />
  );
}
