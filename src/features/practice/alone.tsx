'use client';

import { useEffect, useState } from 'react';
import { AloneFrame } from '@/features/train/frame/alone-frame';
import { useKeptPreferences } from '@/ui/preferences';
import { PracticePane } from './practice';
import { createPractice } from './open-practice';
import { PracticeContext } from './use-practice';

/** Practice over the whole shelf, and over trains by chance. */
export function PracticeAlone() {
  useKeptPreferences();
  const [practice] = useState(() => ({ itself: createPractice(null), here: null }));
  useEffect(() => {
    practice.itself.draft.restore();
    return practice.itself.leave;
  }, [practice]);
  return (
    <AloneFrame title="Practice" about="Practice">
      <PracticeContext value={practice}>
        <PracticePane />
      </PracticeContext>
    </AloneFrame>
  );
}
