'use client';

import { usePartWords } from '@/ui/part-words';
import { usePreferences } from '@/ui/preferences';

/** Whether the other counts of a set follow when one of them changes, wherever counts are changed. */
export function KeepSets() {
  const keepSets = usePreferences((state) => state.keepSets);
  const set = usePreferences((state) => state.set);
  const told = usePartWords();
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
