'use client';

import { isInFittingSet, type Gear } from '@/core/train';
import { useTrain } from '@/features/train/use-train';
import { usePreferences } from '@/ui/preferences';
import { usePartWords } from '@/ui/part-words';

/** For a gear of a set that fits: whether the other counts follow when one is typed. */
export function KeepSet({ gear }: { gear: Gear }) {
  const train = useTrain((state) => state.train);
  const keepSets = usePreferences((state) => state.keepSets);
  const set = usePreferences((state) => state.set);
  const told = usePartWords();
  if (!isInFittingSet(train, gear.id)) return null;
  return (
    <label className="flex items-center justify-between gap-2">
      <span className="muted">{told('Keep ring = sun + 2 planets')}</span>
      <input
        type="checkbox"
        className="checkbox checkbox-xs"
        checked={keepSets}
        onChange={(event) => set({ keepSets: event.target.checked })}
      />
    </label>
  );
}
