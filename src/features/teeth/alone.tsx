'use client';

import { useEffect, useState } from 'react';
import { FigureChoices } from '@/features/train/frame/figure-choices';
import { AloneFrame } from '@/features/train/frame/alone-frame';
import { PrintLine } from '@/features/train/frame/print-head';
import { useKeptPreferences } from '@/ui/preferences';
import { teethAlone } from './store';
import { TeethPane } from './teeth';
import { TeethContext } from './use-teeth';

/** Tooth counts for a wanted ratio, without a train. */
export function TeethAlone() {
  useKeptPreferences();
  const [teeth] = useState(() => ({ itself: teethAlone(), train: null }));
  useEffect(() => {
    teeth.itself.draft.restore();
    return teeth.itself.leave;
  }, [teeth]);
  return (
    <AloneFrame title="Tooth counts" about="Teeth" beside={<FigureChoices />}>
      <PrintLine title="Tooth counts" />
      <TeethContext value={teeth}>
        <TeethPane />
      </TeethContext>
    </AloneFrame>
  );
}
