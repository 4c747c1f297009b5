'use client';

import { useEffect, useState } from 'react';
import { FigureChoices } from '@/features/train/frame/figure-choices';
import { AloneFrame } from '@/ui/alone-frame';
import { useKeptPreferences } from '@/ui/preferences';
import { teethFor } from './store';
import { TeethPane } from './teeth';
import { TeethContext } from './use-teeth';

/** Tooth counts for a wanted ratio, without a train. */
export function TeethAlone() {
  useKeptPreferences();
  const [teeth] = useState(() => ({ itself: teethFor(null, null), train: null }));
  useEffect(() => teeth.itself.leave, [teeth]);
  return (
    <AloneFrame title="Tooth counts" about="Teeth" beside={<FigureChoices />}>
      <TeethContext value={teeth}>
        <TeethPane />
      </TeethContext>
    </AloneFrame>
  );
}
