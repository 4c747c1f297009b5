'use client';

import { addSet, type SetPart } from '@/core/train';
import { useTrain } from '@/features/train/use-train';
import { START_TEETH } from './start-teeth';
import { useEdit, type Say } from './use-edit';
import { usePartWords } from '@/ui/part-words';

const AS: Record<SetPart, string> = { sun: 'as its sun', carrier: 'as its carrier', ring: 'as its ring' };

/** Adds a planetary set of which a member is the sun, the carrier or the ring. */
export function AddSet({ member, say }: { member: string; say: Say }) {
  const train = useTrain((state) => state.train);
  const edit = useEdit(say);
  const told = usePartWords();
  return (
    <select
      className="select select-xs w-auto"
      aria-label="Add a planetary set with this member"
      value=""
      onChange={(event) =>
        edit(addSet(train, member, event.target.value as SetPart, START_TEETH.sun, START_TEETH.planet))
      }
    >
      <option value="" disabled>
        + Planetary set…
      </option>
      {Object.entries(AS).map(([part, text]) => (
        <option key={part} value={part}>
          {told(text)}
        </option>
      ))}
    </select>
  );
}
